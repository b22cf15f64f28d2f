package inkel.core.tune.sample;

import java.util.List;

/**
 * What was read once.
 *
 * @param ask the {@link Ask#id} of what was asked
 * @param known what was known beside it; 0 where nothing was
 * @param values in the order they came, at least one
 */
public record Sample(String ask, double known, List<Double> values) {
    public Sample {
        values = List.copyOf(values);
        if (values.isEmpty()) {
            throw new IllegalArgumentException("nothing was read of " + ask);
        }
    }

    public double mean() {
        return values.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
    }

    /** The value in the middle, which a few wrong ones do not move. */
    public double median() {
        List<Double> sorted = values.stream().sorted().toList();
        int half = sorted.size() / 2;
        return sorted.size() % 2 == 1 ? sorted.get(half) : (sorted.get(half - 1) + sorted.get(half)) / 2;
    }

    /** The sum of the squares of what each value is off the mean. */
    public double squares() {
        double mean = mean();
        return values.stream()
                .mapToDouble(value -> (value - mean) * (value - mean))
                .sum();
    }
}
