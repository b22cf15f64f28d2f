package inkel.core.wake;

/**
 * Checks that are made in one state of the bench.
 *
 * @param part the part that is joined for them; empty but in {@link Phase#PART}
 */
public record Group(Phase phase, String part) {
    static Group of(Phase phase) {
        return new Group(phase, "");
    }
}
