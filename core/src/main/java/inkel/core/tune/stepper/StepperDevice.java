package inkel.core.tune.stepper;

import inkel.core.tune.Device;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A motor with a gear that is not there, its angle read to two degrees; above some speed it loses steps. */
final class StepperDevice implements Device<Question, List<Double>> {
    private static final double READ_TO = 2;

    private final double first;
    final double steps;
    final double fastest;

    StepperDevice(long seed) {
        Random random = new Random(seed);
        first = 360 * random.nextDouble();
        steps = 2048 * (1 + 0.01 * (2 * random.nextDouble() - 1));
        fastest = 450 + 700 * random.nextDouble();
    }

    @Override
    public List<Double> answer(Question asked) {
        double read = asked.ask().key().equals(StepperBench.KEPT)
                ? asked.known() <= fastest ? 1 : 0
                : Math.rint((first + 360 * asked.known() / steps) / READ_TO) * READ_TO;
        return IntStream.range(0, asked.count()).mapToObj(i -> read).toList();
    }
}
