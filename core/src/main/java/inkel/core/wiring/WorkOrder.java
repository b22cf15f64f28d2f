package inkel.core.wiring;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Outline;
import inkel.core.catalog.Output;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The order in which the wires of a node are plugged, as the builder likes it. */
final class WorkOrder {
    /** From one part to another, in steps of a breadboard: farther than any two pins of a part usually are. */
    private static final double TO_ANOTHER_PART = 40;

    private final NodeCircuit node;

    private WorkOrder(NodeCircuit node) {
        this.node = node;
    }

    /** @param safe grounds, supplies, ties, then signals */
    static List<WireStep> of(NodeCircuit node, List<WireStep> safe) {
        WorkOrder order = new WorkOrder(node);
        List<WireStep> ordered;
        switch (node.habits().of(Habit.WIRE_ORDER)) {
            case PARTS -> ordered = order.byPart(safe);
            case WAY -> ordered = order.byWay(safe);
            default -> {
                return safe; // numbered as it was made
            }
        }
        List<WireStep> numbered = new ArrayList<>();
        ordered.forEach(step -> numbered.add(step.withNumber(numbered.size() + 1)));
        return numbered;
    }

    /** The board and what feeds others first, then each part whole, in the order of the table. */
    private List<WireStep> byPart(List<WireStep> safe) {
        Map<String, Integer> places = new HashMap<>();
        List<Placed> parts = new ArrayList<>(node.parts());
        parts.sort(Comparator.comparingInt(WorkOrder::feeds));
        parts.forEach(placed -> places.put(placed.id(), places.size()));
        List<WireStep> ordered = new ArrayList<>(safe);
        ordered.sort(Comparator.comparingInt(
                step -> places.getOrDefault(step.subject().part(), 0)));
        return ordered;
    }

    private static int feeds(Placed placed) {
        if (placed.part().isBoard()) {
            return 0;
        }
        boolean isSource = placed.cls().outputs().stream().anyMatch(output -> output.way() == Output.Way.SOURCE);
        return isSource ? 1 : placed.cls().outputs().isEmpty() ? 3 : 2;
    }

    /** From each wire to the nearest that is left: along a header before to another part. */
    private List<WireStep> byWay(List<WireStep> safe) {
        List<WireStep> left = new ArrayList<>(safe);
        List<WireStep> ordered = new ArrayList<>();
        while (!left.isEmpty()) {
            WireStep nearest = left.get(0);
            if (!ordered.isEmpty()) {
                WireStep last = ordered.get(ordered.size() - 1);
                double least = Double.MAX_VALUE;
                for (WireStep step : left) {
                    double way = way(last, step);
                    if (way < least) {
                        least = way;
                        nearest = step;
                    }
                }
            }
            left.remove(nearest);
            ordered.add(nearest);
        }
        return ordered;
    }

    private double way(WireStep one, WireStep other) {
        double least = TO_ANOTHER_PART;
        for (Terminal end : List.of(one.from(), one.to())) {
            for (Terminal next : List.of(other.from(), other.to())) {
                least = Math.min(least, way(end, next));
            }
        }
        return least;
    }

    private double way(Terminal one, Terminal other) {
        if (one.equals(other)) {
            return 0;
        }
        boolean isOnePart = one instanceof Terminal.OnPin first
                && other instanceof Terminal.OnPin second
                && first.pin().part().equals(second.pin().part());
        if (!isOnePart) {
            return TO_ANOTHER_PART;
        }
        Optional<Outline.Spot> here = spot((Terminal.OnPin) one);
        Optional<Outline.Spot> there = spot((Terminal.OnPin) other);
        return here.isEmpty() || there.isEmpty()
                ? TO_ANOTHER_PART
                : Math.hypot(
                        here.get().x() - there.get().x(),
                        here.get().y() - there.get().y());
    }

    private Optional<Outline.Spot> spot(Terminal.OnPin end) {
        Placed placed = node.part(end.pin().part()).orElseThrow();
        return placed.cls().handling().outline().spot(placed.cls().pins().get(end.index()));
    }
}
