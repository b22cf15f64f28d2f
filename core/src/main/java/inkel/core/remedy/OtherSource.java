package inkel.core.remedy;

import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Another source in the place of one that gives too little or falls too low: a battery for a battery, a supply for a supply,
 * with the same label so that all that hangs on it stays where it is. A port is what it is, and a bench supply is set by hand.
 */
public final class OtherSource {
    private static final int MOST = 2;

    /** Within this share of what was there nobody sees a difference. */
    private static final double ALIKE = 0.05;

    private final Circuit circuit;
    private final NodeCircuit node;
    private final Placed old;
    private final Output given;

    private OtherSource(Circuit circuit, NodeCircuit node, Placed old, Output given) {
        this.circuit = circuit;
        this.node = node;
        this.old = old;
        this.given = given;
    }

    /**
     * Sources that carry what hangs on the one that a rail comes from, and give each of it what it works at; what needs least
     * care first, then the nearest in volts, then the smallest.
     *
     * @param then what is changed with it, such as what hangs on it besides
     * @param isMended asked of the table with each
     */
    public static List<Fix> of(
            Circuit circuit, NodeCircuit node, Rail rail, List<Edit> then, Predicate<NodeCircuit> isMended) {
        List<Endpoint> way = node.upToSource(rail.id());
        Endpoint source = way.get(way.size() - 1);
        return node.part(source.part())
                .filter(placed -> isSource(placed.cls()))
                .flatMap(placed -> placed.cls()
                        .output(source.pin())
                        .filter(output -> !output.isLimitSet())
                        .map(output -> new OtherSource(circuit, node, placed, output)))
                .map(other -> other.ways(then, isMended))
                .orElse(List.of());
    }

    /** Ways out with these before the first that buys something more; what was there makes room for it. */
    public static List<Fix> among(List<Fix> ways, List<Fix> others) {
        List<Fix> all = new ArrayList<>(ways);
        int at = 0;
        while (at < all.size() && !FeedFixes.isBought(all.get(at))) {
            at++;
        }
        all.addAll(at, others);
        return all;
    }

    /** Whether motors jerk at a rail that the board hangs on too: rather than a stronger one they get one of their own. */
    public static boolean isJerked(NodeCircuit node, Rail rail) {
        return !PutParts.isApart(node, rail.id())
                && rail.loads().stream().map(Rail.Load::pin).anyMatch(pin -> node.part(pin.part())
                        .flatMap(placed -> PutParts.motorPin(placed.cls()))
                        .filter(supply -> supply.pin().equals(pin.pin()))
                        .isPresent());
    }

    /** Whether something of a class is nothing but a source: a port of a computer is more. */
    private static boolean isSource(PartClass cls) {
        return cls.outputs().size() == 1
                && cls.outputs().get(0).way() == Output.Way.SOURCE
                && cls.outputs().get(0).volts().isPresent()
                && cls.supplies().isEmpty()
                && cls.controller().isEmpty()
                && cls.signals().noneMatch(Pin::isWanted)
                && !cls.kinds().contains(FeedFixes.PLUGGED);
    }

    private List<Fix> ways(List<Edit> then, Predicate<NodeCircuit> isMended) {
        return circuit.catalog().all().stream()
                .filter(this::isOfTheSameKind)
                .sorted(Comparator.<PartClass, Integer>comparing(
                                cls -> cls.handling().hazards().size())
                        .thenComparing(this::apart)
                        .thenComparing(
                                cls -> cls.outputs().get(0).rating().range().lowest()))
                .map(cls -> taken(cls, then))
                .filter(fix -> Tried.after(fix, circuit)
                        .flatMap(after -> after.node(node.node().id()))
                        .filter(after -> isBorne(after) && isMended.test(after))
                        .isPresent())
                .limit(MOST)
                .toList();
    }

    private boolean isOfTheSameKind(PartClass cls) {
        return isSource(cls)
                && !cls.id().equals(old.cls().id())
                && cls.outputs().get(0).pin().equals(given.pin())
                && !cls.outputs().get(0).isLimitSet()
                && FeedFixes.isFixed(cls) == FeedFixes.isFixed(old.cls())
                && isLasting(cls.outputs().get(0));
    }

    /** A battery that is empty sooner mends nothing for long. */
    private boolean isLasting(Output output) {
        return given.battery().isEmpty()
                || output.battery()
                        .filter(then ->
                                then.capacity().compareTo(given.battery().get().capacity()) >= 0)
                        .isPresent();
    }

    /** How far its volts are from those that were there; nothing where they are alike. */
    private double apart(PartClass cls) {
        double then = volts(cls.outputs().get(0));
        double now = volts(given);
        double apart = Math.abs(then - now);
        return apart <= now * ALIKE ? 0 : apart;
    }

    private static double volts(Output output) {
        return output.volts()
                .map(Figure::range)
                .map(range -> range.expected())
                .orElse(Voltage.ZERO)
                .volts();
    }

    private Fix taken(PartClass cls, List<Edit> then) {
        return new Fix(
                "take-" + cls.id(),
                Fact.of("fix.other_source")
                        .with("class", cls.name())
                        .with("part", old.part().name()),
                Fact.of("fix.other_source.cost")
                        .with("rating", cls.outputs().get(0).rating().range().lowest()),
                Stream.concat(Stream.of(new Exchange(node.node().id(), old.id(), cls)), then.stream())
                        .toList());
    }

    /** Whether nothing gets too much, no more than before gets too little, and nothing is asked for more than it gives. */
    private boolean isBorne(NodeCircuit after) {
        Endpoint source = new Endpoint(old.id(), given.pin());
        Optional<Rail> rail = after.rail(source);
        return rail.filter(found -> !found.isOver() && !found.isAverageOver()).isPresent()
                && Room.over(after) <= Room.over(node)
                && MoreCells.tooHigh(after, source) == 0
                && MoreCells.tooLow(after, source) <= MoreCells.tooLow(node, source);
    }
}
