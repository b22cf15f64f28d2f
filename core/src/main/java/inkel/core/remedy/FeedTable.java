package inkel.core.remedy;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.SaidWire;
import inkel.core.circuit.ServoFeed;
import inkel.core.circuit.Unfed;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Fix;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Feeds whatever of a table nothing is brought to, as each would be fed if it were put there now: from rails that are there,
 * with room enough, motors apart from the board unless the builder has the other habit. Nothing is bought; what no rail suits
 * stays as it is.
 */
public final class FeedTable {
    private final String nodeId;
    private final boolean areSwitchedLast;
    private final Set<String> passedOver = new HashSet<>();
    private boolean areLoadsCounted;
    private final List<Feed> feeds = new ArrayList<>();
    private Circuit circuit;

    /** In which turn what makes rails is fed: a fuse is next to the cell, and a switch behind what charges that. */
    private enum Turn {
        FUSE,
        CHARGER,
        SWITCH,
        OTHER
    }

    private FeedTable(Circuit circuit, String nodeId, boolean areSwitchedLast) {
        this.circuit = circuit;
        this.nodeId = nodeId;
        this.areSwitchedLast = areSwitchedLast;
    }

    /** What is fed from where; empty where nothing is to be done, or nothing that is there suits. */
    public static List<Feed> of(Circuit circuit, String node) {
        return table(circuit, node).feeds;
    }

    /** All fed: what is switched first, which leaves the others their room, or last, where its loads would take all of it. */
    private static FeedTable table(Circuit circuit, String node) {
        FeedTable first = new FeedTable(circuit, node, false).all();
        if (first.left() == 0) {
            return first;
        }
        FeedTable last = new FeedTable(circuit, node, true).all();
        return last.left() <= first.left() ? last : first;
    }

    private int left() {
        return Unfed.of(node()).size();
    }

    /**
     * All of it as a way out; empty where that is but one, or a rail suits only as long as it is at its usual voltage. It is
     * one for whatever {@link #feeds} something of.
     */
    public static Optional<Fix> fix(Circuit circuit, NodeCircuit node) {
        FeedTable table = table(circuit, node.node().id());
        List<Feed> feeds = table.feeds;
        if (feeds.size() < 2 || !feeds.stream().allMatch(feed -> isSure(table.node(), feed))) {
            return Optional.empty();
        }
        return Optional.of(new Fix(
                "feed-all",
                Fact.of("fix.feed_all").with("count", feeds.size()),
                Fact.of("fix.feed_all.cost")
                        .with(
                                "rails",
                                feeds.stream()
                                        .map(Feed::rail)
                                        .distinct()
                                        .map(rail -> RailNames.of(node, rail))
                                        .toList()),
                List.copyOf(feeds)));
    }

    /** Whether a way out feeds what is not fed. */
    public static boolean feeds(Fix fix, Unfed unfed) {
        return fix.edits().stream()
                .anyMatch(edit -> edit instanceof Feed feed
                        && feed.part().equals(unfed.placed().id())
                        && unfed.ways().stream().map(Supply::pin).anyMatch(feed.pin()::equals));
    }

    /** Whether a rail suits in all its range, once all is fed. */
    private static boolean isSure(NodeCircuit node, Feed feed) {
        Optional<Supply> supply =
                node.part(feed.part()).flatMap(placed -> placed.cls().supply(feed.pin()));
        return node.rail(feed.rail())
                .flatMap(Rail::volts)
                .filter(volts ->
                        supply.filter(pin -> FeedFixes.fits(volts, pin)).isPresent())
                .isPresent();
    }

    private FeedTable all() {
        // What a wire of the document brings is said, if not as a feed; so is a rail by another name.
        feeds.addAll(SaidWire.plainFeeds(node()));
        feeds.addAll(NamedRail.feeds(node()));
        circuit = after(feeds);
        if (areSwitchedLast) {
            makers(unfed -> !isForWaiting(node(), unfed.placed().cls()));
            allLoads(false);
            passedOver.clear();
        }
        makers(unfed -> true);
        // A board that switches stands for a load until it has one, which would leave no room for the others.
        allLoads(true);
        allLoads(false);
        // What is fed has its place on a rail, and only the wire to what switches it is left to be laid.
        areLoadsCounted = true;
        passedOver.clear();
        makers(unfed -> isForWiring(node(), unfed.placed().cls()));
        return this;
    }

    /** Once some are fed it shows which of their peaks never meet, and others may find room. */
    private void allLoads(boolean isOnScrews) {
        List<Feed> found = loads(isOnScrews);
        while (!found.isEmpty()) {
            feeds.addAll(found);
            found = loads(isOnScrews);
        }
    }

