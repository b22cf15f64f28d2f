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
 * An optocoupler in a wire. Its lamp gets I = (V_OH − V_F) / R; its transistor carries at least the transfer ratio of that,
 * and must carry V / R_pull to pull the wire low.
 *
 * @param node whose pin lights the lamp
 * @param link the wire to another board that it stands in; empty on one board
 * @param driver who lights the lamp
 * @param high what it puts out as a high
 * @param listener the supply of who listens
 */
public record OptoStage(
        NodeCircuit node,
        Optional<NodeWire> link,
        Between.Opto opto,
        Endpoint driver,
        Range<Voltage> high,
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
        Optional<IoFamily> says = node.io(driver).filter(family -> family.voh().isPresent());
        Optional<Range<Voltage>> at = node.ioVolts(driver);
        if (says.isEmpty() || at.isEmpty() || listener.isEmpty()) {
            return Optional.empty();
        }
        Voltage top = says.get().highest(at.get().highest());
        Voltage least = says.get().voh().get().at(at.get().lowest());
        return Optional.of(new OptoStage(
                node, link, opto, driver, Range.between(Quantity.smaller(least, top), top), listener.get()));
    }

    /** The least that the lamp gets. */
    public Current lit() {
        return lamp(high.lowest(), FORWARD.highest(), opto.series());
    }

    /** The most that the driver's pin gives. */
    public Current asked() {
        return lamp(high.highest(), FORWARD.lowest(), opto.series());
    }

    private static Current lamp(Voltage high, Voltage forward, Resistance series) {
        return Current.ofAmperes(Math.max(0, high.minus(forward).volts()) / series.ohms());
    }

    /** What the lamp must get for the wire to be pulled low. */
    public Current wanted() {
        return Current.ofAmperes(listener.highest().volts() / opto.pullUp().ohms() / TRANSFER.ratio());
    }

    /** What the driver's pin may give for long; empty when its class does not tell. */
    public Optional<Current> limit() {
        return node.io(driver).flatMap(IoFamily::pinCurrent);
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
        double across = high.lowest().minus(FORWARD.highest()).volts();
        if (across <= 0) {
            return Optional.empty();
        }
        Resistance ohms = Resistance.ofOhms(ESeries.E12.atMost(across / wanted().amperes()));
        Current most = lamp(high.highest(), FORWARD.lowest(), ohms);
        return limit().filter(limit -> Quantity.exceeds(most, limit)).isPresent()
                ? Optional.empty()
                : Optional.of(ohms);
    }
}
