package inkel.core.tune.sample;

import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import java.util.List;

/** Means and spreads of readings that come in steps and with noise. */
public final class Means {
    private Means() {}

    /** Values that were read within a few samples of the same thing. */
    public static List<Double> values(List<Sample> samples, String ask) {
        return samples.stream()
                .filter(sample -> sample.ask().equals(ask))
                .flatMap(sample -> sample.values().stream())
                .toList();
    }

    /**
     * A mean, by Student's t; where noise hides behind the step no less than what rounding to it may do.
     *
     * @param step in which values come
     */
    public static Estimate mean(List<Double> values, double step) {
        double mean = values.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        double deviation = deviation(values);
        int count = values.size();
        double off = count < 2 || deviation < step / 2
                ? step / 2 + (count < 2 ? 0 : Spread.ofMean(deviation / Math.sqrt(count), count - 1))
                : Spread.ofMean(deviation / Math.sqrt(count), count - 1);
        return new Estimate(mean, off);
    }

    /** The standard deviation of readings; 0 for fewer than two. */
    public static double deviation(List<Double> values) {
        double mean = values.stream().mapToDouble(Double::doubleValue).average().orElse(0);
        double squares = values.stream()
                .mapToDouble(value -> (value - mean) * (value - mean))
                .sum();
        return values.size() < 2 ? 0 : Math.sqrt(squares / (values.size() - 1));
    }
}
