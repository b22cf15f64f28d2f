package inkel.core.tune.out;

import inkel.core.tune.Device;
import inkel.core.tune.sample.MeterDevice;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A converter and a meter that are not there: a reference some percent off, an offset, and a meter with a gain of its own. */
final class OutDevice implements Device<Question, List<Double>> {
    private final MeterDevice meter;
    final double scale;
    final double offset;

    OutDevice(Rig rig, long seed) {
        Random random = new Random(seed);
        meter = new MeterDevice(rig.meter(), random);
        scale = rig.figure(OutBench.FULL) * (1 + 0.03 * (2 * random.nextDouble() - 1)) / rig.figure(OutBench.CODES);
        offset = 4 * scale * random.nextDouble();
    }

    @Override
    public List<Double> answer(Question asked) {
        return IntStream.range(0, asked.count())
                .mapToObj(i -> meter.read(offset + scale * asked.known()))
                .toList();
    }
}
