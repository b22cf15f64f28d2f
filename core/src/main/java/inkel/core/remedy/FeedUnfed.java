package inkel.core.remedy;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.Unfed;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Fix;
import inkel.core.quantity.Current;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** Finds ways to feed what nothing is brought to. */
public final class FeedUnfed {
    private static final int MOST = 3;

    private final NodeCircuit node;
    private final Catalog catalog;
    private final FeedFixes feeds;

    public FeedUnfed(NodeCircuit node, Catalog catalog) {
        this.node = node;
        this.catalog = catalog;
        feeds = new FeedFixes(node, catalog);
    }

    /**
     * Ways to feed what nothing is brought to, rails that are there before what must be bought. What would make rails of its
     * supply is tried, so that nothing further up is asked for more than it gives. A servo hangs on no rail of the board
     * unless its builder has that habit.
     *
     * @param circuit what the node is of
     * @param alike parts of one class that want the same, at least one: as many as one rail bears are fed at once
     */
    public List<Fix> of(Circuit circuit, List<Unfed> alike) {
        List<Fix> ways = OtherSource.among(added(circuit, alike), stronger(circuit, alike));
        boolean isBought = ways.stream().allMatch(FeedFixes::isBought);
        return Stream.concat(isBought ? there(circuit, alike).stream() : Stream.empty(), ways.stream())
                .limit(MOST)
                .toList();
    }

    /** What is there and does for most of the time, or once it is asked for less, comes before what must be bought. */
    private List<Fix> there(Circuit circuit, List<Unfed> alike) {
        Unfed first = alike.get(0);
        boolean isMaking = FeedTable.isMaking(first);
        Stream<Fix> besides = isMaking
                ? Stream.empty()
                : first.ways().stream().flatMap(supply -> ways(alike, supply, feeds::besides));
        return Stream.concat(
                        first.ways().stream()
                                .flatMap(supply -> ways(alike, supply, feeds::usually))
                                .filter(fix -> !isMaking || isBorne(circuit, fix)),
                        besides)
                .map(fix -> forAll(fix, alike))
                .limit(1)
                .toList();
    }

    /** Finds rails that are there for a pin and what is asked of it. */
    private interface Finder {
        List<Fix> find(Placed placed, Supply supply, Current peak, Predicate<Endpoint> isAllowed);
    }

    private Stream<Fix> ways(List<Unfed> alike, Supply supply, Finder finder) {
        Placed placed = alike.get(0).placed();
        return finder
                .find(
                        placed,
                        Behind.of(node, placed, supply),
                        peakOf(alike, supply),
                        FeedTable.mayTurn(node, placed.cls(), supply))
                .stream();
    }

    private Current peakOf(List<Unfed> alike, Supply supply) {
        return alike.stream().map(unfed -> feeds.peakOf(unfed.placed(), supply)).reduce(Current.ZERO, Current::plus);
    }

    /** Where only current lacks, a stronger source in the place of the one that would feed them. */
    private List<Fix> stronger(Circuit circuit, List<Unfed> alike) {
        Unfed first = alike.get(0);
        Supply supply = first.ways().get(0);
        if (usedUp(first).isEmpty()) {
            return List.of();
        }
        Rail rail = suiting(first).get(0);
        List<Edit> fed = alike.stream()
                .<Edit>map(unfed -> new Feed(node.node().id(), unfed.placed().id(), supply.pin(), rail.id()))
                .toList();
        List<String> names =
                alike.stream().map(unfed -> unfed.placed().part().name()).toList();
        return OtherSource.of(circuit, node, rail, fed, after -> true).stream()
                .map(fix -> new Fix(
                        fix.id(),
                        fix.title().as("fix.other_source_and_feed").with("fed", names),
                        fix.cost(),
                        fix.edits()))
                .toList();
    }

