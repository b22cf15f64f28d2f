package inkel.core.tune.load;

import inkel.core.tune.Device;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A cell that is not there: it has a weight of its own on it, noise, and gives way a little under a load. */
final class LoadCellDevice implements Device<Question, List<Double>> {
    private final Random random;
    final double tare;
    final double scale;
    final double noise;
    final double creep;

    LoadCellDevice(long seed) {
        random = new Random(seed);
        tare = 200_000 * (2 * random.nextDouble() - 1);
        scale = (200 + 800 * random.nextDouble()) * (random.nextBoolean() ? 1 : -1);
        noise = 40 + 160 * random.nextDouble();
        creep = 0.002 * random.nextDouble();
    }

    @Override
    public List<Double> answer(Question asked) {
        double given = asked.known() * (asked.ask().key().equals(LoadCellBench.LATER) ? 1 + creep : 1);
        return IntStream.range(0, asked.count())
                .mapToObj(i -> Math.rint(tare + scale * given + noise * random.nextGaussian()))
                .toList();
    }
}
