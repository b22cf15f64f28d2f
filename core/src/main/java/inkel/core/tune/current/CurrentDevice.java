package inkel.core.tune.current;

import inkel.core.tune.Device;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A monitor and a meter that are not there: a shunt some percent off, an offset, noise, and a meter with a gain of its own. */
final class CurrentDevice implements Device<Question, List<Double>> {
    private static final double METER_OFF = 0.01;
    private static final double STEP = 0.1e-3;

    private final Random random;
    private final double gain;
    final double shunt;
    final double zero;
    private final double noise;

    CurrentDevice(long seed) {
        random = new Random(seed);
        gain = 1 + METER_OFF * (2 * random.nextDouble() - 1);
        shunt = 1 + 0.05 * (2 * random.nextDouble() - 1);
        zero = 2e-3 * (2 * random.nextDouble() - 1);
        noise = 0.2e-3 + 0.8e-3 * random.nextDouble();
    }

    /** What its readings are to be multiplied by. */
    double factor() {
        return 1 / shunt;
    }

    @Override
    public List<Double> answer(Question asked) {
        // The builder turns the load until the meter shows the wanted current; what flows is that without the meter's
        // gain.
        double flows = asked.known() / gain;
        return IntStream.range(0, asked.count())
                .mapToObj(i -> Math.rint((zero + shunt * flows + noise * random.nextGaussian()) / STEP) * STEP)
                .toList();
    }
}
