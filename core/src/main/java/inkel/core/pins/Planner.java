package inkel.core.pins;

import inkel.core.catalog.BusLine;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.SaidWire;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.remedy.StrapWires;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.BooleanSupplier;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** Shares out the pins and addresses of a node. */
public final class Planner {
    private final Build build;
    private final Catalog catalog;
    private final Patience patience;
    private final boolean isExplained;
    private final List<Feed> feeds;

    public Planner(Build build, Catalog catalog) {
        this(build, catalog, Patience.endless(() -> false));
    }

    /**
     * @param isStopped whether nobody wants the answer any more; asked from the planning thread, often. Once it says so,
     *     every method ends with a {@link java.util.concurrent.CancellationException}
     */
    public Planner(Build build, Catalog catalog, BooleanSupplier isStopped) {
        this(build, catalog, Patience.endless(isStopped));
    }

    /** As {@link #Planner(Build, Catalog, BooleanSupplier)}, with what was found by then once the time is over. */
    public Planner(Build build, Catalog catalog, Patience patience) {
        this(build, catalog, patience, true);
    }

    private Planner(Build build, Catalog catalog, Patience patience, boolean isExplained) {
        feeds = new ArrayList<>();
        this.build = meant(build, catalog, feeds);
        this.catalog = catalog;
        this.patience = patience;
        this.isExplained = isExplained;
    }

    private Planner(Planner explained) {
        build = explained.build;
        catalog = explained.catalog;
        patience = explained.patience;
        feeds = explained.feeds;
        isExplained = false;
    }

    /** With the wires that begin at no signal said as they are meant, so that a plan, which has them no more, loses nothing. */
    private static Build meant(Build build, Catalog catalog, List<Feed> feeds) {
        Catalog whole = build.classesIn(catalog);
        boolean hasAny = build.nodes().stream().anyMatch(node -> node.wires().stream()
                .anyMatch(wire -> node.part(wire.from().part())
                        .flatMap(part -> whole.find(part.classId()))
                        .flatMap(cls -> cls.pin(wire.from().pin()))
                        .filter(pin -> !pin.use().isSignal())
                        .isPresent()));
        if (!hasAny) {
            return build;
        }
        List<Edit> edits = new ArrayList<>();
        for (NodeCircuit node : Circuit.of(build, catalog).nodes()) {
            edits.addAll(SaidWire.meant(node));
            feeds.addAll(SaidWire.feeds(node));
        }
        try {
            return Edit.applyAll(build, edits);
        } catch (EditRefused impossible) {
            throw new IllegalStateException("what a wire says cannot be said", impossible);
        }
    }

    /** A build with the wires that begin at no signal said as they are meant, which is what a plan of it stands on. */
    public static Build asMeant(Build build, Catalog catalog) {
        return meant(build, catalog, new ArrayList<>());
    }

    private List<Feed> feeds(String nodeId) {
        return feeds.stream().filter(feed -> feed.node().equals(nodeId)).toList();
    }

    /**
     * A placement that meets every want and keeps what the builder holds, or the smallest set of wants that clash.
     *
     * @throws IllegalArgumentException when there is no such node
     */
    public Plan plan(String nodeId) {
        return plan(nodeId, Emphasis.STEADY);
    }

    /** As {@link #plan(String)}, made best at something. */
    public Plan plan(String nodeId, Emphasis emphasis) {
        Plan plan = planOnce(nodeId, emphasis);
        return plan.placed() ? withWhatItAsksFor(plan, emphasis) : plan;
    }

    /**
     * A wire from part to part may make pins wanted that were not before: the inputs of the bridge that a motor got. They are
     * shared out with all others, and with those wires held; where they have no place, that is told of the plan without them.
     */
    private Plan withWhatItAsksFor(Plan plan, Emphasis emphasis) {
        String id = plan.node();
        List<Wire> asking = mayAsk(id) ? asking(plan) : List.of();
        if (asking.isEmpty()) {
            return plan;
        }
        Build held = build.withNode(
                id,
                old -> old.withWires(Stream.concat(
                                old.wires().stream().filter(wire -> asking.stream()
                                        .noneMatch(other -> other.from().equals(wire.from()))),
                                asking.stream().map(Planner::held))
                        .toList()));
        Plan more = new Planner(held, catalog, patience, false).planOnce(id, emphasis);
        Map<Endpoint, Wire> before = new HashMap<>();
        asking.forEach(wire -> before.put(wire.from(), wire));
        return more.placed()
                ? more.withWires(more.wires().stream()
                                .map(wire -> before.getOrDefault(wire.from(), wire))
                                .toList())
                        .withFeeds(plan.feeds())
                : plan;
    }

    private boolean mayAsk(String nodeId) {
        return build.node(nodeId).orElseThrow().parts().stream()
                .flatMap(part -> catalog.find(part.classId()).stream())
                .flatMap(PartClass::signals)
                .anyMatch(pin -> !pin.wantedWith().isEmpty());
    }

