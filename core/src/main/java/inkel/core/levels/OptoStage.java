package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.formula.ESeries;
import inkel.core.quantity.Current;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Share;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * An optocoupler in a wire. Its lamp gets I = (V − V_F) / R with V = V_OH where a high lights it, and V = V_supply − V_OL where
 * a low does; its transistor carries at least the transfer ratio of that, and must carry V / R_pull to pull the wire low.
 *
 * @param node whose pin lights the lamp
 * @param link the wire to another board that it stands in; empty on one board
 * @param driver who lights the lamp
 * @param across what lies across lamp and resistor while it is lit
 * @param listener the supply of who listens
 */
public record OptoStage(
        NodeCircuit node,
        Optional<NodeWire> link,
        Between.Opto opto,
        Endpoint driver,
        Range<Voltage> across,
        Range<Voltage> listener) {
    /** Forward voltage of an infrared lamp at some milliamperes; class figure of plain optocouplers. */
    static final Range<Voltage> FORWARD = Range.between(Voltage.ofVolts(1.0), Voltage.ofVolts(1.4));

    /** The least transfer ratio of plain optocouplers; class figure. */
    public static final Share TRANSFER = Share.ofPercent(50);

    static List<OptoStage> of(NodeCircuit node) {
        return optos(node.node().between().stream())
                .flatMap(opto -> of(node, opto).stream())
                .toList();
    }

    /** Those between boards. */
    static List<OptoStage> of(List<BoardLink> boards) {
        List<OptoStage> stages = new ArrayList<>();
        for (BoardLink board : boards) {
            Endpoint driver = board.link().from().endpoint();
            Optional<Range<Voltage>> listener =
                    board.to().ioVolts(board.link().to().endpoint());
            optos(board.between().stream())
                    .flatMap(opto -> of(board.from(), Optional.of(board.link()), opto, driver, listener).stream())
                    .forEach(stages::add);
        }
        return stages;
    }

    private static Stream<Between.Opto> optos(Stream<Between> pieces) {
        return pieces.filter(Between.Opto.class::isInstance).map(Between.Opto.class::cast);
    }

    private static Optional<OptoStage> of(NodeCircuit node, Between.Opto opto) {
        return node.wire(opto.signal()).filter(wire -> !node.isTie(wire)).flatMap(wire -> {
            Endpoint listener = node.listener(wire);
            Endpoint driver = listener.equals(wire.from()) ? wire.to() : wire.from();
            return of(node, Optional.empty(), opto, driver, node.ioVolts(listener));
        });
    }

    private static Optional<OptoStage> of(
            NodeCircuit node,
            Optional<NodeWire> link,
            Between.Opto opto,
            Endpoint driver,
            Optional<Range<Voltage>> listener) {
        Optional<Range<Voltage>> at = node.ioVolts(driver);
        if (at.isEmpty() || listener.isEmpty()) {
            return Optional.empty();
        }
        return node.io(driver)
                .flatMap(says -> opto.turnsOver() ? high(says, at.get()) : overLow(says, at.get()))
                .map(across -> new OptoStage(node, link, opto, driver, across, listener.get()));
    }

    /** What a high leaves above ground: nothing where the pin only pulls low. */
    private static Optional<Range<Voltage>> high(IoFamily says, Range<Voltage> at) {
        if (says.openDrain()) {
            return Optional.of(Range.exactly(Voltage.ZERO));
        }
        Voltage top = says.highest(at.highest());
        return says.voh().map(least -> Range.between(Quantity.smaller(least.at(at.lowest()), top), top));
    }

    /** What a low leaves below the supply. */
    private static Optional<Range<Voltage>> overLow(IoFamily says, Range<Voltage> at) {
        return says.vol().map(most -> {
            Voltage least = at.lowest().minus(most.at(at.lowest()));
            return Range.between(least.isBelow(Voltage.ZERO) ? Voltage.ZERO : least, at.highest());
        });
    }

    /** The same with its lamp lit otherwise. */
    public Optional<OptoStage> lit(Between.Opto.Lit lit) {
        return of(node, link, opto.lit(lit), driver, Optional.of(listener));
    }

    /** Whether its lamp never shines. */
    public boolean isDark() {
        return !Quantity.exceeds(across.highest(), FORWARD.lowest());
    }

    /** Whether a high that stays too far below the supply, where its lamp hangs, leaves it lit. */
    public boolean isNeverOut() {
        return !opto.turnsOver()
                && aboveHigh()
                        .filter(left -> Quantity.exceeds(left, FORWARD.lowest()))
                        .isPresent();
    }

    /** The most that is left between a high and the supply; empty for a pin that lets go. */
    private Optional<Voltage> aboveHigh() {
        Optional<Voltage> supply = node.ioVolts(driver).map(Range::highest);
        return node.io(driver).filter(says -> !says.openDrain()).flatMap(says -> says.signalHigh()
                .flatMap(least -> supply.map(top -> top.minus(Quantity.smaller(says.highest(top), least.at(top))))));
    }

    /** The least that the lamp gets. */
    public Current lit() {
        return lamp(across.lowest(), FORWARD.highest(), opto.series());
    }

    /** The most that the driver's pin gives or takes. */
    public Current asked() {
        return lamp(across.highest(), FORWARD.lowest(), opto.series());
    }

    private static Current lamp(Voltage across, Voltage forward, Resistance series) {
        return Current.ofAmperes(Math.max(0, across.minus(forward).volts()) / series.ohms());
    }

    /** What the lamp must get for the wire to be pulled low. */
    public Current wanted() {
        return Current.ofAmperes(listener.highest().volts() / opto.pullUp().ohms() / TRANSFER.ratio());
    }

    /** What the driver's pin may give or take for long; empty when its class does not tell. */
    public Optional<Current> limit() {
        return node.io(driver)
                .flatMap(says -> opto.turnsOver() ? says.sourceCurrent().or(says::pinCurrent) : says.pinCurrent());
    }

    public boolean isWeak() {
        return Quantity.exceeds(wanted(), lit());
    }

    public boolean isOver() {
        return limit().filter(limit -> Quantity.exceeds(asked(), limit)).isPresent();
    }

    /**
     * The next lower value of E12 that lights the lamp enough, and that the driver's pin bears; empty when there is none.
     */
    public Optional<Resistance> suitable() {
        double over = across.lowest().minus(FORWARD.highest()).volts();
        if (over <= 0) {
            return Optional.empty();
        }
        Resistance ohms = Resistance.ofOhms(ESeries.E12.atMost(over / wanted().amperes()));
        Current most = lamp(across.highest(), FORWARD.lowest(), ohms);
        return limit().filter(limit -> Quantity.exceeds(most, limit)).isPresent()
                ? Optional.empty()
                : Optional.of(ohms);
    }
}
