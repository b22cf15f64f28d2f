package inkel.core.remedy;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Feeds something by another of its supply pins, past what is wrong at one: a board has several ways in and needs one. */
public final class OtherWayIn {
    private static final int MOST = 5;

    private OtherWayIn() {}

    /** By each other pin that may be fed in its place, with that pin left free. */
    public static Stream<Fix> of(Circuit circuit, NodeCircuit node, Placed placed, String pin) {
        FeedFixes feeds = new FeedFixes(node, circuit.catalog());
        return placed.cls().supplies().stream()
                // What goes with another pin is no way of its own.
                .filter(supply -> !supply.pin().equals(pin) && supply.with().isEmpty())
                .flatMap(supply -> feeds.of(placed, supply).stream())
                .map(fix -> instead(node, placed, pin, fix));
    }

    /**
     * Ways out of what is wrong at a pin of a board, with those by its other pins among them that ask no rail for too much: rails
     * that are there first; where the table goes about one more source comes late, and what hangs on the mains last.
     */
    public static List<Fix> among(List<Fix> ways, Circuit circuit, NodeCircuit node, Placed placed, String pin) {
        if (!placed.part().isBoard()) {
            return Stream.concat(moved(circuit, node, placed, pin), ways.stream())
                    .toList();
        }
        FeedFixes feeds = new FeedFixes(node, circuit.catalog());
        boolean isRoaming = feeds.isRoaming();
        Set<String> known = new HashSet<>();
        String id = node.node().id();
        return Stream.concat(ways.stream(), of(circuit, node, placed, pin).filter(fix -> Tried.after(fix, circuit)
                        .filter(after -> Room.over(after, id) <= Room.over(circuit, id))
                        .isPresent()))
                // Two pins may be fed by the same thing.
                .filter(fix -> known.add(fix.id()))
                .sorted(Comparator.comparing(FeedFixes::isBought)
                        .thenComparing(fix -> isRoaming && feeds.isOnMains(fix))
                        .thenComparing(fix -> isRoaming && feeds.isSource(fix)))
                .limit(MOST)
                .toList();
    }

    /**
     * What a pin that may stay unfed is fed from, at a pin of the same part that is not fed and wants just that: a cell at the
     * port of a charger.
     */
    public static Stream<Fix> moved(Circuit circuit, NodeCircuit node, Placed placed, String pin) {
        Optional<Rail> rail =
                placed.cls().supply(pin).filter(placed.cls()::mayStayUnfed).flatMap(supply -> node.railOf(placed, pin));
        FeedFixes feeds = new FeedFixes(node, circuit.catalog());
        return rail.stream().flatMap(found -> placed.cls().supplies().stream()
                .filter(other -> !placed.part().feeds().containsKey(other.pin()))
                .filter(other -> feeds.usuallySuiting(placed, other, found.id()::equals)
                        .findAny()
                        .isPresent())
                .map(other -> moved(node, placed, pin, found, other.pin())));
    }

    private static Fix moved(NodeCircuit node, Placed placed, String from, Rail rail, String to) {
        return new Fix(
                "move-" + from + "-to-" + to,
                Fact.of("fix.move_feed")
                        .with("rail", RailNames.of(node, rail.id()))
                        .with("part", placed.part().name())
                        .with("pin", to)
                        .with("from", from),
                Fact.of("fix.move_feed.cost"),
                List.of(
                        new Unfeed(node.node().id(), placed.id(), from),
                        new Feed(node.node().id(), placed.id(), to, rail.id())));
    }

    private static Fix instead(NodeCircuit node, Placed placed, String pin, Fix other) {
        List<Edit> edits = new ArrayList<>(other.edits());
        edits.add(new Unfeed(node.node().id(), placed.id(), pin));
        return new Fix(
                other.id() + "-instead",
                Fact.of("fix.instead").with("way", other.title()).with("pin", pin),
                other.cost(),
                edits);
    }
}
