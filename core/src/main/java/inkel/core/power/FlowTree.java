package inkel.core.power;

import inkel.core.catalog.Supply;
import inkel.core.circuit.Made;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Current;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A source with all that flows out of it, at the worst of each rail: into rails that are made from it and into loads.
 *
 * @param branches the rails that are made from it, in the order of the node's parts
 * @param taps what ends here
 */
public record FlowTree(Rail rail, List<Branch> branches, List<Tap> taps) {
    public FlowTree {
        branches = List.copyOf(branches);
        taps = List.copyOf(taps);
    }

    /**
     * A rail that is made from another.
     *
     * @param pin the supply pin it is made through
     * @param taken what it takes when the rail it is made from is at its worst
     */
    public record Branch(Endpoint pin, Current taken, FlowTree tree) {}

    /** A load, less what its part passes on to rails of its own. */
    public record Tap(Endpoint pin, Current taken) {}

    /** One tree for each source, and one for each rail that should be fed and is not, or is in a circle. */
    public static List<FlowTree> of(NodeCircuit node) {
        List<FlowTree> trees = new ArrayList<>();
        Set<Endpoint> seen = new HashSet<>();
        for (Rail rail : node.rails()) {
            if (isIdle(node, rail)) {
                seen.add(rail.id());
            } else if (rail.isSource() || isUnfed(node, rail)) {
                trees.add(tree(node, rail, seen));
            }
        }
        node.rails().stream()
                .filter(rail -> !seen.contains(rail.id()))
                .forEach(rail -> trees.add(tree(node, rail, seen)));
        return trees;
    }

    /** Whether nothing comes in, nothing goes out, and that is as well: a contact that switches nothing. */
    private static boolean isIdle(NodeCircuit node, Rail rail) {
        boolean mayBe = node.part(rail.id().part())
                .filter(owner -> rail.output()
                        .from()
                        .flatMap(owner.cls()::supply)
                        .filter(owner.cls()::mayStayUnfed)
                        .isPresent())
                .isPresent();
        return mayBe && rail.loads().isEmpty() && isUnfed(node, rail);
    }

    private static boolean isUnfed(NodeCircuit node, Rail rail) {
        return rail.output()
                .from()
                .flatMap(pin -> node.part(rail.id().part())
                        .map(owner -> owner.part().feeds().get(pin)))
                .flatMap(node::rail)
                .isEmpty();
    }

    private static FlowTree tree(NodeCircuit node, Rail rail, Set<Endpoint> seen) {
        seen.add(rail.id());
        Map<Endpoint, Current> worst = node.currents(rail.worst());
        List<Branch> branches = new ArrayList<>();
        List<Tap> taps = new ArrayList<>();
        for (Rail.Load load : rail.loads()) {
            Current left = load.atWorst();
            List<Made> made = node.made(load.pin());
            for (Made one : made) {
                if (!seen.contains(one.rail())) {
                    Current taken = one.intake(worst.get(one.rail()));
                    left = left.minus(taken);
                    branches.add(new Branch(
                            load.pin(), taken, tree(node, node.rail(one.rail()).orElseThrow(), seen)));
                }
            }
            boolean isAlong = node.part(load.pin().part())
                    .flatMap(placed -> placed.cls().supply(load.pin().pin()))
                    .flatMap(Supply::with)
                    .isPresent();
            // What a pin takes that goes with another one is told there, where the class does not part the two.
            if (made.isEmpty() && !isAlong || left.isAbove(Current.ZERO)) {
                taps.add(new Tap(load.pin(), left));
            }
        }
        rail.lamps().forEach(lamp -> taps.add(new Tap(lamp.pin(), lamp.atWorst())));
        return new FlowTree(rail, branches, taps);
    }
}
