package inkel.core.tune.clock;

import inkel.core.tune.Device;
import inkel.core.tune.sample.SampledBench.Question;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/** A clock that is not there: up to some seconds a day off, read in whole seconds. */
final class ClockDevice implements Device<Question, List<Double>> {
    private static final double HOURS_A_DAY = 24;

    /** In seconds a day. */
    final double drift;

    private final double atStart;

    ClockDevice(long seed) {
        Random random = new Random(seed);
        drift = 8 * (2 * random.nextDouble() - 1);
        atStart = random.nextDouble() - 0.5;
    }

    @Override
    public List<Double> answer(Question asked) {
        double off = Math.rint(atStart + drift * asked.known() / HOURS_A_DAY);
        return Collections.nCopies(asked.count(), off);
    }
}
