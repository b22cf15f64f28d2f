package inkel.core.tune.sample;

import inkel.core.formula.SampleBand;
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
        SampleBand band = SampleBand.of(values);
        double deviation = band.deviation();
        int count = values.size();
        double off = count < 2 || deviation < step / 2
                ? step / 2 + (count < 2 ? 0 : Spread.ofMean(deviation / Math.sqrt(count), count - 1))
                : Spread.ofMean(deviation / Math.sqrt(count), count - 1);
        return new Estimate(band.mean(), off);
    }
}