    private void makers(Predicate<Unfed> isAsked) {
        Optional<Unfed> next = next(isAsked);
        while (next.isPresent()) {
            List<Feed> found = feed(next.get());
            if (found.isEmpty()) {
                passedOver.add(key(next.get()));
            } else {
                feeds.addAll(found);
                circuit = after(found);
                // What found no rail may find one now.
                passedOver.clear();
            }
            next = next(isAsked);
        }
    }

    /** What makes no rail is fed at once, however much of it there is: each takes its share of what its rail has left. */
    private List<Feed> loads(boolean isOnScrews) {
        NodeCircuit node = node();
        Map<Endpoint, Current> taken = new HashMap<>();
        List<Feed> feeds = new ArrayList<>();
        for (Unfed unfed : Unfed.of(node)) {
            if (!isMaking(unfed)) {
                load(node, unfed, taken, isOnScrews).ifPresent(feeds::add);
            }
        }
        NodeCircuit after = after(feeds).node(nodeId).orElseThrow();
        Set<Endpoint> over = after.rails().stream()
                .filter(rail ->
                        rail.isOver() && !node.rail(rail.id()).orElseThrow().isOver())
                .map(Rail::id)
                .collect(Collectors.toSet());
        // What comes from a rail that is asked for too much further up is left to its builder.
        feeds.removeIf(feed -> node.upToSource(feed.rail()).stream().anyMatch(over::contains));
        circuit = after(feeds);
        return feeds;
    }

    private Optional<Feed> load(NodeCircuit node, Unfed unfed, Map<Endpoint, Current> taken, boolean isOnScrews) {
        PartClass cls = unfed.placed().cls();
        Supply supply = unfed.ways().get(0);
        Current peak = cls.peak(supply.pin());
        Optional<Rail> found = suiting(node, unfed, supply, cls)
                .filter(rail -> LoadScrews.isOne(node, rail) == isOnScrews)
                .filter(rail -> !isOnScrews || !taken.containsKey(rail.id()))
                .filter(rail -> isOnScrews
                        || node.upToSource(rail.id()).stream()
                                .flatMap(id -> node.rail(id).stream())
                                .filter(above -> !above.isOver() || Room.isMuch(node, rail, above, peak))
                                .noneMatch(above -> taken.getOrDefault(above.id(), Current.ZERO)
                                        .plus(Room.drawn(node, rail, above, peak))
                                        .isAbove(above.room())))
                // One that is asked for too much as it is has a little more where no other has room.
                .min(Comparator.comparing(Rail::isOver));
        found.ifPresent(rail -> node.upToSource(rail.id()).stream()
                .flatMap(id -> node.rail(id).stream())
                .forEach(above -> taken.merge(above.id(), Room.drawn(node, rail, above, peak), Current::plus)));
        return found.map(rail -> new Feed(nodeId, unfed.placed().id(), supply.pin(), rail.id()));
    }

    private NodeCircuit node() {
        return circuit.node(nodeId).orElseThrow();
    }

    private static String key(Unfed unfed) {
        return unfed.placed().id() + "." + unfed.ways().get(0).pin();
    }

    static boolean isMaking(Unfed unfed) {
        return unfed.placed().part().isBoard()
                || !unfed.placed().cls().outputs().isEmpty();
    }

    /** What makes rails: what stands in a line, behind which the others are fed, then the board. */
    private Optional<Unfed> next(Predicate<Unfed> isAsked) {
        return Unfed.of(node()).stream()
                .filter(unfed -> isMaking(unfed) && !passedOver.contains(key(unfed)))
                .filter(isAsked)
                .min(Comparator.comparing(FeedTable::turn));
    }

    private static Turn turn(Unfed unfed) {
        PartClass cls = unfed.placed().cls();
        if (cls.isPlainLine()) {
            return cls.outputs().stream().anyMatch(Output::isFuse) ? Turn.FUSE : Turn.SWITCH;
        }
        return unfed.ways().get(0).isForCell() ? Turn.CHARGER : Turn.OTHER;
    }

    /** How what makes rails is fed; with the load that it switches, where one waits for it and that makes room. */
    private List<Feed> feed(Unfed unfed) {
        NodeCircuit node = node();
        PartClass cls = unfed.placed().cls();
        List<Supply> ways = new ArrayList<>(unfed.ways());
        ways.sort(Comparator.comparing(way -> !unfed.isNamed(node, way)));
        boolean isSwitching = isForWaiting(node, cls) && !areSwitchedLast;
        return ways.stream()
                .flatMap(supply -> suiting(node, unfed, supply, isSwitching || areLoadsCounted ? cls.loaded() : cls)
                        .map(rail -> new Feed(nodeId, unfed.placed().id(), supply.pin(), rail.id())))
                .flatMap(feed -> isSwitching
                        ? Stream.concat(Stream.of(List.of(feed)), withLoad(feed).stream())
                        : Stream.of(List.of(feed)))
                .filter(found -> !isSwitching || isBorne(found))
                .findFirst()
                .orElse(List.of());
    }

