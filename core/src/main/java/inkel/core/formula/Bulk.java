package inkel.core.formula;

import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Current;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Voltage;
import java.util.Optional;
import java.util.stream.DoubleStream;

/** A capacitor that carries a burst which a supply cannot. */
public final class Bulk {
    /** Voltages that electrolytic capacitors are rated for. */
    private static final double[] RATINGS = {6.3, 10, 16, 25, 35, 50, 63, 80, 100, 160, 200, 250, 350, 400, 450};

    /** A capacitor lasts when it is not run at its limit. */
    private static final double HEADROOM = 1.25;

    private Bulk() {}

    /** How far the voltage falls: I·(ESR + t/C), where I is what the supply cannot give. */
    public static Voltage droop(Current excess, TimeSpan time, Capacitance capacitance, Resistance esr) {
        return Voltage.ofVolts(excess.amperes() * (esr.ohms() + time.seconds() / capacitance.farads()));
    }

    /**
     * The least capacitance for an allowed fall: C = I·t/(ΔV − I·ESR).
     *
     * @return empty when the capacitor's own resistance alone makes the voltage fall further
     */
    public static Optional<Capacitance> needed(Current excess, TimeSpan time, Voltage allowed, Resistance esr) {
        double left = allowed.volts() - excess.amperes() * esr.ohms();
        return left <= 0
                ? Optional.empty()
                : Optional.of(Capacitance.ofFarads(excess.amperes() * time.seconds() / left));
    }

    /** The next value that is sold, of E6 (IEC 60063). */
    public static Capacitance standard(Capacitance needed) {
        return Capacitance.ofFarads(ESeries.E6.atLeast(needed.farads()));
    }

    /**
     * The voltage rating to buy: the next at or above a quarter more than the rail can reach.
     *
     * @return empty above 360 V, where none of those that are sold has that much to spare
     */
    public static Optional<Voltage> rating(Voltage rail) {
        return DoubleStream.of(RATINGS)
                .filter(volts -> volts >= rail.volts() * HEADROOM - 1e-9)
                .mapToObj(Voltage::ofVolts)
                .findFirst();
    }
}
