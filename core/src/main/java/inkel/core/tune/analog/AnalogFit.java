package inkel.core.tune.analog;

import inkel.core.document.Meter;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import java.util.List;
import java.util.Optional;

/**
 * What codes say of a converter and its signal. Noise is the pooled standard deviation of all runs beside
 * a steady drift, without the part of 1/12
 * that rounding to codes adds to its square (Sheppard's correction). The line from codes to volts is the one of least squares
 * through the means of the runs that were measured; that the meter reads all volts too high or low by one share is told apart
 * from what differs from reading to reading.
 *
 * @param low the lowest code that was seen
 * @param high the highest code that was seen
 * @param count how many codes there are
 * @param noise the standard deviation of one reading, in codes; absent for too few readings, and below half a code, where
 *     rounding hides it
 * @param drift by how much codes rise from reading to reading while nothing changed; absent for too few readings
 * @param scale volts a code; absent for fewer than two measured runs with codes apart
 * @param offset volts at code 0
 * @param worst how far a measured run is off the line, in volts
 */
public record AnalogFit(
        int low,
        int high,
        int count,
        Optional<Estimate> noise,
        Optional<Estimate> drift,
        Optional<Estimate> scale,
        Optional<Estimate> offset,
        double worst) {
    /** Fewer readings say nothing of noise. */
    private static final int LEAST_FREEDOMS = 5;

    private static final double ROUNDING = 1.0 / 12;

    /** Below that rounding is no noise of its own any more. */
    private static final double LEAST_NOISE = 0.5;

    /** Empty while nothing was read. */
    public static Optional<AnalogFit> of(List<Run> runs, Meter meter) {
        List<Integer> all = runs.stream().flatMap(run -> run.codes().stream()).toList();
        if (all.isEmpty()) {
            return Optional.empty();
        }
        Slope slope = Slope.of(runs);
        double variance = slope.freedoms() < LEAST_FREEDOMS ? 0 : Math.max(0, slope.square() - ROUNDING);
        Optional<Estimate> noise = Math.sqrt(variance) < LEAST_NOISE
                ? Optional.empty()
                : Optional.of(Spread.ofDeviation(Math.sqrt(variance), slope.freedoms()));
        List<Run> measured = runs.stream()
                .filter(run -> run.volts().isPresent() && !run.codes().isEmpty())
                .toList();
        Line line = Line.through(measured, variance, meter);
        return Optional.of(new AnalogFit(
                all.stream().mapToInt(Integer::intValue).min().orElse(0),
                all.stream().mapToInt(Integer::intValue).max().orElse(0),
                all.size(),
                noise,
                slope.drift(),
                line.scale,
                line.offset,
                line.worst));
    }

    /** Whether the drift is more than chance. */
    public boolean isDrifting() {
        return drift.filter(found -> Math.abs(found.value()) > found.off()).isPresent();
    }

    /** The volts of a code by the line. */
    public Optional<Double> volts(double code) {
        return scale.flatMap(by -> offset.map(from -> from.value() + by.value() * code));
    }

    /** The true volts just above the highest code, where the line is known. */
    public Optional<Estimate> reference(double codes) {
        return scale.map(by -> by.times(codes));
    }

    /** Bits that say something: {@code log2(range / (s·√12))}, all codes being the range. */
    public Optional<Double> effectiveBits(double codes) {
        return noise.map(one -> Math.log(codes / (one.value() * Math.sqrt(12))) / Math.log(2));
    }

    /** The noise of the mean of some readings, in codes: {@code s/√n}. */
    public Optional<Double> averaged(int readings) {
        return noise.map(one -> one.value() / Math.sqrt(readings));
    }

    /**
     * What codes rise by from one to the next, each run about its own mean, by least squares.
     *
     * @param along the rise, in codes
     * @param spread the sum of squares of the numbers of readings about their means
     * @param square what is left beside the rise, squared, for one reading
     */
    private record Slope(double along, double spread, double square, int freedoms) {
        static Slope of(List<Run> runs) {
            double spread = runs.stream().mapToDouble(Run::spread).sum();
            double along = runs.stream().mapToDouble(Run::along).sum();
            double squares = runs.stream().mapToDouble(Run::squares).sum();
            int freedoms = runs.stream()
                            .mapToInt(run -> Math.max(0, run.codes().size() - 1))
                            .sum()
                    - 1;
            double rise = spread > 0 ? along / spread : 0;
            return new Slope(rise, spread, freedoms > 0 ? Math.max(0, squares - rise * along) / freedoms : 0, freedoms);
        }

        Optional<Estimate> drift() {
            // Codes that are all alike say no more than that rounding hides it.
            double least = Math.max(square, ROUNDING);
            return freedoms < LEAST_FREEDOMS
                    ? Optional.empty()
                    : Optional.of(new Estimate(along, Spread.ofMean(Math.sqrt(least / spread), freedoms)));
        }
    }

    private record Line(Optional<Estimate> scale, Optional<Estimate> offset, double worst) {
        static final Line NONE = new Line(Optional.empty(), Optional.empty(), 0);

        static Line through(List<Run> runs, double variance, Meter meter) {
            int count = runs.size();
            double x = runs.stream().mapToDouble(Run::mean).average().orElse(0);
            double y = runs.stream()
                    .mapToDouble(run -> run.volts().orElseThrow())
                    .average()
                    .orElse(0);
            double xx = 0;
            double xy = 0;
            for (Run run : runs) {
                xx += (run.mean() - x) * (run.mean() - x);
                xy += (run.mean() - x) * (run.volts().orElseThrow() - y);
            }
            // Two runs at one code say nothing of a slope.
            if (count < 2 || xx < 1) {
                return NONE;
            }
            double slope = xy / xx;
            double start = y - slope * x;
            double slopeSquare = 0;
            double startSquare = 0;
            double worst = 0;
            for (Run run : runs) {
                double square = square(run, slope, variance, meter);
                double onSlope = (run.mean() - x) / xx;
                double onStart = 1.0 / count - x * onSlope;
                slopeSquare += onSlope * onSlope * square;
                startSquare += onStart * onStart * square;
                worst = Math.max(worst, Math.abs(run.volts().orElseThrow() - start - slope * run.mean()));
            }
            return new Line(
                    Optional.of(new Estimate(
                            slope, Spread.ofSum(meter.accuracy() * Math.abs(slope), Math.sqrt(slopeSquare)))),
                    Optional.of(new Estimate(
                            start, Spread.ofSum(meter.accuracy() * Math.abs(start), Math.sqrt(startSquare)))),
                    worst);
        }

        /** What differs from run to run, squared: the mean of its codes, and the meter's last digits. */
        private static double square(Run run, double slope, double variance, Meter meter) {
            double step = meter.step(run.volts().orElseThrow());
            double codes = slope * slope * (variance + ROUNDING) / run.codes().size();
            return codes + step * step * (meter.digits() * meter.digits() / 3.0 + ROUNDING);
        }
    }
}
