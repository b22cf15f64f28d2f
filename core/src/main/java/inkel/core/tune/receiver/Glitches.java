package inkel.core.tune.receiver;

import inkel.core.tune.sample.Sample;
import java.util.ArrayList;
import java.util.List;

/**
 * Readings that are not of this pulse: further from the median than ten times the median of how far all are from it, and
 * than 20 µs. For normal noise that median is 0.6745 of the deviation, so that ten of it are nearly seven deviations.
 */
final class Glitches {
    private static final double TIMES = 10;
    private static final double LEAST = 20e-6;

    private Glitches() {}

    /** The readings without those. */
    static List<Double> without(List<Double> values) {
        double median = median(values);
        double away = Math.max(
                LEAST,
                TIMES
                        * median(values.stream()
                                .map(value -> Math.abs(value - median))
                                .toList()));
        return values.stream().filter(value -> Math.abs(value - median) <= away).toList();
    }

    static int count(List<Double> values) {
        return values.isEmpty() ? 0 : values.size() - without(values).size();
    }

    /** What a program sees that takes the middle of the last three. */
    static List<Double> medianOfThree(List<Double> values) {
        List<Double> calm = new ArrayList<>();
        for (int i = 2; i < values.size(); i++) {
            calm.add(median(values.subList(i - 2, i + 1)));
        }
        return calm;
    }

    /** What a program sees that takes the larger of the last two, for readings that come out short. */
    static List<Double> largerOfTwo(List<Double> values) {
        List<Double> calm = new ArrayList<>();
        for (int i = 1; i < values.size(); i++) {
            calm.add(Math.max(values.get(i - 1), values.get(i)));
        }
        return calm;
    }

    private static double median(List<Double> values) {
        return new Sample("", 0, values).median();
    }
}
