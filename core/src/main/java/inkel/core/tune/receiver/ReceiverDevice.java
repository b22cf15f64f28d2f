package inkel.core.tune.receiver;

import inkel.core.tune.Device;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** A receiver that is not there: each channel has its own ends and middle, one may be the wrong way about, and pulses tremble. */
final class ReceiverDevice implements Device<Question, List<Double>> {
    private static final double MICRO = 1e-6;
    private static final double GLITCH = 0.01;

    private final Random random;
    final double jitter;
    private final Map<String, double[]> channels = new HashMap<>();

    /** Which channel the first stick moves, the second, and so on. */
    final List<String> sticks;

    private final List<String> pins;

    ReceiverDevice(Rig rig, long seed) {
        random = new Random(seed);
        jitter = 1.5e-6 + 4e-6 * random.nextDouble();
        pins = rig.pins();
        sticks = new ArrayList<>(pins);
        Collections.shuffle(sticks, new Random(seed));
    }

    /** What a stick gives where it is put, in seconds. */
    double truth(String channel, String key) {
        double[] ends = channels.computeIfAbsent(channel, of -> {
            double low = 1000e-6 + 120e-6 * (2 * random.nextDouble() - 1);
            double high = 2000e-6 + 120e-6 * (2 * random.nextDouble() - 1);
            double middle = 1500e-6 + 40e-6 * (2 * random.nextDouble() - 1);
            return random.nextInt(4) == 0 ? new double[] {high, middle, low} : new double[] {low, middle, high};
        });
        return ends[key.equals(ReceiverBench.LOW) ? 0 : key.equals(ReceiverBench.MIDDLE) ? 1 : 2];
    }

    @Override
    public List<Double> answer(Question asked) {
        if (asked.ask().key().equals(ReceiverBench.STICK)) {
            return moved(sticks.get((int) (asked.known() - 1) % sticks.size()), asked.count());
        }
        double pulse = truth(asked.ask().of(), asked.ask().key());
        List<Double> read = new ArrayList<>();
        for (int i = 0; i < asked.count(); i++) {
            boolean isGlitch = random.nextDouble() < GLITCH;
            double given = isGlitch ? pulse * random.nextDouble() * 0.8 : pulse + jitter * random.nextGaussian();
            read.add(Math.rint(given / MICRO) * MICRO);
        }
        return read;
    }

    /** All channels by turns while one of them goes to and fro. */
    private List<Double> moved(String stick, int count) {
        List<Double> read = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            String pin = pins.get(i % pins.size());
            double middle = truth(pin, ReceiverBench.MIDDLE);
            double far = truth(pin, ReceiverBench.HIGH) - middle;
            double way = pin.equals(stick) ? Math.sin(i / 9.0) : 0;
            read.add(Math.rint((middle + way * far + jitter * random.nextGaussian()) / MICRO) * MICRO);
        }
        return read;
    }
}