    /** The wires of a plan, not there before, that end where they make another pin wanted. */
    private List<Wire> asking(Plan plan) {
        NodeCircuit before = circuit(build, plan.node());
        return plan.wires().stream()
                .filter(wire -> before.node().wires().stream()
                        .noneMatch(old ->
                                old.from().equals(wire.from()) && old.to().equals(wire.to())))
                .filter(wire -> before.part(wire.to().part()).stream()
                        .flatMap(placed -> placed.cls().signals())
                        .anyMatch(pin -> pin.wantedWith().contains(wire.to().pin())))
                .toList();
    }

    private Plan planOnce(String nodeId, Emphasis emphasis) {
        Circuit circuit = Circuit.of(build, catalog);
        NodeCircuit node = node(circuit, nodeId);
        List<Want> wants = Want.of(node, LinkEnd.of(circuit, nodeId));
        PinDomain domain = new PinDomain(node, patience);
        Optional<PinModel.Answer> answer = PinModel.solve(domain, wants, Price.of(emphasis));
        return answer.map(found -> placed(node, found))
                .orElseGet(() -> isExplained ? refused(domain, wants) : Plan.unknown(nodeId));
    }

    /** The same without a search for what clashes: a plan that places nothing says no more than that. */
    Planner withoutReasons() {
        return new Planner(this);
    }

    /**
     * As {@link #plan(String)}, with every wire left where it is that can stay there: only what goes nowhere is shared out,
     * and what two signals want or a pin cannot do.
     */
    public Plan planKeeping(String nodeId) {
        Circuit circuit = Circuit.of(build, catalog);
        Set<Endpoint> moving = new HashSet<>();
        NodePins pins = new NodePins(node(circuit, nodeId), LinkEnd.of(circuit, nodeId));
        pins.misplaced().forEach(wire -> moving.add(wire.from()));
        pins.contested().forEach(pin -> pin.wires().forEach(wire -> moving.add(wire.from())));
        return planHolding(nodeId, wire -> !moving.contains(wire.from()));
    }

    /** As {@link #plan(String)}, with every plugged wire left where it is. */
    public Plan planAroundPlugged(String nodeId) {
        NodeCircuit node = circuit(build, nodeId);
        return planHolding(nodeId, wire -> node.isPlugged(wire.from()));
    }

    /** With some wires held for this plan alone. */
    private Plan planHolding(String nodeId, Predicate<Wire> isHeld) {
        Build kept = build.withNode(
                nodeId,
                old -> old.withWires(old.wires().stream()
                        .map(wire -> isHeld.test(wire) ? held(wire) : wire)
                        .toList()));
        Plan plan = new Planner(kept, catalog, patience, isExplained).plan(nodeId);
        Map<Wire, Wire> before = new HashMap<>();
        build.node(nodeId).orElseThrow().wires().forEach(wire -> before.put(held(wire), wire));
        return plan.withWires(plan.wires().stream()
                        .map(wire -> before.getOrDefault(wire, wire))
                        .toList())
                .withFeeds(plan.placed() ? feeds(nodeId) : List.of());
    }

    private static Wire held(Wire wire) {
        return new Wire(wire.from(), wire.to(), true, wire.reason(), wire.extras());
    }

    private Plan placed(NodeCircuit node, PinModel.Answer answer) {
        Set<Plan.LinkMove> links = new LinkedHashSet<>();
        answer.where().forEach((want, target) -> want.link()
                .filter(end -> !end.pin().equals(target))
                .ifPresent(end -> links.add(new Plan.LinkMove(end, target))));
        return new Plan(
                node.node().id(),
                true,
                wires(node, answer),
                feeds(node.node().id()),
                List.copyOf(links),
                answer.addresses(),
                answer.bySoftware(),
                List.of(),
                Optional.empty(),
                List.of(),
                answer.complete());
    }

    private Plan refused(PinDomain domain, List<Want> wants) {
        NodeCircuit node = domain.node();
        String id = node.node().id();
        boolean isProven = PinModel.isPossible(domain, wants) == PinModel.Possible.NO;
        if (!isProven) {
            return Plan.unknown(id);
        }
        List<Want> clash = smallestClash(domain, wants);
        return new Plan(
                id,
                false,
                List.of(),
                List.of(),
                List.of(),
                Map.of(),
                Set.of(),
                clash.stream().map(Want::signal).toList(),
                PinMatching.shortage(domain, clash),
                new WaysOut(build, catalog, node, clash, patience).list(),
                true);
    }

