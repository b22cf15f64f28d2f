package inkel.core.pins;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.catalog.SpiNeed;
import inkel.core.circuit.Chain;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.formula.SpiClock;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * One SPI bus of a node.
 *
 * @param clock the pin that carries its clock
 * @param members in order
 */
public record SpiBus(NodePins pins, Endpoint clock, List<Placed> members) {
    public SpiBus {
        members = List.copyOf(members);
    }

    /** The clock that the builder chose for the board's SPI; empty when it is left to the program. */
    public Optional<Frequency> chosen() {
        return pins.node().board().own(Settings.SPI_CLOCK);
    }

    public boolean isShared() {
        return members.size() > 1;
    }

    public boolean isClockOver() {
        return chosen().filter(clock -> Quantity.exceeds(clock, limit())).isPresent();
    }

    /** The slowest of the members and, where the program drives the bus, the program. */
    public Frequency limit() {
        Frequency member = slowest().map(SpiBus::limit).orElse(Frequency.ofHertz(Double.MAX_VALUE));
        return software().map(most -> Quantity.smaller(most, member)).orElse(member);
    }

    public boolean isSoftwareTheSlowest() {
        return software().filter(limit()::equals).isPresent();
    }

    private Optional<Frequency> software() {
        return isBySoftware()
                ? pins.node().board().cls().controller().flatMap(board -> board.software()
                        .spi())
                : Optional.empty();
    }

    /** The member that takes the slowest clock. */
    public Optional<Placed> slowest() {
        return members.stream()
                .filter(placed -> placed.cls().spi().isPresent())
                .min(Comparator.comparing(placed -> limit(placed).hertz()));
    }

    public static Frequency limit(Placed placed) {
        return placed.cls().spi().map(SpiNeed::clockMax).orElse(Frequency.ofHertz(Double.MAX_VALUE));
    }

    /** Whether the program drives it on plain pins. */
    public boolean isBySoftware() {
        return members.stream().anyMatch(PinFit::isOnSoftwareBus);
    }

    /** The fastest clock at or below a limit that the board can make; empty when it cannot go that slow. */
    public Optional<Frequency> fastest(Frequency limit) {
        Optional<Controller> controller = pins.node().board().cls().controller();
        if (isBySoftware()) {
            return software().map(most -> Quantity.smaller(most, limit));
        }
        return controller
                .flatMap(board -> SpiClock.fastest(board.clock(), board.spiDividers(), limit))
                .map(SpiClock::clock);
    }

    /** Where a member's select goes. */
    public Optional<Wire> select(Placed member) {
        return selectPin(member).flatMap(pin -> pins.node().wire(member.endpoint(pin)));
    }

    /** The pin that a part is selected by. */
    public static Optional<Pin> selectPin(Placed member) {
        return member.cls().signals().filter(pin -> pin.use() == PinUse.SPI_CS).findFirst();
    }

    /** Members that are selected and of which nothing holds the select off while nobody drives it. */
    public List<Placed> floating() {
        return members.stream()
                .filter(member -> isSelected(member) && !isSelectPulled(member) && !isInChain(member))
                .toList();
    }

    /** Whether it is selected with the first part of its chain. */
    private boolean isInChain(Placed member) {
        return Chain.before(pins.node(), member).isPresent();
    }

    /** Members that never let go of a MISO wire that others share. */
    public List<Placed> holding() {
        return members.stream()
                .filter(member ->
                        member.cls().spi().filter(need -> !need.releasesMiso()).isPresent())
                .filter(this::isMisoShared)
                .toList();
    }

    private boolean isMisoShared(Placed member) {
        return member.cls()
                .signals()
                .filter(pin -> pin.use() == PinUse.SPI_MISO)
                .flatMap(pin -> pins.node().wire(member.endpoint(pin)).stream())
                .anyMatch(wire ->
                        pins.node().nets().getOrDefault(wire.to(), List.of()).size() > 1);
    }

    /** Whether a member is told apart by a select, and not by leaving it alone. */
    public boolean wantsSelect(Placed member) {
        return selectPin(member).isPresent();
    }

    /** Whether a member can be told apart from the others: its select is on a pin of its own. */
    public boolean isSelected(Placed member) {
        Optional<Wire> select = select(member);
        return select.isPresent() && !pins.node().isTie(select.get());
    }

    /** Whether something holds a member's select off while nobody drives it. */
    public boolean isSelectPulled(Placed member) {
        Optional<Pin> pin = selectPin(member);
        return member.isSelectHeldLow()
                || pin.isPresent()
                        && member.cls()
                                .spi()
                                .filter(need -> !need.isSelectedHigh())
                                .isPresent()
                        && member.cls().pulls().stream()
                                .anyMatch(pull -> pull.pin().equals(pin.get().label()));
    }
}
