package inkel.core.formula;

import inkel.core.quantity.Current;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;

/**
 * A resistor in line with something that keeps a voltage for itself: a lamp, a base, a clamp diode, another driver. By the
 * law of Ohm, I = (V − Vf) / R.
 */
public final class SeriesResistor {
    private SeriesResistor() {}

    /** What is left for the resistor; nothing where the other keeps all. */
    public static Voltage across(Voltage drive, Voltage kept) {
        return Quantity.larger(Voltage.ZERO, drive.minus(kept));
    }

    /** I = V / R. */
    public static Current current(Voltage across, Resistance series) {
        return Current.ofAmperes(across.volts() / series.ohms());
    }

    /** The least that lets no more than a current through: R = V / I. */
    public static Resistance least(Voltage across, Current most) {
        return Resistance.ofOhms(across.volts() / most.amperes());
    }

    /** As {@link #least}, up to the next value that is sold. */
    public static Resistance standard(Voltage across, Current most, ESeries series) {
        return Resistance.ofOhms(series.atLeast(least(across, most).ohms()));
    }
}
