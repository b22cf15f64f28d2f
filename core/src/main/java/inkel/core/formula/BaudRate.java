package inkel.core.formula;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import java.util.Comparator;
import java.util.List;

/**
 * The rate a serial port really runs at: {@code baud = clock / (oversample · (n + 1))}, with {@code n} the whole
 * number nearest to the wish, or a step of the port's fraction.
 *
 * @param register the {@code n} of the formula; has a fraction only where the port has one
 * @param error of the real rate against the wanted one; negative when too slow
 */
public record BaudRate(int oversample, double register, Frequency actual, Share error) {
    /** The error a port may have by itself, so that both ends together stay readable. */
    public static final Share LIMIT = Share.ofPercent(2);

    /** What both ends together may be off, so that the last bit of a frame of ten is still read in its middle. */
    public static final Share BOTH = Share.ofPercent(3);

    /**
     * @param oversample clocks a bit, 16 or 8
     * @param registerBits the width of the whole part of n; n is kept inside it
     * @param fractionBits bits of fraction, often 0
     */
    public static BaudRate of(Frequency clock, Frequency wanted, int oversample, int registerBits, int fractionBits) {
        double step = 1.0 / (1 << fractionBits);
        double exact = clock.hertz() / (oversample * wanted.hertz()) - 1;
        double nearest = Math.rint(exact / step) * step;
        double register = Math.max(0, Math.min(nearest, Math.pow(2, registerBits) - step));
        double actual = clock.hertz() / (oversample * (register + 1));
        return new BaudRate(oversample, register, Frequency.ofHertz(actual), Share.of(actual / wanted.hertz() - 1));
    }

    /**
     * The oversampling that comes nearest to a rate; the first of those that come as near.
     *
     * @param oversamples at least one; see {@link #of}
     */
    public static BaudRate best(
            Frequency clock, Frequency wanted, List<Integer> oversamples, int registerBits, int fractionBits) {
        return oversamples.stream()
                .map(oversample -> of(clock, wanted, oversample, registerBits, fractionBits))
                .min(Comparator.comparingDouble(rate -> Math.abs(rate.error().ratio())))
                .orElseThrow();
    }

    /** Whether the two ends together can still understand each other, when the other one is exact. */
    public boolean isWithinBoth() {
        return Math.abs(error.ratio()) <= BOTH.ratio() + 1e-12;
    }

    public boolean isWithinLimit() {
        return Math.abs(error.ratio()) <= LIMIT.ratio() + 1e-12;
    }
}
