package inkel.core.circuit;

import inkel.core.document.Moment;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Sets of moments that can be on together at one time of the round. */
public final class Scenario {
    private Scenario() {}

    /**
     * The largest sets that can be on while given moments are: with those, all that may come at any time.
     *
     * @param on ids of moments that stand in the round and are on
     */
    public static Collection<Set<String>> largest(List<Moment> moments, Set<String> on) {
        Map<String, Moment> byId = new HashMap<>();
        Set<String> all = new TreeSet<>(on);
        for (Moment moment : moments) {
            byId.putIfAbsent(moment.id(), moment);
            if (moment.at().isEmpty()) {
                all.add(moment.id());
            }
        }
        return Scenarios.largestIn(all, byId);
    }
}
