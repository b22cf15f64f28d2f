package inkel.core.power;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PinLoad;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.formula.ESeries;
import inkel.core.quantity.Current;
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

    public boolean isLed() {
        return load.sort() == PinLoad.Sort.LED;
    }

    /** What the pin's rail reaches at most; empty when it is not fed. */
    public Optional<Voltage> drive() {
        return node.ioVolts(pin).map(volts -> volts.highest());
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

    /**
     * What the pin has to carry at the worst; empty when nothing limits it, or when no voltage is known. A driven coil
     * takes only the transistor's base current.
     */
    public Optional<Current> current() {
        if (!isLed()) {
            return isDriven()
                    ? baseCurrent()
                    : Optional.of(load.current().range().highest());
        }
        if (drive().isPresent() && across().isEmpty()) {
            return Optional.of(Current.ZERO);
        }
        return series().flatMap(ohms -> across().map(volts -> Current.ofAmperes(volts.volts() / ohms.ohms())));
    }

    private Optional<Current> baseCurrent() {
        return between().map(Between.CoilDriver.class::cast).flatMap(driver -> drive().map(volts -> Current.ofAmperes(
                Math.max(0, volts.minus(BASE).volts()) / driver.base().ohms())));
    }

    /**
     * The base resistor for a transistor that carries the coil: R = (V_OH − 0.7 V) / (I_coil / 20), the next lower value
     * of E12. Empty when the pin's lowest high is not known or too low.
     */
    public Optional<Resistance> base() {
        double baseAmperes = load.current().range().highest().amperes() / FORCED_GAIN;
        return node.ioVolts(pin)
                .flatMap(volts -> family.voh().map(voh -> voh.at(volts.lowest()).minus(BASE)))
                .filter(across -> across.isAbove(Voltage.ZERO))
                .map(across -> Resistance.ofOhms(ESeries.E12.atMost(across.volts() / baseAmperes)));
    }

    /** The most one pin of the board may carry for long; empty when the class does not tell. */
    public Optional<Current> limit() {
        return family.pinCurrent();
    }

    public boolean isUnlimited() {
        return isLed() && series().isEmpty() && across().isPresent();
    }

    public boolean isOver() {
        return limit().flatMap(limit -> current().map(current -> current.isAbove(limit)))
                .orElse(false);
    }
}
