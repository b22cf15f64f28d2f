package inkel.core.remedy;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.Made;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Current;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What one load more asks of a rail and of each that it is made from. */
public final class Room {
    private static final double LITTLE = 0.1;

    private Room() {}

    /** Whether no rail up to the source gives more than it is rated for, as {@link #narrow} has it. */
    public static boolean isFor(NodeCircuit node, Rail rail, Current peak, Optional<Endpoint> now) {
        return narrow(node, rail, peak, now).isEmpty();
    }

    /**
     * The first rail on the way to the source that would give more than it is rated for. A screw is asked for itself alone:
     * until a load hangs there its board stands for a larger one. What carries the load already, by the rail it hangs on now,
     * is asked only for what comes on top; where one further up is asked for too much as it is, a little more is another matter.
     *
     * @param peak what the load takes at the most
     * @param now the rail that it hangs on as yet
     */
    static Optional<Rail> narrow(NodeCircuit node, Rail rail, Current peak, Optional<Endpoint> now) {
        return asked(node, rail)
                .filter(above -> above.id().equals(rail.id()) || !above.isOver() || isMuch(node, rail, above, peak))
                .filter(above -> more(node, rail, above, peak, now).isAbove(above.room()))
                .findFirst();
    }

    /** Whether a rail that is asked for too much as it is may have a load that counts for nothing beside that. */
    static boolean isBesides(NodeCircuit node, Rail rail, Current peak) {
        return rail.isOver()
                && asked(node, rail)
                        .filter(above -> !above.isOver() || isMuch(node, rail, above, peak))
                        .noneMatch(above -> drawn(node, rail, above, peak).isAbove(above.room()));
    }

    /** Whether a load counts beside what a rail is rated for. */
    static boolean isMuch(NodeCircuit node, Rail rail, Rail above, Current peak) {
        return drawn(node, rail, above, peak).isAbove(above.rating().times(LITTLE));
    }

    /** How many rails of a table are asked for more than they give. */
    public static long over(Circuit of, String node) {
        return over(of.node(node).orElseThrow());
    }

    /** As {@link #over(Circuit, String)}. */
    public static long over(NodeCircuit node) {
        return node.rails().stream().filter(Rail::isOver).count();
    }

    /** What a rail has left for others: no more than what the narrowest on the way to its source lets it have. */
    public static Current of(NodeCircuit node, Rail rail) {
        return left(node, rail, Current.ZERO, Optional.empty());
    }

    /** The same once a load hangs there. */
    static Current left(NodeCircuit node, Rail rail, Current peak, Optional<Endpoint> now) {
        return asked(node, rail)
                .filter(above -> above.id().equals(rail.id()) || !above.isOver())
                .map(above -> above.room()
                        .minus(more(node, rail, above, peak, now))
                        .times(1
                                / drawn(node, rail, above, Current.ofAmperes(1)).amperes()))
                .min(Current::compareTo)
                .orElseThrow();
    }

    private static Stream<Rail> asked(NodeCircuit node, Rail rail) {
        List<Endpoint> way = LoadScrews.isOne(node, rail) ? List.of(rail.id()) : node.upToSource(rail.id());
        return way.stream().flatMap(id -> node.rail(id).stream());
    }

    private static Current more(NodeCircuit node, Rail rail, Rail above, Current peak, Optional<Endpoint> now) {
        Current carried = now.flatMap(node::rail)
                .filter(from -> node.upToSource(from.id()).contains(above.id()))
                .map(from -> drawn(node, from, above, peak))
                .orElse(Current.ZERO);
        return drawn(node, rail, above, peak).minus(carried);
    }

    /** What a rail further up gives for a current of one that is made from it. */
    public static Current drawn(NodeCircuit node, Rail rail, Rail above, Current peak) {
        List<Endpoint> way = node.upToSource(rail.id());
        double ratio = 1;
        for (int i = 0; i < way.indexOf(above.id()); i++) {
            Rail made = node.rail(way.get(i)).orElseThrow();
            ratio *= Made.ratio(made.output(), node.rail(way.get(i + 1)).flatMap(Rail::nominal), made.nominal());
        }
        return peak.times(ratio);
    }
}
