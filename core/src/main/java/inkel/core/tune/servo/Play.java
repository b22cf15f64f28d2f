package inkel.core.tune.servo;

import inkel.core.tune.Estimate;
import java.util.Optional;

/**
 * How far apart the pulses are that bring the arm to one place from both sides: the play of gears and horn, and what the
 * drive leaves out. The arm is brought to a place from below, the place is marked on the table; then it goes beyond and is
 * stepped back until it stands at the mark again.
 *
 * @param mark the pulse at which the place was marked; absent while nothing is marked
 * @param slack how far the arm may have been behind that pulse, in seconds
 * @param found the difference, in seconds
 */
public record Play(Optional<Double> mark, double slack, Optional<Estimate> found) {
    public static final Play NONE = new Play(Optional.empty(), 0, Optional.empty());

    Play marked(double pulse, double behind) {
        return new Play(Optional.of(pulse), behind, found);
    }

    /**
     * What standing at the mark again tells.
     *
     * @param now the pulse at which it does
     * @param before the one before that, at which it did not yet
     * @param behind how far the arm may be behind a pulse
     */
    Play again(double now, double before, double behind) {
        double most = mark.orElseThrow() - now;
        double least = Math.max(0, mark.orElseThrow() - slack - before - behind);
        return new Play(Optional.empty(), 0, Optional.of(new Estimate((most + least) / 2, (most - least) / 2)));
    }
}
