package inkel.core.tune.lamp;

import inkel.core.tune.Device;
import inkel.core.tune.sample.MeterDevice;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;

/** Lamps that are not there, a resistor some percent off before each, a light meter with noise, and an eye. */
final class LampDevice implements Device<Question, List<Double>> {
    private static final double USUAL_DRIVE = 5;

    private final Random random;
    private final Rig rig;
    private final MeterDevice meter;
    final double gamma;
    private final double eye;
    private final double noise;
    final Map<String, Double> forward = new HashMap<>();
    final Map<String, Double> flows = new HashMap<>();
    final Map<String, Double> light = new HashMap<>();

    LampDevice(Rig rig, long seed) {
        this.rig = rig;
        random = new Random(seed);
        meter = new MeterDevice(rig.meter(), random);
        gamma = 1.8 + 1.4 * random.nextDouble();
        eye = 0.05 + 0.1 * random.nextDouble();
        noise = 5 + 15 * random.nextDouble();
        int number = 0;
        for (String pin : rig.pins()) {
            double volts = 1.8 + 1.2 * random.nextDouble();
            double drive = rig.has(pin + LampBench.DRIVE) ? rig.figure(pin + LampBench.DRIVE) : USUAL_DRIVE;
            double ohms = rig.has(pin + LampBench.SERIES) ? rig.figure(pin + LampBench.SERIES) : 1000;
            forward.put(pin, volts);
            flows.put(pin, Math.max(0, drive - volts) / (ohms * (1 + 0.05 * (2 * random.nextDouble() - 1))));
            light.put(pin, 400 * (1 + number) * (0.8 + 0.3 * random.nextDouble()));
            number++;
        }
    }

    @Override
    public List<Double> answer(Question asked) {
        return IntStream.range(0, asked.count())
                .mapToObj(i -> once(asked.ask().key(), asked.ask().of(), asked.known()))
                .toList();
    }

    private double once(String key, String pin, double known) {
        return switch (key) {
            case LampBench.LAMP -> meter.read(forward.get(pin));
            case LampBench.OVER -> meter.read(Math.max(0, drive(pin) - forward.get(pin)));
            case LampBench.LIGHT -> Math.rint(light.get(pin) + noise * random.nextGaussian());
            default -> 100 * Math.min(1, Math.pow(known / 100, gamma) * Math.exp(eye * random.nextGaussian()));
        };
    }

    private double drive(String pin) {
        return rig.has(pin + LampBench.DRIVE) ? rig.figure(pin + LampBench.DRIVE) : USUAL_DRIVE;
    }
}
