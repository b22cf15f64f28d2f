package inkel.core.wake;

import inkel.core.document.LogLine;
import inkel.core.quantity.Quantity;
import java.time.Instant;
import java.util.Optional;

/**
 * What became of a check.
 *
 * @param value what was read; absent for what is no value, and while nothing was
 * @param text as it was typed or received, or why it is taken as good
 * @param isTaken whether the builder takes a reading outside of its band as good
 */
public record Result(
        Status status,
        Optional<Quantity> value,
        String text,
        boolean isTaken,
        Optional<LogLine.By> by,
        Optional<Instant> at) {
    static final Result OPEN = new Result(Status.OPEN, Optional.empty(), "", false, Optional.empty(), Optional.empty());

    Result with(Status other) {
        return new Result(other, value, text, isTaken, by, at);
    }

    /** Whether those that need it may go on. */
    public boolean holds() {
        return status == Status.IN;
    }
}
