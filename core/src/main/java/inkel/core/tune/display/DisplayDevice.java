package inkel.core.tune.display;

import inkel.core.tune.Device;
import inkel.core.tune.sample.MeterDevice;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A display that is not there: a contrast of its own, and a program beside the bus that takes its time. */
final class DisplayDevice implements Device<Question, List<Double>> {
    private static final double USUAL_FRAME = 20e-3;

    private final Random random;
    private final MeterDevice meter;
    final double faint;
    final double boxes;
    final double frame;
    private final double noise;

    DisplayDevice(Rig rig, long seed) {
        random = new Random(seed);
        meter = new MeterDevice(rig.meter(), random);
        double volts = rig.has(DisplayBench.VOLTS) ? rig.figure(DisplayBench.VOLTS) : 5;
        faint = volts * (0.18 + 0.1 * random.nextDouble());
        boxes = volts * (0.02 + 0.08 * random.nextDouble());
        double bus = rig.has(DisplayBench.BUS_TIME) ? rig.figure(DisplayBench.BUS_TIME) : USUAL_FRAME;
        frame = bus * (1.05 + 0.5 * random.nextDouble());
        noise = 0.01 * frame;
    }

    @Override
    public List<Double> answer(Question asked) {
        return IntStream.range(0, asked.count())
                .mapToObj(i -> switch (asked.ask().key()) {
                    case DisplayBench.FAINT -> meter.read(faint);
                    case DisplayBench.BOXES -> meter.read(boxes);
                    default ->
                        Math.rint((frame + noise * random.nextGaussian()) / DisplayBench.STEP) * DisplayBench.STEP;
                })
                .toList();
    }
}
