package inkel.core.catalog;

import java.util.List;
import java.util.Optional;

/**
 * What a class is for and how it is handled on the bench.
 *
 * @param does what it does for a build, in general words: {@code measures distance}
 * @param checks what tells at the first power-up that it is alive
 * @param bench where it is measured and set, if anywhere
 * @param mayCarryMains whether mains may be behind its contacts
 * @param programs the way in which it programs chips, for a programmer
 * @param air how it speaks through the air, if it does
 */
public record Handling(
        List<String> does,
        Make make,
        List<WakeCheck> checks,
        Optional<BenchKind> bench,
        boolean mayCarryMains,
        Optional<String> programs,
        Optional<Air> air) {
    public Handling {
        does = List.copyOf(does);
        checks = List.copyOf(checks);
    }

    /** The same, coming to the table in another way. */
    Handling with(Make other) {
        return new Handling(does, other, checks, bench, mayCarryMains, programs, air);
    }
}
