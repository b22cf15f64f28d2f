package inkel.core.boards;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.pins.PinFit;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;

/**
 * What comes of a found wiring on one's own board.
 *
 * @param lines every line of it
 * @param changes for each wire in it, where it goes here
 * @param edits what takes it over, all together
 * @param plan how the pins of this board were shared out; empty where the wires are taken as they were found
 */
public record FoundPlan(List<FoundLine> lines, List<Change> changes, List<Edit> edits, Optional<Plan> plan) {
    public FoundPlan {
        lines = List.copyOf(lines);
        changes = List.copyOf(changes);
        edits = List.copyOf(edits);
    }

    /**
     * A wire then and now.
     *
     * @param found the label it had on the board that the wiring was made for
     * @param now where it goes here; empty when there is no place
     * @param why why it is another pin; empty when it is the same one
     */
    public record Change(Endpoint signal, String found, Optional<Endpoint> now, Optional<Fact> why) {}

    /** Reads a text for a node and works out what it comes to there. */
    public static FoundPlan of(
            Build build, Catalog catalog, String nodeId, PartClass source, String text, BooleanSupplier isStopped) {
        NodeCircuit node = Circuit.of(build, catalog).node(nodeId).orElseThrow();
        List<FoundLine> lines = FoundWiring.read(node, source, text);
        List<Edit> edits = new ArrayList<>(FoundWiring.edits(node, source, lines));
        boolean isSame = node.board().cls().id().equals(source.id());
        try {
            Build taken = Edit.applyAll(build, edits);
            boolean hasWires = lines.stream().anyMatch(line -> line.kind() == FoundLine.Kind.WIRE);
            Optional<Plan> plan = isSame || !hasWires
                    ? Optional.empty()
                    : Optional.of(new Planner(taken, catalog, isStopped).plan(nodeId));
            if (plan.isPresent() && plan.get().placed()) {
                edits.add(plan.get().edit().orElseThrow());
            }
            NodeCircuit after = Circuit.of(Edit.applyAll(build, edits), catalog)
                    .node(nodeId)
                    .orElseThrow();
            return new FoundPlan(lines, changes(lines, after), edits, plan);
        } catch (EditRefused refused) {
            throw new IllegalStateException(refused);
        }
    }

    private static List<Change> changes(List<FoundLine> lines, NodeCircuit after) {
        return lines.stream()
                .filter(line -> line.kind() == FoundLine.Kind.WIRE)
                .map(line -> change(line.signal().orElseThrow(), line.pin().orElseThrow(), after))
                .toList();
    }

    private static Change change(Endpoint signal, String found, NodeCircuit after) {
        Optional<Endpoint> now = after.wire(signal).map(Wire::to);
        Endpoint there = new Endpoint(after.board().id(), found);
        if (now.filter(there::equals).isPresent()) {
            return new Change(signal, found, now, Optional.empty());
        }
        if (after.wire(signal).filter(Wire::held).isPresent()) {
            return new Change(signal, found, now, Optional.of(Fact.of("found.change.held")));
        }
        Optional<Pin> same = after.pin(there);
        Fact why = same.isEmpty()
                ? Fact.of("found.change.no_pin").with("pin", found)
                : PinFit.whyNot(after, signal, there)
                        .orElseGet(() -> Fact.of("found.change.planned").with("pin", found));
        return new Change(signal, found, now, Optional.of(why));
    }
}
