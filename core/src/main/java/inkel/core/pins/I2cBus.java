package inkel.core.pins;

import inkel.core.catalog.I2cNeed;
import inkel.core.catalog.Settings;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullUp;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.formula.I2cPullup;
import inkel.core.formula.I2cTime;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Share;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * One I2C bus of a node, with all that pulls it up and all that weighs on it, on other tables too where it goes on to them without a
 * shifter.
 *
 * @param line the board's SDA pin
 * @param parts the members in order, the board left out
 * @param pulls the pull-ups on SDA; SCL has the same
 * @param behind parts that are reached over it through a multiplexer
 * @param lines the SDA pins of boards that it joins, this one first
 * @param farPulls the pull-ups on SDA of other tables
 * @param farParts its members on other tables, their boards left out
 */
public record I2cBus(
        NodeCircuit node,
        Endpoint line,
        List<Placed> parts,
        List<PullUp.Soldered> pulls,
        List<Placed> behind,
        Set<Place> lines,
        List<PullUp> farPulls,
        List<Placed> farParts) {
    /** Above this share of the time the rest of the program waits for the bus. */
    public static final Share MOST_USE = Share.ofPercent(70);

    private static final Frequency USUAL_CLOCK = Frequency.ofHertz(100_000);

    /** The speeds that the I2C-bus specification gives names, slowest first. */
    public static final List<Frequency> SPEEDS =
            List.of(USUAL_CLOCK, Frequency.ofHertz(400_000), Frequency.ofHertz(1_000_000));

    /** What each chip's pin weighs, in farads (I2C-bus specification, pin capacitance). */
    private static final double FARADS_PER_DEVICE = 10e-12;

    /** Loose jumper wire. */
    private static final double FARADS_PER_METRE = 50e-12;

    private static final double METRES_PER_DEVICE = 0.2;
    private static final double FARADS_PER_ROW = 3e-12;
    private static final int ROWS_PER_DEVICE = 2;

    public I2cBus {
        parts = List.copyOf(parts);
        pulls = List.copyOf(pulls);
        behind = List.copyOf(behind);
        lines = Collections.unmodifiableSet(new LinkedHashSet<>(lines));
        farPulls = List.copyOf(farPulls);
        farParts = List.copyOf(farParts);
    }

    static List<I2cBus> of(Circuit circuit, NodePins pins) {
        return pins.i2cBuses().entrySet().stream()
                .map(bus -> of(circuit, pins, bus.getKey(), bus.getValue()))
                .toList();
    }

    private static I2cBus of(Circuit circuit, NodePins pins, Endpoint line, List<Placed> members) {
        NodeCircuit node = pins.node();
        Place here = node.place(line);
        Set<Place> lines = BoardBuses.pinsBeside(circuit, here);
        return new I2cBus(
                node,
                line,
                members,
                PullUp.on(node, line).toList(),
                behind(pins, members),
                lines,
                lines.size() == 1
                        ? List.of()
                        : BoardBuses.pulls(circuit, here).stream()
                                .filter(pull -> pull.node() != node)
                                .toList(),
                lines.stream()
                        .skip(1)
                        .flatMap(far -> LinkEnd.members(circuit, far))
                        .toList());
    }

    private static List<Placed> behind(NodePins pins, List<Placed> members) {
        return pins.i2cBuses().entrySet().stream()
                .filter(bus -> members.stream()
                        .anyMatch(member -> member.id().equals(bus.getKey().part())))
                .flatMap(bus -> bus.getValue().stream())
                .toList();
    }

    /** All pull-ups in parallel; empty when there is none. */
    public Optional<Resistance> pull() {
        return Stream.concat(
                        pulls.stream().map(pull -> pull.pull().resistance()),
                        farPulls.stream().map(PullUp::resistance))
                .reduce(Resistance::parallelTo);
    }

    /** How many pull-ups there are on it. */
    public int pullCount() {
        return pulls.size() + farPulls.size();
    }

    /** What the wire is pulled to at the most; without a pull-up that is fed, what the board's own rail reaches. */
    public Optional<Voltage> volts() {
        List<PullUp> fed = Stream.concat(
                        pulls.stream().flatMap(pull -> PullUp.of(node, pull.placed(), pull.pull()).stream()),
                        farPulls.stream())
                .toList();
        return PullUp.together(fed).map(Range::highest).or(() -> node.ioVolts(line)
                .map(Range::highest));
    }

    /** 10 pF for each device, the boards' pins with them, the wires, and the rows of the breadboard. */
    public Capacitance capacitance() {
        int members = parts.size() + farParts.size();
        int wires = members + lines.size() - 1;
        return Capacitance.ofFarads((members + lines.size()) * FARADS_PER_DEVICE
                + wires * METRES_PER_DEVICE * FARADS_PER_METRE
                + members * ROWS_PER_DEVICE * FARADS_PER_ROW);
    }

    public Frequency clock() {
        return chosenClock().orElse(USUAL_CLOCK);
    }

    public Source clockSource() {
        return chosenClock().isPresent() ? Source.YOURS : Source.RULE;
    }

    private Optional<Frequency> chosenClock() {
        return node.board().own(Settings.I2C_CLOCK);
    }

    /** Whether every member takes a clock, and the wires rise in time for it by the pull-ups that are there. */
    public boolean bears(Frequency clock) {
        Resistance most = I2cPullup.largest(mode(clock), capacitance());
        return slowest().filter(member -> limit(member).hertz() < clock.hertz()).isEmpty()
                && pull().filter(ohms -> Quantity.exceeds(ohms, most)).isEmpty();
    }

    /** The speed class that the clock falls in. */
    public I2cPullup.Mode mode() {
        return mode(clock());
    }

    private static I2cPullup.Mode mode(Frequency clock) {
        double hertz = clock.hertz();
        return hertz <= 100_000
                ? I2cPullup.Mode.STANDARD
                : hertz <= 400_000 ? I2cPullup.Mode.FAST : I2cPullup.Mode.FASTPLUS;
    }

    /** The most the pull-up may be for the clock, at the weight of the bus; weaker ones let the wires rise too slowly. */
    public Resistance weakest() {
        return I2cPullup.largest(mode(), capacitance());
    }

    /** The least it may be, so that a member can still pull low. */
    public Optional<Resistance> strongest() {
        return volts().map(volts -> I2cPullup.smallest(volts, I2cPullup.LOW, mode().sink()));
    }

    /** The member that takes the slowest clock; empty when no part is on the bus. */
    public Optional<Placed> slowest() {
        return parts.stream().min(Comparator.comparing(placed -> limit(placed).hertz()));
    }

    /** The fastest clock that a member takes. */
    public static Frequency limit(Placed placed) {
        return placed.cls().i2c().orElseThrow().clockMax();
    }

    /** The share of the bus that the polls of all its parts take, those behind a multiplexer among them. */
    public Share use() {
        return Share.of(talking().mapToDouble(placed -> use(placed).ratio()).sum());
    }

    /** The share that one part's polls take. */
    public Share use(Placed placed) {
        return traffic(placed)
                .map(traffic -> I2cTime.of(clock(), traffic.bytes(), 1, false).use(polls(placed, traffic)))
                .orElse(Share.ZERO);
    }

    private Stream<Placed> talking() {
        return Stream.concat(parts.stream(), behind.stream());
    }

    private static Optional<I2cNeed.Traffic> traffic(Placed placed) {
        return placed.cls().i2c().flatMap(I2cNeed::traffic);
    }

    /** How often the program talks to a part: the builder's word, else as usual for its class. */
    public static Frequency polls(Placed placed, I2cNeed.Traffic traffic) {
        return placed.own(Settings.POLLS).orElse(traffic.polls());
    }

    /** The part that takes most of the bus. */
    public Optional<Placed> busiest() {
        return talking().max(Comparator.comparingDouble(placed -> use(placed).ratio()));
    }

    public boolean isBusy() {
        return use().isAbove(MOST_USE);
    }

    public boolean isClockOver() {
        return slowest()
                .filter(placed -> Quantity.exceeds(clock(), limit(placed)))
                .isPresent();
    }

    public boolean isPullWeak() {
        return pull().filter(ohms -> Quantity.exceeds(ohms, weakest())).isPresent();
    }

    public boolean isPullStrong() {
        return pull().flatMap(ohms -> strongest().map(least -> Quantity.exceeds(least, ohms)))
                .orElse(false);
    }

    /** One of each set that is one wire over several tables, the first of them. */
    public static List<I2cBus> once(Stream<I2cBus> buses) {
        Set<Set<Place>> told = new HashSet<>();
        return buses.filter(bus -> told.add(bus.lines())).toList();
    }
}
