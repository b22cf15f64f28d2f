package inkel.core.tune.sample;

import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Unit;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import java.util.List;
import java.util.Optional;

/**
 * The line of least squares through what is known and the means of what was read there, each weighed by how many values it
 * has. What one value is off comes from the values of each sample around their mean, pooled, with what rounding to a step
 * leaves at least (its square is 1/12); slope and start carry Student's t of these.
 *
 * @param slope what is read for one of what is known
 * @param start what is read for nothing
 * @param worst how far a mean is off the line
 * @param deviation the standard deviation of one value
 * @param freedoms of that deviation
 */
public record LineFit(Estimate slope, Estimate start, double worst, double deviation, int freedoms) {
    private static final int LEAST_FREEDOMS = 5;

    /**
     * Empty for fewer than two different known values.
     *
     * @param step in which values come
     */
    public static Optional<LineFit> of(List<Sample> samples, double step) {
        double count =
                samples.stream().mapToInt(sample -> sample.values().size()).sum();
        double x = samples.stream()
                        .mapToDouble(one -> one.known() * one.values().size())
                        .sum()
                / count;
        double y = samples.stream()
                        .mapToDouble(one -> one.mean() * one.values().size())
                        .sum()
                / count;
        double squares = 0;
        double products = 0;
        for (Sample one : samples) {
            squares += one.values().size() * (one.known() - x) * (one.known() - x);
            products += one.values().size() * (one.known() - x) * (one.mean() - y);
        }
        if (!(squares > 0)) {
            return Optional.empty();
        }
        double slope = products / squares;
        double start = y - slope * x;
        double worst = samples.stream()
                .mapToDouble(one -> Math.abs(one.mean() - start - slope * one.known()))
                .max()
                .orElse(0);
        int freedoms = samples.stream().mapToInt(one -> one.values().size() - 1).sum();
        double within = samples.stream().mapToDouble(Sample::squares).sum();
        double variance = freedoms < LEAST_FREEDOMS ? 0 : within / freedoms;
        double least = step * step / 12;
        int counted = freedoms < LEAST_FREEDOMS ? Integer.MAX_VALUE / 2 : freedoms;
        double deviation = Math.sqrt(Math.max(variance, least));
        double ofSlope = deviation / Math.sqrt(squares);
        double ofStart = deviation * Math.sqrt(1 / count + x * x / squares);
        return Optional.of(new LineFit(
                new Estimate(slope, Spread.ofMean(ofSlope, counted)),
                new Estimate(start, Spread.ofMean(ofStart, counted)),
                worst,
                deviation,
                counted));
    }

    public double at(double known) {
        return start.value() + slope.value() * known;
    }

    /** What is known where something is read. */
    public double known(double read) {
        return (read - start.value()) / slope.value();
    }

    /** The picture of a fit. */
    public static Work.Picture picture(List<Sample> samples, Optional<LineFit> fit, Unit across, Unit up) {
        List<Point> dots =
                samples.stream().map(one -> new Point(one.known(), one.mean())).toList();
        double low = samples.stream().mapToDouble(Sample::known).min().orElse(0);
        double high = samples.stream().mapToDouble(Sample::known).max().orElse(1);
        List<Point> line = fit.map(of -> List.of(new Point(low, of.at(low)), new Point(high, of.at(high))))
                .orElse(List.of());
        return new Work.Picture(dots, line, across, up, false);
    }
}
