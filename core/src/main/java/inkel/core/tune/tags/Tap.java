package inkel.core.tune.tags;

import java.util.List;
import java.util.Optional;

/**
 * What became of a tag that was held there.
 *
 * @param tag the known one; empty for a strange one and for a bad reading
 */
public record Tap(Sort sort, List<Integer> bytes, Optional<Tag> tag) {
    public Tap {
        bytes = List.copyOf(bytes);
    }

    /** How it ended. */
    public enum Sort {
        ALLOWED,
        REFUSED,
        STRANGE,
        /** One that says another number each time. */
        RANDOM,
        /** A check byte was wrong: it was moved too soon, and nothing is to be done. */
        BAD
    }
}