    private List<Fix> added(Circuit circuit, List<Unfed> alike) {
        // What hangs on the mains may do for more of them, and is still the second best of a table that goes about.
        return feeds.isRoaming() && alike.size() > 1
                ? Stream.of(most(circuit, alike, fix -> !feeds.isOnMains(fix)), most(circuit, alike, feeds::isOnMains))
                        .flatMap(List::stream)
                        .limit(MOST)
                        .toList()
                : most(circuit, alike, fix -> true);
    }

    private List<Fix> most(Circuit circuit, List<Unfed> alike, Predicate<Fix> isWanted) {
        for (int count = alike.size(); count > 0; count--) {
            List<Fix> fixes = together(circuit, alike.subList(0, count), isWanted);
            if (!fixes.isEmpty()) {
                return fixes;
            }
        }
        return List.of();
    }

    private List<Fix> together(Circuit circuit, List<Unfed> alike, Predicate<Fix> isWanted) {
        Unfed first = alike.get(0);
        Map<String, Fix> fixes = new LinkedHashMap<>();
        boolean isMaking = FeedTable.isMaking(first);
        for (Supply supply : first.ways()) {
            Predicate<Endpoint> isAllowed =
                    FeedTable.mayTurn(node, first.placed().cls(), supply);
            Current peak = peakOf(alike, supply);
            feeds.all(first.placed(), supply, peak, peak, Voltage.ZERO, isAllowed)
                    .filter(fix -> isWanted.test(fix) && (!isMaking || isBorne(circuit, fix)))
                    .limit(MOST)
                    .forEach(fix -> fixes.putIfAbsent(fix.id(), forAll(fix, alike)));
        }
        return fixes.values().stream()
                .sorted(Comparator.comparing(FeedFixes::isBought))
                .limit(MOST)
                .toList();
    }

    /** What feeds the first of them feeds the others as well. */
    private static Fix forAll(Fix fix, List<Unfed> alike) {
        if (alike.size() == 1) {
            return fix;
        }
        List<Edit> edits = new ArrayList<>(fix.edits());
        Feed feed = (Feed) edits.get(edits.size() - 1);
        alike.stream()
                .skip(1)
                .map(unfed -> new Feed(feed.node(), unfed.placed().id(), feed.pin(), feed.rail()))
                .forEach(edits::add);
        List<String> names =
                alike.stream().map(unfed -> unfed.placed().part().name()).toList();
        return new Fix(fix.id(), fix.title().with("part", names), fix.cost(), edits);
    }

    private boolean isBorne(Circuit circuit, Fix fix) {
        return Tried.after(fix, circuit)
                .flatMap(after -> after.node(node.node().id()))
                .filter(after -> overloaded(after) <= overloaded(node))
                .isPresent();
    }

    /** How many rails are asked for more than they give, at once or for long. */
    private static long overloaded(NodeCircuit of) {
        return of.rails().stream()
                .filter(rail -> rail.isOver() || rail.isAverageOver())
                .count();
    }

    /**
     * Where what nothing is brought to would hang if there were more current: the rail that has too little left, whether it is
     * the one that suits best or one that this is made from. Empty where another has enough, or none suits at all.
     */
    public Optional<Rail> usedUp(Unfed unfed) {
        Placed placed = unfed.placed();
        Supply supply = Behind.of(node, placed, unfed.ways().get(0));
        Current peak = feeds.peakOf(placed, supply);
        List<Rail> suiting = suiting(unfed);
        return suiting.stream().allMatch(rail -> !Room.isFor(node, rail, peak, Optional.empty()))
                ? suiting.stream().findFirst().flatMap(rail -> Room.narrow(node, rail, peak, Optional.empty()))
                : Optional.empty();
    }

    private List<Rail> suiting(Unfed unfed) {
        Placed placed = unfed.placed();
        Supply supply = Behind.of(node, placed, unfed.ways().get(0));
        return feeds.usuallySuiting(placed, supply, FeedTable.mayTurn(node, placed.cls(), supply))
                .toList();
    }
}
