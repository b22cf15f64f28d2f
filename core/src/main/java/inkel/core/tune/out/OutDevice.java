package inkel.core.tune.out;

import inkel.core.document.Meter;
import inkel.core.tune.Device;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A converter and a meter that are not there: a reference some percent off, an offset, and a meter with a gain of its own. */
final class OutDevice implements Device<Question, List<Double>> {
    private final Random random;
    private final Meter meter;
    private final double gain;
    final double scale;
    final double offset;

    OutDevice(Rig rig, long seed) {
        random = new Random(seed);
        meter = rig.meter();
        gain = 1 + meter.accuracy() * (2 * random.nextDouble() - 1);
        scale = rig.figure(OutBench.FULL) * (1 + 0.03 * (2 * random.nextDouble() - 1)) / rig.figure(OutBench.CODES);
        offset = 4 * scale * random.nextDouble();
    }

    @Override
    public List<Double> answer(Question asked) {
        return IntStream.range(0, asked.count())
                .mapToObj(i -> read(offset + scale * asked.known()))
                .toList();
    }

    private double read(double volts) {
        double step = meter.step(volts);
        double off = meter.digits() * step * (2 * random.nextDouble() - 1);
        return Math.rint((volts * gain + off) / step) * step;
    }
}
