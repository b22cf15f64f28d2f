package inkel.core.wake;

/**
 * Checks that are made in one state of the bench.
 *
 * @param part the part that is joined for them in {@link Phase#PART}; in {@link Phase#JOINED} what its builder calls the other
 *     board; else empty
 */
public record Group(Phase phase, String part) {
    static Group of(Phase phase) {
        return new Group(phase, "");
    }
}
