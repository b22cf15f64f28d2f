package inkel.core.diagnosis;

import inkel.core.wake.Check;
import java.util.List;
import java.util.Optional;

/**
 * What readings leave as likely.
 *
 * @param list the likeliest first
 * @param nothing how likely it is that all is right, and the readings were off by chance
 * @param somethingElse how likely it is something that Inkel has not thought of
 * @param next the look that tells most apart for what it takes; empty when none does
 * @param readings how many they were made of
 * @param isWhole whether every fault was thought of, not only those near the reading
 */
public record Suspects(
        List<Suspect> list, double nothing, double somethingElse, Optional<Check> next, int readings, boolean isWhole) {
    public Suspects {
        list = List.copyOf(list);
    }
}
