package inkel.core.tune.sample;

import inkel.core.document.Meter;
import java.util.Random;

/** A meter that is not there: a gain within its accuracy, and last digits that are not quite right. */
public final class MeterDevice {
    private final Meter meter;
    private final Random random;
    private final double gain;

    public MeterDevice(Meter meter, Random random) {
        this.meter = meter;
        this.random = random;
        gain = 1 + meter.accuracy() * (2 * random.nextDouble() - 1);
    }

    public double read(double volts) {
        double step = meter.step(volts);
        double off = meter.digits() * step * (2 * random.nextDouble() - 1);
        return Math.rint((volts * gain + off) / step) * step;
    }
}
