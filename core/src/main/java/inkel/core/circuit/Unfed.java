package inkel.core.circuit;

import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.document.Endpoint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A part that nothing is brought to, though it wants a supply or something hangs on what it would make of one. What only
 * hangs on such a part waits for it and is none itself.
 *
 * @param ways the supply pins of which one is to be fed; a board may have several, everything else has one
 * @param waiting the parts that get nothing as long as this one does not, in the order of the node's
 */
public record Unfed(Placed placed, List<Supply> ways, List<Placed> waiting) {
    public Unfed {
        ways = List.copyOf(ways);
        waiting = List.copyOf(waiting);
    }

    /** All of a node, in the order of its parts; neither what lies there for later nor a board that has no place here. */
    public static List<Unfed> of(NodeCircuit node) {
        List<Unfed> roots = new ArrayList<>();
        node.parts().stream()
                .filter(placed -> !placed.isForLater() && !placed.isSecondBoard())
                .forEach(placed -> roots.addAll(placed.part().isBoard() ? ofBoard(placed) : of(node, placed)));
        if (roots.isEmpty()) {
            return roots;
        }
        // By place in the list: what a part and its class are made of is long to compare.
        List<List<Placed>> waiting =
                roots.stream().<List<Placed>>map(root -> new ArrayList<>()).toList();
        for (Placed placed : node.parts()) {
            if (!placed.isForLater()) {
                placed.part().feeds().values().stream()
                        .flatMap(rail -> above(node, rail, roots).stream())
                        .distinct()
                        .forEach(root -> waiting.get(root).add(placed));
            }
        }
        List<Unfed> all = new ArrayList<>();
        for (int i = 0; i < roots.size(); i++) {
            all.add(new Unfed(roots.get(i).placed, roots.get(i).ways, waiting.get(i)));
        }
        return all;
    }

    /** One way into a board is enough. */
    private static List<Unfed> ofBoard(Placed board) {
        List<Supply> ways = board.cls().supplies().stream()
                .filter(supply -> leader(board.cls(), supply).isEmpty())
                .toList();
        boolean isFed = board.cls().supplies().stream().anyMatch(supply -> isFed(board, supply));
        return isFed || ways.isEmpty() ? List.of() : List.of(new Unfed(board, ways, List.of()));
    }

    private static List<Unfed> of(NodeCircuit node, Placed placed) {
        return placed.cls().supplies().stream()
                .filter(supply -> !isFed(placed, supply) && isWanted(node, placed, supply))
                .map(supply -> new Unfed(placed, List.of(supply), List.of()))
                .toList();
    }

    /** The pin that a supply pin goes with and needs no feed beside. */
    private static Optional<Supply> leader(PartClass cls, Supply supply) {
        return supply.with().flatMap(cls::supply);
    }

    private static boolean isFed(Placed placed, Supply supply) {
        return placed.part().feeds().containsKey(supply.pin());
    }

    private static boolean isWanted(NodeCircuit node, Placed placed, Supply supply) {
        boolean isFollower = leader(placed.cls(), supply)
                .filter(first -> !isFed(placed, first))
                .isPresent();
        return !isFollower && (!placed.cls().mayStayUnfed(supply) || isHungOn(node, placed, supply));
    }

    /** Whether something hangs on a rail that would be made from a supply pin. */
    private static boolean isHungOn(NodeCircuit node, Placed placed, Supply supply) {
        return placed.cls().outputs().stream()
                .filter(output -> output.from().filter(supply.pin()::equals).isPresent())
                .map(output -> new Endpoint(placed.id(), output.pin()))
                .anyMatch(rail -> node.parts().stream()
                        .filter(other -> !other.isForLater())
                        .anyMatch(other -> other.part().feeds().containsValue(rail)));
    }

    /** Whether its builder named one of its pins, with a rail that is not there or by a wire: that is told as such. */
    public boolean isNamed(NodeCircuit node) {
        return ways.stream().anyMatch(way -> isNamed(node, way));
    }

    /** As {@link #isNamed(NodeCircuit)}, of one pin. */
    public boolean isNamed(NodeCircuit node, Supply way) {
        Endpoint pin = new Endpoint(placed.id(), way.pin());
        return node.lost().stream()
                .anyMatch(lost -> lost.kind() == Lost.Kind.FEED && lost.at().equals(pin)
                        || SaidWire.of(node, lost)
                                .flatMap(SaidWire::feed)
                                .filter(feed -> pin.equals(new Endpoint(feed.part(), feed.pin())))
                                .isPresent());
    }

    /** What a rail without a voltage waits for; empty where it has one, or waits for nothing that is to be fed. */
    public static Optional<Unfed> above(NodeCircuit node, Endpoint rail) {
        List<Unfed> roots = of(node);
        return above(node, rail, roots).map(roots::get);
    }

    private static Optional<Integer> above(NodeCircuit node, Endpoint rail, List<Unfed> roots) {
        if (node.rail(rail).flatMap(Rail::volts).isPresent()) {
            return Optional.empty();
        }
        List<Endpoint> way = node.upToSource(rail);
        Endpoint first = way.get(way.size() - 1);
        Optional<String> from = node.part(first.part())
                .flatMap(owner -> owner.cls().output(first.pin()))
                .flatMap(Output::from);
        for (int i = 0; i < roots.size(); i++) {
            Unfed root = roots.get(i);
            if (root.placed.id().equals(first.part())
                    && (root.placed.part().isBoard()
                            || from.filter(root.ways.get(0).pin()::equals).isPresent())) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }
}
