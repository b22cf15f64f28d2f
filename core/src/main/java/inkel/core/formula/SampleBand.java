package inkel.core.formula;

import java.util.List;

/**
 * What samples of one thing say of the next one: the mean, the standard deviation of the sample (n − 1), and the band of three
 * of them either way.
 */
public record SampleBand(double mean, double deviation) {
    private static final double WIDE = 3;

    /** @param samples at least one; the deviation of a single one is 0 */
    public static SampleBand of(List<Double> samples) {
        double mean =
                samples.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        double squares =
                samples.stream().mapToDouble(one -> (one - mean) * (one - mean)).sum();
        return new SampleBand(mean, samples.size() < 2 ? 0 : Math.sqrt(squares / (samples.size() - 1)));
    }

    public double low() {
        return mean - WIDE * deviation;
    }

    public double high() {
        return mean + WIDE * deviation;
    }
}
