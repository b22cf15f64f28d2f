package inkel.core.formula;

import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.TimeSpan;

/**
 * How slowly a clocked wire may rise. From 10 % to 90 % a resistance charges a capacitance in
 * {@code (ln 0.9 − ln 0.1)·R·C = ln 9·R·C}, about 2.2 time constants; that must stay under three tenths of a bit, so
 * that the level is there when the middle of the bit is read.
 */
public final class RcRise {
    private static final double TIME_CONSTANTS = 2.2;
    private static final double SHARE_OF_BIT = 0.3;

    private RcRise() {}

    /** The time from 10 % to 90 %. */
    public static TimeSpan of(Resistance through, Capacitance onto) {
        return TimeSpan.ofSeconds(TIME_CONSTANTS * through.ohms() * onto.farads());
    }

    /** The longest rise that a clock leaves: three tenths of a bit. */
    public static TimeSpan allowed(Frequency clock) {
        return TimeSpan.ofSeconds(SHARE_OF_BIT / clock.hertz());
    }

    /** The fastest clock that a rise leaves. */
    public static Frequency fastest(TimeSpan rise) {
        return Frequency.ofHertz(SHARE_OF_BIT / rise.seconds());
    }

    /** The largest resistance that still rises in time for a clock. */
    public static Resistance mostResistance(Frequency clock, Capacitance onto) {
        return Resistance.ofOhms(allowed(clock).seconds() / (TIME_CONSTANTS * onto.farads()));
    }
}
