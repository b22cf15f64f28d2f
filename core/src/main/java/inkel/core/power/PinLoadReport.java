package inkel.core.power;

import inkel.core.catalog.Ability;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PinLoad;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.formula.ESeries;
import inkel.core.formula.SeriesResistor;
import inkel.core.quantity.Current;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A lamp or a coil on a pin that drives it.
 *
 * @param signal the loaded pin of the part
 * @param pin the pin that drives it
 * @param family the levels and limits of that pin
 */
public record PinLoadReport(
        NodeCircuit node, Placed placed, PinLoad load, Endpoint signal, Endpoint pin, IoFamily family) {
    /** Saturated, a small transistor's base is this far above its emitter. */
    static final Voltage BASE = Voltage.ofMillivolts(700);

    /** The base gets a twentieth of what the collector carries, so that the transistor is fully on. */
    static final double FORCED_GAIN = 20;

    /** Small transistors amplify a hundred times at the least at a tenth of an ampere, when they are not yet fully on. */
    static final double LEAST_GAIN = 100;

    /** Above this they drop more than a few tenths of a volt. */
    static final double WARM_GAIN = 30;

    static List<PinLoadReport> of(NodeCircuit node) {
        return node.parts().stream()
                .flatMap(placed -> placed.cls().demands().pinLoads().stream()
                        .filter(load -> load.sort() != PinLoad.Sort.WINDING)
                        .flatMap(load -> of(node, placed, load)))
                .toList();
    }

    private static Stream<PinLoadReport> of(NodeCircuit node, Placed placed, PinLoad load) {
        Endpoint signal = new Endpoint(placed.id(), load.pin());
        return node
                .wire(signal)
                .map(Wire::to)
                .filter(to -> node.pin(to).filter(pin -> !pin.can().isEmpty()).isPresent())
                .flatMap(to -> node.io(to).map(family -> new PinLoadReport(node, placed, load, signal, to, family)))
                .stream();
    }

    private Optional<Between> between() {
        return node.between(signal);
    }

    /** The resistor that stands in line, if one does. */
    public Optional<Resistance> series() {
        return between()
                .filter(Between.Series.class::isInstance)
                .map(Between.Series.class::cast)
                .map(Between.Series::resistance);
    }

    public boolean isDriven() {
        return between().filter(Between.CoilDriver.class::isInstance).isPresent();
    }

    /** Whether the pin is the open end of a transistor that is made for such loads, with a diode across them. */
    public boolean isOnSink() {
        return node.pin(pin).filter(to -> to.can(Ability.Kind.SINK)).isPresent();
    }

    public boolean isLed() {
        return load.sort() == PinLoad.Sort.LED;
    }

    public boolean isCoil() {
        return load.sort() == PinLoad.Sort.COIL;
    }

    public boolean isSounder() {
        return load.sort() == PinLoad.Sort.SOUNDER;
    }

    /** Whether its other end hangs on a supply, so that the pin takes its current and does not give it. */
    public boolean isSunk() {
        return load.from().isPresent();
    }

    /** What drives the current: the pin's rail, or the one that the other end hangs on; empty when that is not fed. */
    public Optional<Range<Voltage>> source() {
        return isSunk() ? node.railOf(placed, load.from().orElseThrow()).flatMap(Rail::volts) : node.ioVolts(pin);
    }

    /** What that reaches at most. */
    public Optional<Voltage> drive() {
        return source().map(Range::highest);
    }

    /**
     * What is left for a resistor at the worst: the highest drive less the smallest forward voltage, in
     * volts above zero; empty when nothing is left, or when either is not known.
     */
    public Optional<Voltage> across() {
        return drive().flatMap(volts -> load.forward()
                .map(forward -> volts.minus(forward.lowest()))
                .filter(left -> left.isAbove(Voltage.ZERO)));
    }

    /** What a lamp to a supply still has across it while the pin is high; empty for any other, or when that is not known. */
    public Optional<Voltage> leftWhenOff(boolean isUsual) {
        Optional<Range<Voltage>> high = node.ioVolts(pin);
        Optional<Range<Voltage>> from = source();
        if (!isSunk() || high.isEmpty() || from.isEmpty() || family.signalHigh().isEmpty()) {
            return Optional.empty();
        }
        Range<Voltage> at = isUsual ? high.get().usual() : high.get();
        Range<Voltage> comes = isUsual ? from.get().usual() : from.get();
        boolean isOneRail = node.ioRail(pin)
                .map(Rail::id)
                .equals(node.railOf(placed, load.from().orElseThrow()).map(Rail::id));
        return isOneRail
                ? Optional.of(Voltage.ZERO)
                : Optional.of(comes.highest().minus(family.signalHigh().get().at(at.lowest())));
    }

    /** Whether it glows although the pin is high: more is left across it than it needs. */
    public boolean neverGoesOut() {
        return glows(false, false);
    }

    /** Whether it does so as supplies usually are. */
    public boolean usuallyNeverGoesOut() {
        return glows(true, true);
    }

    private boolean glows(boolean isUsual, boolean asExpected) {
        return leftWhenOff(isUsual)
                .flatMap(left ->
                        load.forward().map(forward -> left.isAbove(asExpected ? forward.expected() : forward.lowest())))
                .orElse(false);
    }

    /**
     * What the pin has to carry at the worst; empty when nothing limits it, or when no voltage is known. A driven coil
     * takes only the transistor's base current.
     */
    public Optional<Current> current() {
        if (isCoil() && isDriven()) {
            return baseCurrent();
        } else if (!isLed()) {
            return Optional.of(load.current().range().highest());
        }
        if (drive().isPresent() && across().isEmpty()) {
            return Optional.of(Current.ZERO);
        }
        return series().flatMap(ohms -> across().map(volts -> SeriesResistor.current(volts, ohms)));
    }

    private Optional<Current> baseCurrent() {
        return between().map(Between.CoilDriver.class::cast).flatMap(driver -> drive().map(
                        volts -> SeriesResistor.current(SeriesResistor.across(volts, BASE), driver.base())));
    }

    /**
     * The base resistor for a transistor that carries the coil: R = (V_OH − 0.7 V) / (I_coil / 20), the next lower value
     * of E12, or more where the pin may give less than that at its highest. Empty when the pin's lowest high is not known or too
     * low, or when the transistor would not be fully on.
     */
    public Optional<Resistance> base() {
        double coil = load.current().range().highest().amperes();
        return node.ioVolts(pin)
                .flatMap(volts -> family.voh().map(voh -> voh.at(volts.lowest()).minus(BASE)))
                .filter(across -> across.isAbove(Voltage.ZERO))
                .flatMap(across -> {
                    double ohms = Math.max(ESeries.E12.atMost(across.volts() / (coil / FORCED_GAIN)), leastBaseOhms());
                    return Optional.of(Resistance.ofOhms(ohms))
                            .filter(base -> across.volts() / ohms >= coil / WARM_GAIN);
                });
    }

    /** With less than that the pin gives more than it may. */
    private double leastBaseOhms() {
        return limit().flatMap(limit -> drive().map(volts ->
                        ESeries.E12.atLeast(SeriesResistor.across(volts, BASE).volts() / limit.amperes())))
                .orElse(0.0);
    }

    /** The most one pin of the board may carry for long; empty when the class does not tell. */
    public Optional<Current> limit() {
        return isSunk() ? family.pinCurrent() : family.sourceCurrent().or(family::pinCurrent);
    }

    /** Whether the pin gives so little that a lamp to ground stays dark. */
    public boolean staysDark() {
        return !isSunk() && family.sourceCurrent().filter(load::staysDark).isPresent();
    }

    /** The base resistor that stands there: empty where no transistor does. */
    public Optional<Resistance> baseNow() {
        return between().filter(Between.CoilDriver.class::isInstance).map(piece -> ((Between.CoilDriver) piece).base());
    }

    /** The least base current, when the pin is high at its lowest. */
    public Optional<Current> leastBase() {
        return baseNow().flatMap(base -> node.ioVolts(pin)
                .flatMap(volts -> family.voh().map(voh -> SeriesResistor.across(voh.at(volts.lowest()), BASE)))
                .map(across -> SeriesResistor.current(across, base)));
    }

    /** Whether the transistor cannot carry the coil: its base gets less than a hundredth of that. */
    public boolean isBaseStarved() {
        return isBaseBelow(LEAST_GAIN);
    }

    /** Whether it is not fully on, and gets warm: its base gets less than a thirtieth. */
    public boolean isBaseWeak() {
        return isBaseBelow(WARM_GAIN);
    }

    private boolean isBaseBelow(double gain) {
        double wanted = load.current().range().highest().amperes() / gain;
        return leastBase().filter(base -> base.amperes() < wanted * (1 - 1e-9)).isPresent();
    }

    public boolean isUnlimited() {
        return isLed() && series().isEmpty() && across().isPresent();
    }

    public boolean isOver() {
        return limit().flatMap(limit -> current().map(current -> current.isAbove(limit)))
                .orElse(false);
    }

    /** Whether what it usually takes is more already than the pin may carry. */
    public boolean isUsuallyOver() {
        return limit().filter(load.current().range().expected()::isAbove).isPresent();
    }
}
