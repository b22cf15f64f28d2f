package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/**
 * What a signal pin takes from the pin that drives it, when that is more than an input's leakage.
 *
 * @param forward the forward voltage of an LED; absent for a coil
 * @param from the supply pin that it hangs on with its other end, so that the pin takes and does not give; absent where that
 *     is ground
 * @param current for an LED what it is bright with, for a coil or a buzzer what it takes, for a winding what it takes running and, at
 *     most, held still
 */
public record PinLoad(
        String pin, Sort sort, Optional<Range<Voltage>> forward, Optional<String> from, Figure<Current> current) {
    /** What hangs on the pin. */
    public enum Sort {
        /** A diode: it takes whatever the resistor before it lets through. */
        LED,
        /** A lamp that brings its resistor: it takes what it is made for. */
        LAMP,
        /** A buzzer that makes its own pitch: it takes what it is made for. */
        SOUNDER,
        /** A winding: a relay, a motor, a pump. It kicks back when it is switched off. */
        COIL,
        /** A winding between two leads, driven by a bridge that takes its kick: a motor, a stepper. */
        WINDING
    }

    /** Of what it is bright with; with less it stays dark. */
    private static final double DARK = 0.1;

    /** Whether its current comes from a supply pin of its part, and goes to ground through the pin. */
    public boolean isFromSupply() {
        return sort == Sort.COIL || sort == Sort.LAMP && from.isPresent();
    }

    /** Whether a lamp stays dark at a pin that gives no more than this. */
    public boolean staysDark(Current most) {
        return (sort == Sort.LED || sort == Sort.LAMP)
                && most.isBelow(current.range().expected().times(DARK));
    }
}
