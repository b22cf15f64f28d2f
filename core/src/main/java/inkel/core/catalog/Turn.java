package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import java.util.Optional;

/**
 * What usual code for a part does in one round of the program.
 *
 * @param bytes how many go over its bus each time, besides what an I2C part says of itself ({@link I2cNeed.Traffic})
 * @param waits how long the program stands there each time, at the longest
 * @param isFetchedLater whether that time is a conversion that can be begun now and fetched in a later round
 * @param holds how long interrupts are stopped, where the board's program times it by itself
 * @param polls how often the program turns to it; absent for what needs no turn of its own
 * @param bears how long interrupts may be stopped before something of it is lost; absent where nothing is
 */
public record Turn(
        int bytes,
        TimeSpan waits,
        boolean isFetchedLater,
        TimeSpan holds,
        Optional<Frequency> polls,
        Optional<TimeSpan> bears) {
    public static final Turn NONE =
            new Turn(0, TimeSpan.ZERO, false, TimeSpan.ZERO, Optional.empty(), Optional.empty());
}
