package inkel.core.pins;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.chocosolver.solver.exception.ContradictionException;
import org.chocosolver.solver.search.loop.lns.neighbors.IntNeighbor;
import org.chocosolver.solver.variables.IntVar;

/**
 * Tears out the wires of one part, and what sits on the pins that would suit those of them that lie poorly: one part after the
 * other, the dearest first.
 * A bus that lies on poor pins since others took the good ones gets them so, which no few wires by chance would do.
 */
final class PinModelNeighbour extends IntNeighbor {
    private final List<Wire> wires;
    private List<String> order = List.of();
    private int next;

    /**
     * What is known of a variable.
     *
     * @param prices of every number
     * @param good numbers that are hardly dearer than the best
     */
    record Wire(String part, int[] prices, Set<Integer> good) {}

    /** @param wires of the variables, in their order */
    PinModelNeighbour(IntVar[] variables, List<Wire> wires) {
        super(variables);
        this.wires = List.copyOf(wires);
    }

    @Override
    public void fixSomeVariables() throws ContradictionException {
        if (next >= order.size()) {
            order = dearestFirst();
            next = 0;
        }
        String part = order.get(next++);
        Set<Integer> wanted = new HashSet<>();
        for (int i = 0; i < variables.length; i++) {
            Wire wire = wires.get(i);
            if (wire.part().equals(part) && !wire.good().contains(values[i])) {
                wanted.addAll(wire.good());
            }
        }
        for (int i = 0; i < variables.length; i++) {
            boolean isTornOut = wires.get(i).part().equals(part) || wanted.contains(values[i]);
            if (!isTornOut) {
                freeze(i);
            }
        }
    }

    private List<String> dearestFirst() {
        return wires.stream()
                .map(Wire::part)
                .distinct()
                .sorted(Comparator.comparingLong(part -> -price(part)))
                .toList();
    }

    private long price(String part) {
        return IntStream.range(0, variables.length)
                .filter(i -> wires.get(i).part().equals(part))
                .mapToLong(i -> wires.get(i).prices()[values[i]])
                .sum();
    }
}