    private boolean isBorne(List<Feed> found) {
        return Room.over(after(found), nodeId) <= Room.over(circuit, nodeId);
    }

    /** Until a load hangs on what switches it, that stands for a large one, which no rail may have left. */
    private Optional<List<Feed>> withLoad(Feed feed) {
        NodeCircuit fed = after(List.of(feed)).node(nodeId).orElseThrow();
        return Unfed.of(fed).stream()
                .filter(unfed -> !isMaking(unfed))
                .flatMap(unfed -> suiting(
                                fed, unfed, unfed.ways().get(0), unfed.placed().cls())
                        .filter(rail -> rail.id().part().equals(feed.part()) && LoadScrews.isOne(fed, rail))
                        .map(rail -> List.of(
                                feed,
                                new Feed(
                                        nodeId,
                                        unfed.placed().id(),
                                        unfed.ways().get(0).pin(),
                                        rail.id()))))
                .findFirst();
    }

    /** The rails for one of the ways of what is not fed, best first. */
    private static Stream<Rail> suiting(NodeCircuit node, Unfed unfed, Supply supply, PartClass cls) {
        Predicate<Endpoint> isAllowed = mayTurn(node, cls, supply);
        boolean isBoard = unfed.placed().part().isBoard();
        boolean isPlug = cls.pin(supply.pin()).filter(Pin::isSocket).isPresent();
        return AddParts.rails(node, cls, supply)
                .filter(rail -> !node.isMadeFrom(rail.id(), unfed.placed().id()))
                .filter(rail -> !isPlug || rail.isSource())
                .filter(rail -> isAllowed.test(rail.id()) && (!isBoard || isNeverTooHigh(rail, supply)))
                .sorted(Comparator.comparing(rail -> isOfBoard(node, cls, supply, rail)));
    }

    /** What all else hangs on is not fed at its upper end; a battery may well fall below its lower one some day. */
    private static boolean isNeverTooHigh(Rail rail, Supply supply) {
        return rail.nominal()
                .filter(volts -> !volts.highest().isAbove(supply.range().range().highest()))
                .isPresent();
    }

    /** Whether a part stands for a load that it does not know yet, and one waits to be hung on it. */
    private static boolean isForWaiting(NodeCircuit node, PartClass cls) {
        return isStandingIn(cls)
                && Unfed.of(node).stream()
                        .flatMap(unfed -> unfed.placed().cls().demands().pinLoads().stream())
                        .anyMatch(PinLoad::isFromSupply);
    }

    /** Asked of a rail for a pin: whether it is one for motors, where the pin is a motor's. */
    static Predicate<Endpoint> mayTurn(NodeCircuit node, PartClass cls, Supply supply) {
        boolean isServo = ServoFeed.isServo(cls);
        boolean mayStay = isServo && node.habits().is(Habit.SERVO_SUPPLY, Habit.ServoSupply.BOARD);
        if (!isMotor(cls, supply) || mayStay) {
            return rail -> true;
        }
        // A vehicle has one pack, of which its motors have the most; a servo's jerks reach the board through it.
        return rail -> isServo
                ? PutParts.isApart(node, rail)
                : !node.isMadeFrom(rail, Part.BOARD) && !PutParts.isOfDriver(node, rail);
    }

    private static boolean isMotor(PartClass cls, Supply supply) {
        return PutParts.motorPin(cls).filter(supply::equals).isPresent();
    }

    /** A rail that the board hangs on too comes last for a motor. */
    private static boolean isOfBoard(NodeCircuit node, PartClass cls, Supply supply, Rail rail) {
        return isMotor(cls, supply) && !PutParts.isApart(node, rail.id());
    }

    /** Whether a part stands for a load that it does not know yet, and one more that is fed waits for a wire than such parts are. */
    private static boolean isForWiring(NodeCircuit node, PartClass cls) {
        long waiting = node.parts().stream()
                .filter(placed -> !placed.isForLater() && isWaiting(node, placed))
                .count();
        long fed = node.parts().stream()
                .filter(placed -> isStandingIn(placed.cls()))
                .filter(placed -> !placed.part().feeds().isEmpty())
                .count();
        return isStandingIn(cls) && waiting > fed;
    }

    private static boolean isStandingIn(PartClass cls) {
        return !cls.loaded().equals(cls);
    }

    private static boolean isWaiting(NodeCircuit node, Placed placed) {
        return placed.cls().demands().pinLoads().stream()
                .filter(load ->
                        load.from().filter(placed.part().feeds()::containsKey).isPresent())
                .anyMatch(
                        load -> node.wire(new Endpoint(placed.id(), load.pin())).isEmpty());
    }

    private Circuit after(List<Feed> feeds) {
        try {
            return Circuit.of(Edit.applyAll(circuit.build(), feeds), circuit.catalog());
        } catch (EditRefused impossible) {
            throw new IllegalStateException("a pin cannot be fed that a rail was found for", impossible);
        }
    }
}
