package inkel.core.tune.strip;

import inkel.core.tune.Device;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** A strip that is not there: an order of colours, currents of its own, and a meter with a gain and a restless digit. */
final class StripDevice implements Device<Question, List<Double>> {
    private static final double METER_OFF = 0.01;

    private final Random random;
    private final double gain;
    private final double noise;
    final List<Integer> colours = new ArrayList<>(List.of(1, 2, 3));
    final double dark;
    final double full;

    StripDevice(Rig rig, long seed) {
        random = new Random(seed);
        Collections.shuffle(colours, random);
        gain = 1 + METER_OFF * (2 * random.nextDouble() - 1);
        noise = 1e-3 + 4e-3 * random.nextDouble();
        double lamps = rig.figure(StripBench.LAMPS);
        dark = lamps * (0.5e-3 + 0.5e-3 * random.nextDouble());
        full = lamps * (30e-3 + 25e-3 * random.nextDouble());
    }

    @Override
    public List<Double> answer(Question asked) {
        return IntStream.range(0, asked.count())
                .mapToObj(i -> asked.ask().key().equals(StripBench.SEEN)
                        ? (double) colours.get((int) Math.round(asked.known()) - 1)
                        : flows(asked.known()))
                .toList();
    }

    private double flows(double level) {
        double real = dark + (full - dark) * level / 255;
        return Math.rint((real * gain + noise * random.nextGaussian()) / StripBench.STEP) * StripBench.STEP;
    }
}
