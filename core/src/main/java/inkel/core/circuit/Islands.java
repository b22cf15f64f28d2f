package inkel.core.circuit;

import inkel.core.document.Endpoint;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Parts whose grounds are kept apart from the others', and what feeds what among them: these share a ground of their own. */
public final class Islands {
    private Islands() {}

    /** The ids of the parts of each island, in the order of the node; one that stands alone is an island too. */
    public static List<Set<String>> of(NodeCircuit node) {
        List<Set<String>> islands = new ArrayList<>();
        for (Placed placed : node.parts()) {
            if (!placed.part().groundApart()) {
                continue;
            }
            Set<String> joined = new LinkedHashSet<>();
            for (Endpoint feed : placed.part().feeds().values()) {
                if (isApart(node, feed.part())) {
                    joined.add(feed.part());
                }
            }
            joined.add(placed.id());
            List<Set<String>> met = islands.stream()
                    .filter(island -> island.stream().anyMatch(joined::contains))
                    .toList();
            islands.removeAll(met);
            met.forEach(joined::addAll);
            islands.add(joined);
        }
        return islands;
    }

    private static boolean isApart(NodeCircuit node, String part) {
        return node.part(part).filter(placed -> placed.part().groundApart()).isPresent();
    }
}
