package inkel.core.tune.servo;

import inkel.core.tune.Device;
import java.util.Random;

/**
 * A servo that is not there. Its ends lie somewhat inside or outside of what its class says, it has a dead band of a few
 * microseconds, play in its gears, and its drive is as far off as drives are.
 */
public final class ServoDevice implements Device<Double, ServoDevice.Did> {
    private static final double INSIDE = 120e-6;
    private static final double OUTSIDE = 60e-6;
    private static final double LEAST_DEAD = 2e-6;
    private static final double MORE_DEAD = 6e-6;

    /** Gears and horn of a small servo: from half a degree to three. */
    private static final double LEAST_PLAY = 5e-6;

    private static final double MORE_PLAY = 25e-6;

    /** What hums at its stop takes a good part of its peak. */
    private static final double LEAST_STALL = 0.8;

    private static final double MORE_STALL = 0.25;

    private final ServoRig rig;
    private final double low;
    private final double high;
    private final double dead;
    private final double drive;
    private final double stall;
    private final double play;
    private double position;
    private double arm;

    /**
     * What a builder sees and hears.
     *
     * @param moved whether the arm moved
     * @param hums whether it presses against its stop
     * @param amperes what it takes then
     * @param arm the pulse whose place the arm stands at, which play leaves behind
     */
    public record Did(boolean moved, boolean hums, double amperes, double arm) {}

    public ServoDevice(ServoRig rig, long seed) {
        Random random = new Random(seed);
        this.rig = rig;
        low = rig.shortest() - OUTSIDE + random.nextDouble() * (INSIDE + OUTSIDE);
        high = rig.longest() + OUTSIDE - random.nextDouble() * (INSIDE + OUTSIDE);
        dead = LEAST_DEAD + random.nextDouble() * MORE_DEAD;
        drive = 1 + (random.nextDouble() * 2 - 1) * rig.off().ratio();
        double peak = rig.servo().cls().modes().stream()
                .mapToDouble(mode -> mode.current().range().highest().amperes())
                .max()
                .orElse(0);
        stall = peak * (LEAST_STALL + random.nextDouble() * MORE_STALL);
        play = LEAST_PLAY + random.nextDouble() * MORE_PLAY;
        position = rig.middle();
        arm = position;
    }

    /** @param asked the pulse that is commanded */
    @Override
    public Did answer(Double asked) {
        double given = rig.nearest(asked) * drive;
        double target = Math.max(low, Math.min(high, given));
        boolean isFar = Math.abs(given - position) > dead;
        double before = arm;
        if (isFar) {
            position = target;
        }
        boolean hums = Math.abs(given - position) > dead;
        arm = Math.max(position - play / 2, Math.min(position + play / 2, arm));
        // What moves by less than a tenth of a microsecond's worth of arm is not seen.
        boolean moved = Math.abs(arm - before) > 1e-7;
        return new Did(moved, hums, hums ? stall : 0, arm / drive);
    }

    /** The true low end, as the pulse that must be commanded for it; for tests. */
    double trueLow() {
        return low / drive;
    }

    double trueHigh() {
        return high / drive;
    }

    double trueDead() {
        return dead / drive;
    }

    double truePlay() {
        return play / drive;
    }

    double trueStall() {
        return stall;
    }
}
