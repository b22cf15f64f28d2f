package inkel.core.tune;

import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.apache.commons.statistics.distribution.TDistribution;

/** Intervals in which a true value lies in 97 of 100 cases. */
public final class Spread {
    private static final double INSIDE = 0.97;
    private static final double OUTSIDE_ABOVE = (1 - INSIDE) / 2;
    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);
    private static final int HALVINGS = 60;

    private Spread() {}

    /** Half of the interval of a mean whose standard error was estimated from readings. */
    public static double ofMean(double standardError, int freedoms) {
        return standardError * TDistribution.of(freedoms).inverseSurvivalProbability(OUTSIDE_ABOVE);
    }

    /** A standard deviation estimated from readings, in the middle of its interval. */
    public static Estimate ofDeviation(double deviation, int freedoms) {
        ChiSquaredDistribution squares = ChiSquaredDistribution.of(freedoms);
        double low = deviation * Math.sqrt(freedoms / squares.inverseSurvivalProbability(OUTSIDE_ABOVE));
        double high = deviation * Math.sqrt(freedoms / squares.inverseCumulativeProbability(OUTSIDE_ABOVE));
        return new Estimate((low + high) / 2, (high - low) / 2);
    }

    /**
     * Half of the interval of a sum of an error that is anywhere within a limit, alike, and one that is normal. For
     * {@code P(|U + N| ≤ h)} the mean of {@code Φ((h − u)/σ) − Φ((−h − u)/σ)} over u is taken in closed form.
     *
     * @param limit of the error that is anywhere within it, either way
     * @param deviation of the normal one
     */
    public static double ofSum(double limit, double deviation) {
        if (deviation <= 0) {
            return limit * INSIDE;
        } else if (limit <= 0) {
            return deviation * NORMAL.inverseSurvivalProbability(OUTSIDE_ABOVE);
        }
        double low = 0;
        double high = limit + 10 * deviation;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (inside(middle, limit, deviation) < INSIDE) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return high;
    }

    private static double inside(double half, double limit, double deviation) {
        double from = (half - limit) / deviation;
        double to = (half + limit) / deviation;
        // The integral of Φ is x·Φ(x) + φ(x); both terms of the mean are one by symmetry.
        return deviation * (integral(to) - integral(from)) / limit - 1;
    }

    private static double integral(double x) {
        return x * NORMAL.cumulativeProbability(x) + NORMAL.density(x);
    }
}
