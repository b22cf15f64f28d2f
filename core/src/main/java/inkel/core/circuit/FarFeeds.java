package inkel.core.circuit;

import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.document.Node;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Boards that feed others: volts go from who gives to who takes, then currents back. A lead that would bring a rail its own
 * way round, over whatever boards, brings nothing.
 */
final class FarFeeds {
    private final Build build;
    private final Catalog catalog;
    private final List<FarRail> far;
    private final List<String> order = new ArrayList<>();

    private FarFeeds(Build build, Catalog catalog, List<FarRail> far) {
        this.build = build;
        this.catalog = catalog;
        this.far = far;
        build.nodes().forEach(node -> visit(node.id(), new ArrayList<>()));
    }

    /** The circuits of all nodes of a build that has leads, in document order. */
    static List<NodeCircuit> circuits(Build build, Catalog catalog, List<FarRail> far) {
        return new FarFeeds(build, catalog, far).circuits();
    }

    /** Those that give come before those that take. */
    private void visit(String node, List<String> above) {
        if (order.contains(node) || above.contains(node) || build.node(node).isEmpty()) {
            return;
        }
        above.add(node);
        far.stream()
                .filter(rail -> rail.taker().equals(node))
                .forEach(rail -> visit(rail.rail().node(), above));
        above.remove(node);
        order.add(node);
    }

    private List<NodeCircuit> circuits() {
        Map<String, NodeCircuit> volts = new HashMap<>();
        Map<String, Map<String, Rail>> given = new HashMap<>();
        for (String id : order) {
            Map<String, Rail> brought = new LinkedHashMap<>();
            for (FarRail rail : far) {
                // A board that comes later in the order would close a circle.
                Optional<NodeCircuit> giver =
                        Optional.ofNullable(volts.get(rail.rail().node()));
                if (rail.taker().equals(id)) {
                    giver.flatMap(node -> node.rail(rail.rail().endpoint()))
                            .ifPresent(found -> brought.put(rail.lead(), found));
                }
            }
            given.put(id, brought);
            volts.put(id, circuit(id, brought, List.of()));
        }
        Map<String, NodeCircuit> whole = new HashMap<>();
        for (int i = order.size() - 1; i >= 0; i--) {
            String id = order.get(i);
            List<FarLoad> loads = new ArrayList<>();
            for (FarRail rail : far) {
                boolean isBrought = given.get(rail.taker()) != null
                        && given.get(rail.taker()).containsKey(rail.lead());
                if (isBrought && rail.rail().node().equals(id)) {
                    whole.get(rail.taker())
                            .rail(rail.plus().endpoint())
                            .ifPresent(drawn -> loads.add(new FarLoad(rail, rail.load(drawn))));
                }
            }
            whole.put(id, circuit(id, given.get(id), loads));
        }
        return whole.values().stream()
                .sorted(Comparator.comparingInt(circuit -> place(circuit.node().id())))
                .toList();
    }

    private int place(String node) {
        List<Node> nodes = build.nodes();
        for (int i = 0; i < nodes.size(); i++) {
            if (nodes.get(i).id().equals(node)) {
                return i;
            }
        }
        return nodes.size();
    }

    private NodeCircuit circuit(String id, Map<String, Rail> given, List<FarLoad> loads) {
        Node node = build.node(id).orElseThrow();
        return NodeCircuit.of(node, catalog, Readings.of(build, node), build.habits(), given, loads);
    }
}
