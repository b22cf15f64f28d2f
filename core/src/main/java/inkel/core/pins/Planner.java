package inkel.core.pins;

import inkel.core.build.Build;
import inkel.core.build.Edit;
import inkel.core.build.EditRefused;
import inkel.core.build.Edits;
import inkel.core.build.Endpoint;
import inkel.core.build.Wire;
import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Shares out the pins and addresses of a node. */
public final class Planner {
    private static final int MOST_WAYS_OUT = 3;

    private final Build build;
    private final Catalog catalog;

    public Planner(Build build, Catalog catalog) {
        this.build = build;
        this.catalog = catalog;
    }

    /**
     * A placement that meets every want and keeps what the builder holds, or the smallest set of wants that clash.
     *
     * @throws IllegalArgumentException when there is no such node
     */
    public Plan plan(String nodeId) {
        NodeCircuit node = circuit(build, nodeId);
        List<Want> wants = Want.of(node);
        Optional<PinModel.Answer> answer = PinModel.solve(node, wants);
        if (answer.isPresent()) {
            return new Plan(
                    nodeId,
                    true,
                    wires(node, answer.get()),
                    answer.get().addresses(),
                    List.of(),
                    List.of(),
                    answer.get().complete());
        }
        List<Want> clash = smallestClash(node, wants);
        return new Plan(
                nodeId,
                false,
                List.of(),
                Map.of(),
                clash.stream().map(Want::signal).toList(),
                waysOut(node, clash),
                true);
    }

    /** Shares out every node in turn; nodes do not hang on each other. */
    public List<Plan> planAll() {
        return build.nodes().stream().map(node -> plan(node.id())).toList();
    }

    private NodeCircuit circuit(Build of, String nodeId) {
        return Circuit.of(of, catalog)
                .node(nodeId)
                .orElseThrow(() -> new IllegalArgumentException("no node " + nodeId));
    }

    private static List<Wire> wires(NodeCircuit node, PinModel.Answer answer) {
        Set<Endpoint> asked = new LinkedHashSet<>();
        answer.where().keySet().forEach(want -> asked.add(want.signal()));
        List<Wire> wires = new ArrayList<>();
        node.signals().forEach(signal -> {
            if (!asked.contains(signal)) {
                node.wire(signal).ifPresent(wires::add);
            }
            answer.where().forEach((want, target) -> {
                if (want.signal().equals(signal)) {
                    wires.add(PinModel.wire(want, target));
                }
            });
        });
        return wires;
    }

    /** Leaves out one want after the other; what cannot be left out without the clash going away is the clash. */
    private static List<Want> smallestClash(NodeCircuit node, List<Want> wants) {
        List<Want> clash = new ArrayList<>(wants);
        for (Want want : wants) {
            List<Want> without = new ArrayList<>(clash);
            without.remove(want);
            if (!PinModel.isPossible(node, without)) {
                clash = without;
            }
        }
        return clash;
    }

    private List<Fix> waysOut(NodeCircuit node, List<Want> clash) {
        List<Fix> candidates = new ArrayList<>();
        String id = node.node().id();
        for (Want want : clash) {
            if (want.isHeld()) {
                Wire held = want.now().orElseThrow();
                candidates.add(new Fix(
                        "release-" + want.signal(),
                        Fact.of("fix.release")
                                .with("part", want.placed().part().name())
                                .with("signal", want.pin().label())
                                .with("pin", held.to().pin()),
                        Fact.of("fix.release.cost"),
                        List.of(new Edit.RemoveWire(id, held.from()))));
            }
        }
        clash.stream()
                .map(Want::placed)
                .distinct()
                .forEach(placed -> candidates.add(new Fix(
                        "leave-out-" + placed.id(),
                        Fact.of("fix.leave_out").with("part", placed.part().name()),
                        Fact.of("fix.leave_out.cost"),
                        List.of(new Edit.RemovePart(id, placed.id())))));
        return candidates.stream()
                .filter(fix -> isPossibleAfter(fix, id))
                .limit(MOST_WAYS_OUT)
                .toList();
    }

    private boolean isPossibleAfter(Fix fix, String nodeId) {
        try {
            NodeCircuit changed = circuit(Edits.apply(build, fix.edits()), nodeId);
            return PinModel.isPossible(changed, Want.of(changed));
        } catch (EditRefused refused) {
            return false;
        }
    }
}
