package inkel.core.formula;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;

/**
 * A 12-bit driver of many channels: {@code prescale = round(osc / (4096·f)) − 1}, so that it runs at
 * {@code osc / (4096·(prescale + 1))} and a pulse lasts {@code ticks = pulse·f_real·4096} counts. Its oscillator is only
 * good to ±3 % unless it was measured.
 */
public record DriverTicks(int prescale, Frequency actual) {
    public static final int COUNTS = 4096;

    /** The register takes 3 to 255. */
    public static final int LEAST_PRESCALE = 3;

    public static final int MOST_PRESCALE = 255;

    /** @return the nearest setting; it may lie outside what the register takes, see {@link #fits} */
    public static DriverTicks of(Frequency oscillator, Frequency wanted) {
        long nearest = Math.round(oscillator.hertz() / (COUNTS * wanted.hertz())) - 1;
        // Far outside, the number itself says nothing more.
        int prescale = (int) Math.max(0, Math.min(nearest, Integer.MAX_VALUE - 1));
        double actual = oscillator.hertz() / (COUNTS * (prescale + 1.0));
        return new DriverTicks(prescale, Frequency.ofHertz(actual));
    }

    public boolean fits() {
        return prescale >= LEAST_PRESCALE && prescale <= MOST_PRESCALE;
    }

    /** The counts that a pulse lasts; at most all of them, since it really runs a little faster or slower than asked. */
    public long ticks(TimeSpan pulse) {
        return Math.min(COUNTS, Math.round(pulse.seconds() * actual.hertz() * COUNTS));
    }
}
