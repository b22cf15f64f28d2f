package inkel.core.tune.sender;

import inkel.core.tune.Device;
import inkel.core.tune.sample.MeterDevice;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A lamp and a receiver that are not there: the receiver's filter has a middle and a sharpness of its own. */
final class SenderDevice implements Device<Question, List<Double>> {
    private final Random random;
    private final MeterDevice meter;
    final double best;
    private final double sharpness;
    private final double reach;
    private final double tremble;
    final double flows;
    private final double volts;

    SenderDevice(Rig rig, long seed) {
        random = new Random(seed);
        best = rig.figure(SenderBench.USUAL) * (0.95 + 0.1 * random.nextDouble());
        sharpness = 7 + 5 * random.nextDouble();
        reach = 3 + 6 * random.nextDouble();
        tremble = 0.01 + 0.02 * random.nextDouble();
        meter = new MeterDevice(rig.meter(), random);
        double ohms = rig.has(SenderBench.OHMS) ? rig.figure(SenderBench.OHMS) : 100;
        flows = rig.figure(SenderBench.MOST) * (0.3 + 0.8 * random.nextDouble());
        volts = flows * ohms * (1 + 0.05 * (2 * random.nextDouble() - 1));
    }

    @Override
    public List<Double> answer(Question asked) {
        return IntStream.range(0, asked.count())
                .mapToObj(i -> asked.ask().key().equals(SenderBench.REACH) ? far(asked.known()) : meter.read(volts))
                .toList();
    }

    /** Paced out to the centimetre. */
    private double far(double hertz) {
        double beside = sharpness * (hertz / best - best / hertz);
        double metres = reach / Math.pow(1 + beside * beside, 0.25);
        return Math.rint(100 * metres * (1 + tremble * random.nextGaussian())) / 100;
    }
}
