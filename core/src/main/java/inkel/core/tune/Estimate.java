package inkel.core.tune;

/**
 * What a bench makes of its readings.
 *
 * @param value in SI units
 * @param off half of the interval in which the true value lies: in 97 of 100 cases where noise limits it, always where a step
 *     does
 */
public record Estimate(double value, double off) {
    /** Exact as far as anybody can tell. */
    public static Estimate of(double value) {
        return new Estimate(value, 0);
    }

    public boolean holds(double truth) {
        return Math.abs(truth - value) <= off * (1 + 1e-9) + 1e-15;
    }

    public Estimate times(double factor) {
        return new Estimate(value * factor, off * Math.abs(factor));
    }
}
