package inkel.core.tune.pulses;

import inkel.core.tune.Device;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A wheel or an ear that is not there. A wheel begins to count anywhere between two pulses. */
final class PulsesDevice implements Device<Question, List<Double>> {
    private static final double MICRO = 1e-6;

    /** In air of 20 °C. */
    private static final double SOUND = 331.3 + 0.606 * 20;

    private final boolean isEcho;
    private final Random random;
    final double per;
    final double begins;
    private final double noise;

    PulsesDevice(boolean isEcho, long seed) {
        this.isEcho = isEcho;
        random = new Random(seed);
        per = 400 + 100 * random.nextDouble();
        begins = 0.01 * random.nextDouble();
        noise = 5e-6 + 20e-6 * random.nextDouble();
    }

    @Override
    public List<Double> answer(Question asked) {
        return IntStream.range(0, asked.count())
                .mapToObj(i -> isEcho ? echo(asked.known()) : count(asked.known()))
                .toList();
    }

    private double count(double amount) {
        return Math.floor(amount * per + random.nextDouble());
    }

    private double echo(double distance) {
        double time = 2 * Math.max(0, distance - begins) / SOUND + noise * random.nextGaussian();
        return Math.rint(time / MICRO) * MICRO;
    }
}
