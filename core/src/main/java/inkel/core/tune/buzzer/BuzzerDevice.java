package inkel.core.tune.buzzer;

import inkel.core.tune.Device;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A buzzer that is not there: a pitch and a sharpness of its own, a microphone with noise, and an ear. */
final class BuzzerDevice implements Device<Question, List<Double>> {
    private final Random random;
    final double pitch;
    private final double sharpness;
    private final double loud;
    private final double noise;
    final double shortest;

    BuzzerDevice(Rig rig, long seed) {
        random = new Random(seed);
        double usual = rig.has(BuzzerBench.USUAL) ? rig.figure(BuzzerBench.USUAL) : 1;
        pitch = usual * (0.88 + 0.24 * random.nextDouble());
        sharpness = 4 + 4 * random.nextDouble();
        loud = 500 + 300 * random.nextDouble();
        noise = 4 + 8 * random.nextDouble();
        shortest = 0.003 + 0.03 * random.nextDouble();
    }

    @Override
    public List<Double> answer(Question asked) {
        return IntStream.range(0, asked.count())
                .mapToObj(i -> asked.ask().key().equals(BuzzerBench.LOUD)
                        ? loudness(asked.known())
                        : asked.known() >= shortest ? 1.0 : 0.0)
                .toList();
    }

    private double loudness(double hertz) {
        double beside = sharpness * (hertz / pitch - pitch / hertz);
        return Math.rint(loud / Math.sqrt(1 + beside * beside) + noise * random.nextGaussian());
    }
}
