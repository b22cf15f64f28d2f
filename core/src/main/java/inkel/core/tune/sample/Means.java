package inkel.core.tune.sample;

import inkel.core.document.Meter;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.SampleBand;
import inkel.core.quantity.Unit;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

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

    /**
     * What volts that a meter read are: its share is a limit, the same for all of them; its digits and the rounding to the last
     * one are a chance, anew for each, with what the readings differ by.
     */
    public static Estimate volts(List<Double> values, Meter meter) {
        double mean = SampleBand.of(values).mean();
        return new Estimate(mean, Spread.ofSum(meter.accuracy() * Math.abs(mean), chance(values, meter)));
    }

    /** The standard deviation of a mean of volts by what is chance of them. */
    public static double chance(List<Double> values, Meter meter) {
        SampleBand band = SampleBand.of(values);
        double step = meter.step(band.mean());
        double digits = 2 * meter.digits() * step;
        double least = (digits * digits + step * step) / 12;
        return Math.sqrt(Math.max(least, band.deviation() * band.deviation()) / values.size());
    }

    /** Values in the order they came, one beside the other, with their mean across; nothing where none were read. */
    public static Optional<Work.Picture> picture(List<Double> values, Unit unit) {
        if (values.isEmpty()) {
            return Optional.empty();
        }
        List<Point> dots = IntStream.range(0, values.size())
                .mapToObj(i -> new Point(i + 1.0, values.get(i)))
                .toList();
        double mean = SampleBand.of(values).mean();
        List<Point> line = List.of(new Point(1, mean), new Point(Math.max(2, values.size()), mean));
        return Optional.of(new Work.Picture(dots, line, Unit.ONE, unit, false));
    }
}