    private static List<Want> smallestClash(PinDomain domain, List<Want> wants) {
        SmallestClash<Want> smallest =
                new SmallestClash<>(some -> PinModel.isPossible(domain, some) == PinModel.Possible.NO);
        if (!PinMatching.isTooFull(domain, wants)) {
            return smallest.of(smallest.narrowed(ofOneKind(wants)).orElse(wants));
        }
        // Too few pins are found without a model; what that leaves is smallest unless timers or ports bind it too.
        List<Want> crowd = new SmallestClash<Want>(some -> PinMatching.isTooFull(domain, some)).of(wants);
        return smallest.thinned(crowd);
    }

    /** Most clashes are among wants of one kind, where they are found much sooner. */
    private static List<List<Want>> ofOneKind(List<Want> wants) {
        Map<Object, List<Want>> kinds = new LinkedHashMap<>();
        wants.forEach(want -> kinds.computeIfAbsent(
                        want.use()
                                .sharedLine()
                                .<Object>map(BusLine::bus)
                                .orElse(want.use().isSerial() ? PinUse.UART_TX : want.use()),
                        kind -> new ArrayList<>())
                .add(want));
        return List.copyOf(kinds.values());
    }

    /** Up to three different placements, each best at something; none when there is no placement. */
    public List<Alternative> alternatives(String nodeId) {
        NodeCircuit before = circuit(build, nodeId);
        List<Alternative> found = new ArrayList<>();
        Set<Map<Endpoint, Endpoint>> seen = new HashSet<>();
        for (Emphasis emphasis : Emphasis.values()) {
            Plan plan = plan(nodeId, emphasis);
            if (plan.placed() && seen.add(places(plan))) {
                found.add(new Alternative(emphasis, plan, Merits.of(before, circuit(plan.takenBy(build), nodeId))));
            }
        }
        return found;
    }

    private static Map<Endpoint, Endpoint> places(Plan plan) {
        Map<Endpoint, Endpoint> places = new LinkedHashMap<>();
        plan.wires().forEach(wire -> places.put(wire.from(), wire.to()));
        return places;
    }

    /** What there is to say for the wires as they are now. */
    public Merits merits(String nodeId) {
        NodeCircuit now = circuit(build, nodeId);
        return Merits.of(now, now);
    }

    /** Shares out every node in turn, each with what the ones before it came to. */
    public List<Plan> planAll() {
        return planAll(Planner::plan);
    }

    /** Every node as {@link #planKeeping} does it, one after the other. */
    public List<Plan> planAllKeeping() {
        return planAll(Planner::planKeeping);
    }

    private List<Plan> planAll(BiFunction<Planner, String, Plan> how) {
        List<Plan> plans = new ArrayList<>();
        Build at = build;
        for (Node node : build.nodes()) {
            Plan plan = how.apply(new Planner(at, catalog, patience), node.id());
            plans.add(plan);
            at = plan.takenBy(at);
        }
        return plans;
    }

    private NodeCircuit circuit(Build of, String nodeId) {
        return node(Circuit.of(of, catalog), nodeId);
    }

    private static NodeCircuit node(Circuit circuit, String nodeId) {
        return circuit.node(nodeId).orElseThrow(() -> new IllegalArgumentException("no node " + nodeId));
    }

    private static List<Wire> wires(NodeCircuit node, PinModel.Answer answer) {
        Map<Endpoint, Wire> placed = new LinkedHashMap<>();
        answer.where().forEach((want, target) -> {
            if (want.link().isEmpty()) {
                placed.put(want.signal(), PinModel.wire(want, target));
            }
        });
        answer.addresses().forEach((part, address) -> strap(node, part, address, placed));
        List<Wire> wires = new ArrayList<>();
        node.signals().forEach(signal -> Optional.ofNullable(placed.get(signal))
                .or(() -> node.wire(signal).filter(wire -> !isStrapLeft(node, answer, signal)))
                .ifPresent(wires::add));
        return wires;
    }

    /** The ties of a part's straps for its address; what the builder holds stays. */
    private static void strap(NodeCircuit node, String part, int address, Map<Endpoint, Wire> placed) {
        StrapWires.of(node, node.part(part).orElseThrow(), address)
                .forEach((pin, to) -> to.filter(target -> !isHeld(node, pin))
                        .ifPresent(target -> placed.put(
                                pin,
                                node.wire(pin)
                                        .filter(now -> now.to().equals(target))
                                        .orElseGet(() -> Wire.placed(pin, target)))));
    }

    private static boolean isHeld(NodeCircuit node, Endpoint pin) {
        return node.wire(pin).filter(Wire::held).isPresent();
    }

    /** Whether a strap pin is left to the part at the address that it gets. */
    private static boolean isStrapLeft(NodeCircuit node, PinModel.Answer answer, Endpoint pin) {
        Integer address = answer.addresses().get(pin.part());
        return address != null
                && !isHeld(node, pin)
                && StrapWires.of(node, node.part(pin.part()).orElseThrow(), address)
                        .getOrDefault(pin, Optional.of(pin))
                        .isEmpty();
    }
}
