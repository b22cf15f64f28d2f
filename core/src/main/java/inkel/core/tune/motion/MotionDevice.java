package inkel.core.tune.motion;

import inkel.core.tune.Device;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;

/** A sensor that is not there: each axis begins somewhere and has a scale of its own. */
final class MotionDevice implements Device<Question, List<Double>> {
    private final Random random;
    private final double noise;
    private final Map<String, double[]> axes = new HashMap<>();

    MotionDevice(long seed) {
        random = new Random(seed);
        noise = 8 + 30 * random.nextDouble();
    }

    private double[] of(String axis) {
        return axes.computeIfAbsent(axis, key -> new double[] {
            600 * (2 * random.nextDouble() - 1),
            16_384 * (1 + 0.03 * (2 * random.nextDouble() - 1)),
            200 * (2 * random.nextDouble() - 1)
        });
    }

    double offset(String axis) {
        return of(axis)[0];
    }

    double scale(String axis) {
        return of(axis)[1];
    }

    double zero(String axis) {
        return of(axis)[2];
    }

    @Override
    public List<Double> answer(Question asked) {
        String axis = asked.ask().of();
        double felt = asked.ask().key().equals("up") ? 1 : -1;
        double code = asked.ask().key().equals(MotionBench.STILL) ? zero(axis) : offset(axis) + felt * scale(axis);
        return IntStream.range(0, asked.count())
                .mapToObj(i -> Math.rint(code + noise * random.nextGaussian()))
                .toList();
    }
}
