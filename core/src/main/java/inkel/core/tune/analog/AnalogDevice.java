package inkel.core.tune.analog;

import inkel.core.document.Meter;
import inkel.core.tune.Device;
import inkel.core.tune.sample.MeterDevice;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/**
 * A sensor, a converter and a meter that are not there. The reference is a few percent off, the converter has an offset,
 * noise and drift, the meter a gain of its own and last digits that are not quite right.
 */
public final class AnalogDevice implements Device<AnalogDevice.Ask, Run> {
    private static final double REFERENCE_OFF = 0.03;
    private static final double OFFSET_CODES = 3;
    private static final double LEAST_NOISE = 0.6;
    private static final double MORE_NOISE = 3;

    /** What drifts most goes two codes in forty readings. */
    private static final double MOST_DRIFT = 0.05;

    private final AnalogRig rig;
    private final MeterDevice meter;
    private final Random random;
    private final double reference;
    private final double offset;
    private final double noise;
    private final double drift;

    /**
     * Codes at a place of the signal.
     *
     * @param share where the signal stands, from 0 to 1 of its range
     * @param count how many codes are read
     * @param isMeasured whether the meter is read there too
     */
    public record Ask(double share, int count, boolean isMeasured) {}

    public AnalogDevice(AnalogRig rig, Meter meter, long seed) {
        this.rig = rig;
        random = new Random(seed);
        reference = rig.fullScale() * (1 + REFERENCE_OFF * (2 * random.nextDouble() - 1));
        offset = rig.step() * OFFSET_CODES * (2 * random.nextDouble() - 1);
        noise = LEAST_NOISE + MORE_NOISE * random.nextDouble();
        drift = MOST_DRIFT * (2 * random.nextDouble() - 1);
        this.meter = new MeterDevice(meter, random);
    }

    @Override
    public Run answer(Ask asked) {
        double volts = rig.fullScale() * Math.max(0, Math.min(1, asked.share())) * 0.9;
        List<Integer> codes = new ArrayList<>();
        for (int i = 0; i < asked.count(); i++) {
            // The meter is read half way through.
            double drifted = drift * (i - (asked.count() - 1) / 2.0);
            double code = (volts - offset) / trueScale() + drifted + noise * random.nextGaussian();
            codes.add((int) Math.max(0, Math.min(rig.codes() - 1, Math.floor(code))));
        }
        return new Run(codes, asked.isMeasured() ? Optional.of(meter.read(volts)) : Optional.empty());
    }

    double trueScale() {
        return reference / rig.codes();
    }

    /** Volts at code 0: half a code above where the converter begins it, since codes are cut off. */
    double trueOffset() {
        return offset + trueScale() / 2;
    }

    double trueNoise() {
        return noise;
    }

    double trueDrift() {
        return drift;
    }
}
