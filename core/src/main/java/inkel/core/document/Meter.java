package inkel.core.document;

/**
 * A hand meter.
 *
 * @param counts the most that it shows before it takes the next range
 * @param accuracy the share of a reading that it may be off by
 * @param digits how many of its last digit it may be off by besides
 */
public record Meter(int counts, double accuracy, int digits) {
    /** What most builders have: 2,000 counts, ±0.5 % and two digits: 35 mV at 5 V. */
    public static final Meter USUAL = new Meter(2000, 0.005, 2);

    /** What it puts between its tips on volts. */
    public static final double OHMS = 10e6;

    /** Whether there is a meter like that. */
    public static boolean isOne(int counts, double accuracy, int digits) {
        return counts >= 100 && accuracy >= 0 && accuracy < 1 && digits >= 0;
    }

    /** @throws IllegalArgumentException when it is none, see {@link #isOne} */
    public Meter {
        if (!isOne(counts, accuracy, digits)) {
            throw new IllegalArgumentException("no meter: " + counts + " counts, " + accuracy + ", " + digits);
        }
    }

    /** The step of its last digit at some volts, in the smallest range that holds them: 2 V, 20 V for 2,000 counts. */
    public double step(double volts) {
        double step = LEAST_STEP;
        while (Math.abs(volts) >= counts * step) {
            step *= 10;
        }
        return step;
    }

    /** A meter that finds its range by itself shows millivolts at the best. */
    private static final double LEAST_STEP = 1e-3;

    /** How far a reading of volts may be off. */
    public double error(double volts) {
        return accuracy * Math.abs(volts) + digits * step(volts);
    }
}
