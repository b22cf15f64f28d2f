package inkel.core.tune.compass;

import inkel.core.tune.Device;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** A compass that is not there, turned once around: its circle lies beside zero. */
final class CompassDevice implements Device<Question, List<Double>> {
    private final Random random;
    final double x;
    final double y;
    final double radius;
    private final double noise;

    CompassDevice(long seed) {
        random = new Random(seed);
        x = 200 * (2 * random.nextDouble() - 1);
        y = 200 * (2 * random.nextDouble() - 1);
        radius = 250 + 150 * random.nextDouble();
        noise = 1.5 + 4 * random.nextDouble();
    }

    /** @param asked its count is of codes, two to a place */
    @Override
    public List<Double> answer(Question asked) {
        List<Double> codes = new ArrayList<>();
        int places = asked.count() / 2;
        double from = 2 * Math.PI * random.nextDouble();
        for (int i = 0; i < places; i++) {
            double angle = from + 2 * Math.PI * (i + 0.5 * random.nextDouble()) / places;
            codes.add(Math.rint(x + radius * Math.cos(angle) + noise * random.nextGaussian()));
            codes.add(Math.rint(y + radius * Math.sin(angle) + noise * random.nextGaussian()));
        }
        return codes;
    }
}
