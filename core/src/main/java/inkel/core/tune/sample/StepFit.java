package inkel.core.tune.sample;

import inkel.core.tune.Estimate;
import java.util.List;
import java.util.Optional;

/**
 * The slope of a line through readings that are off by half a step each at most, and by nothing else: two of them leave the
 * slopes {@code (Δy ± step)/Δx}, and the true one lies in what all pairs leave. It is never wider than what the two readings
 * leave that are furthest apart: two steps.
 */
public final class StepFit {
    private StepFit() {}

    /** Empty for fewer than two known values, and for readings through which no such line goes. */
    public static Optional<Estimate> slope(List<Sample> samples, double step) {
        double low = Double.NEGATIVE_INFINITY;
        double high = Double.POSITIVE_INFINITY;
        for (Sample one : samples) {
            for (Sample other : samples) {
                double along = other.known() - one.known();
                if (along > 0) {
                    low = Math.max(low, (other.mean() - one.mean() - step) / along);
                    high = Math.min(high, (other.mean() - one.mean() + step) / along);
                }
            }
        }
        return Double.isInfinite(low) || low > high
                ? Optional.empty()
                : Optional.of(new Estimate((low + high) / 2, (high - low) / 2));
    }
}
