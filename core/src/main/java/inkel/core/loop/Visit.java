package inkel.core.loop;

import inkel.core.catalog.Turn;
import inkel.core.circuit.Placed;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import java.util.Optional;

/**
 * What the program does with one part in a round.
 *
 * @param bus how long its bus is taken
 * @param waits how long the program stands there besides
 * @param polls how often it is wanted; absent for what is looked at in every round and is never late
 */
public record Visit(Placed placed, TimeSpan bus, TimeSpan waits, Optional<Frequency> polls) {
    /** At this many times its own interval four of five times that a part is wanted are missed. */
    public static final double MOST_LATE = 5;

    public TimeSpan time() {
        return TimeSpan.ofSeconds(bus.seconds() + waits.seconds());
    }

    public Optional<TimeSpan> every() {
        return polls.map(often -> TimeSpan.ofSeconds(1 / often.hertz()));
    }

    public boolean isLate(TimeSpan round) {
        return every().filter(every -> round.seconds() > MOST_LATE * every.seconds() * (1 + 1e-9))
                .isPresent();
    }

    /** Whether its wait is a conversion that can be begun in one round and fetched in another, and is not yet. */
    public boolean canBeFetchedLater() {
        return turn().isFetchedLater() && waits.seconds() > turn().holds().seconds();
    }

    /** The same, fetched later. */
    public Visit fetchedLater() {
        return new Visit(placed, bus, turn().holds(), polls);
    }

    private Turn turn() {
        return placed.cls().demands().turn();
    }
}
