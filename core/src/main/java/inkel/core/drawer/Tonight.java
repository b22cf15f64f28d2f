package inkel.core.drawer;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Which parts of a table can be wired and woken with what is in the drawer, and what each other one waits for. What there is
 * goes to the board and to what feeds first, then to the parts in their order.
 */
public record Tonight(List<Ready> parts) {
    public Tonight {
        parts = List.copyOf(parts);
    }

    /**
     * A part.
     *
     * @param lacks what it lacks itself, and how many
     * @param waitsFor other parts that lack something, and without which it cannot be woken
     */
    public record Ready(String part, Map<Item, Integer> lacks, List<String> waitsFor) {
        public Ready {
            lacks = java.util.Collections.unmodifiableMap(new TreeMap<>(lacks));
            waitsFor = List.copyOf(waitsFor);
        }

        public boolean isReady() {
            return lacks.isEmpty() && waitsFor.isEmpty();
        }
    }

    /**
     * @param wants of the whole build
     * @param build what stands for the build in the drawer
     */
    public static Tonight of(NodeCircuit node, Wants wants, Drawer drawer, String build) {
        List<Placed> order = new ArrayList<>(node.parts());
        order.removeIf(Placed::isForLater);
        order.sort((one, other) -> Integer.compare(rank(one), rank(other)));
        Map<Item, Integer> left = new TreeMap<>();
        Shopping.of(wants.counts(), drawer, build).lines().forEach(line -> left.put(line.item(), line.have()));
        Map<String, Map<Item, Integer>> lacks = new LinkedHashMap<>();
        for (Placed placed : order) {
            Map<Item, Integer> missing = new TreeMap<>();
            wants.of(node.node().id(), placed.id()).forEach((item, count) -> {
                int there = left.getOrDefault(item, 0);
                left.put(item, Math.max(0, there - count));
                if (there < count) {
                    missing.put(item, count - there);
                }
            });
            lacks.put(placed.id(), missing);
        }
        List<Ready> parts = new ArrayList<>();
        for (Placed placed : order) {
            List<String> waits = new ArrayList<>();
            for (String other : behind(node, placed.id())) {
                if (!other.equals(placed.id())
                        && !lacks.getOrDefault(other, Map.of()).isEmpty()) {
                    waits.add(other);
                }
            }
            parts.add(new Ready(placed.id(), lacks.get(placed.id()), waits));
        }
        return new Tonight(parts);
    }

    private static int rank(Placed placed) {
        return placed.part().isBoard() ? 0 : placed.cls().outputs().isEmpty() ? 2 : 1;
    }

    /** The part, what feeds it up to the sources, and what its wires go to or through. */
    private static Set<String> behind(NodeCircuit node, String part) {
        Set<String> found = new LinkedHashSet<>();
        List<String> open = new ArrayList<>(List.of(part));
        while (!open.isEmpty()) {
            String at = open.remove(0);
            if (node.node().part(at).isEmpty() || !found.add(at)) {
                continue;
            }
            Part of = node.node().part(at).get();
            of.feeds().values().stream().map(Endpoint::part).forEach(open::add);
            if (!of.isBoard() && of.feeds().isEmpty()) {
                feeder(node, at).ifPresent(open::add);
            }
            for (Wire wire : node.node().wires()) {
                if (wire.from().part().equals(at)) {
                    open.add(wire.to().part());
                    node.between(wire.from())
                            .filter(Between.ShifterWay.class::isInstance)
                            .map(piece -> ((Between.ShifterWay) piece).shifter())
                            .ifPresent(open::add);
                }
            }
        }
        return found;
    }

    /** What carries a part that is fed by being plugged on. */
    private static java.util.Optional<String> feeder(NodeCircuit node, String part) {
        return node.rails().stream()
                .filter(rail ->
                        rail.loads().stream().anyMatch(load -> load.pin().part().equals(part)))
                .map(Rail::id)
                .map(Endpoint::part)
                .findFirst();
    }
}
