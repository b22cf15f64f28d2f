package inkel.core.tune.servo;

import inkel.core.tune.Estimate;
import java.util.Optional;

/**
 * Where a servo stops, as pulses that are commanded. It is stepped outward until it stops or hums; the end is the last pulse
 * before that. It hums only when it is pressed further than its dead band, so that the true end lies within one step of that
 * pulse, either way, or within the dead band where that is more.
 *
 * @param low absent while it was not found
 */
public record Ends(Optional<Estimate> low, Optional<Estimate> high) {
    public static final Ends UNKNOWN = new Ends(Optional.empty(), Optional.empty());

    /**
     * With what one stop tells.
     *
     * @param free the last pulse that moved it freely
     * @param stopped the pulse at which it stopped or hummed
     * @param dead the most that its dead band may be
     */
    public Ends with(double free, double stopped, double dead) {
        Estimate end = new Estimate(free, Math.max(Math.abs(stopped - free), dead));
        return stopped > free ? new Ends(low, Optional.of(end)) : new Ends(Optional.of(end), high);
    }

    public boolean isKnown() {
        return low.isPresent() && high.isPresent();
    }

    /** Half way between both, when both are known. */
    public Optional<Estimate> middle() {
        return low.flatMap(
                from -> high.map(to -> new Estimate((from.value() + to.value()) / 2, (from.off() + to.off()) / 2)));
    }
}
