package inkel.core.circuit;

import inkel.core.build.Moment;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Sets of moments that can be on together at one time of the round. */
public final class Scenario {
    private Scenario() {}

    /**
     * The largest sets that can be on while given moments are: with those, all that may come at any time.
     *
     * @param on ids of moments that stand in the round and are on
     */
    public static Collection<Set<String>> largest(List<Moment> moments, Set<String> on) {
        Map<String, Moment> byId =
                moments.stream().collect(Collectors.toMap(Moment::id, Function.identity(), (first, second) -> first));
        Set<String> all = new TreeSet<>(on);
        moments.stream().filter(moment -> moment.at().isEmpty()).forEach(moment -> all.add(moment.id()));
        return Scenarios.largestIn(all, byId);
    }
}
