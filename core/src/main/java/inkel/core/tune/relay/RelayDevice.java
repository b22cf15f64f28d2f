package inkel.core.tune.relay;

import inkel.core.tune.Device;
import inkel.core.tune.sample.MeterDevice;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A relay that is not there: a supply that gives way, a spring and contacts of its own, and a meter with a gain. */
final class RelayDevice implements Device<Question, List<Double>> {
    private final Random random;
    private final MeterDevice meter;
    final double rest;
    final double on;
    final double closing;
    final double opening;
    final double bounce;

    RelayDevice(Rig rig, long seed) {
        random = new Random(seed);
        meter = new MeterDevice(rig.meter(), random);
        rest = rig.figure(RelayBench.USUAL) * (0.95 + 0.08 * random.nextDouble());
        on = rest * (0.78 + 0.2 * random.nextDouble());
        closing = 4e-3 + 6e-3 * random.nextDouble();
        opening = 2e-3 + 4e-3 * random.nextDouble();
        bounce = 0.5e-3 + 2e-3 * random.nextDouble();
    }

    @Override
    public List<Double> answer(Question asked) {
        return IntStream.range(0, asked.count())
                .mapToObj(i -> once(asked.ask().key()))
                .toList();
    }

    private double once(String key) {
        return switch (key) {
            case RelayBench.REST -> meter.read(rest);
            case RelayBench.ON -> meter.read(on);
            case RelayBench.CLOSES -> took(closing);
            case RelayBench.OPENS -> took(opening);
            default -> took(bounce);
        };
    }

    private double took(double seconds) {
        double real = seconds * (1 + 0.04 * random.nextGaussian());
        return Math.rint(real / RelayBench.STEP) * RelayBench.STEP;
    }
}
