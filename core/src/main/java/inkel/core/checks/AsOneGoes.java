package inkel.core.checks;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/**
 * Sharing out as a builder goes on: what an edit left without a pin gets one, and as little as possible moves for it. Wires
 * that are plugged or held stay where they are in any case; others move only where that leaves less to stop for or to look
 * at. What has no place is left out, with why and what would help, and all the others are shared out.
 */
public final class AsOneGoes {
    private final Build build;
    private final Catalog catalog;
    private final String nodeId;
    private final BooleanSupplier isStopped;

    private AsOneGoes(Build build, Catalog catalog, String nodeId, BooleanSupplier isStopped) {
        this.build = build;
        this.catalog = catalog;
        this.nodeId = nodeId;
        this.isStopped = isStopped;
    }

    /**
     * The boards on which an edit of parts, or of wires between boards, brought something to share out, or made room for what
     * had none; none where the builder has the habit of {@link Habit.Sharing#WHEN_ASKED}, and none for an edit of wires
     * alone: those are the builder's.
     *
     * @param after the build that the edit made
     */
    public static List<String> due(Build before, Build after, Catalog catalog) {
        boolean isHabit = after.habits().is(Habit.SHARING, Habit.Sharing.AS_ONE_GOES);
        List<String> edited = after.nodes().stream()
                .filter(node -> before.node(node.id())
                                .filter(old -> old.parts().equals(node.parts()))
                                .isEmpty()
                        || !before.links().equals(after.links()))
                .map(Node::id)
                .toList();
        if (!isHabit || edited.isEmpty()) {
            return List.of();
        }
        PinReport old = PinReport.of(Circuit.of(before, catalog));
        PinReport now = PinReport.of(Circuit.of(after, catalog));
        return edited.stream()
                .filter(id -> isDue(old.node(id), now.node(id).orElseThrow()))
                .toList();
    }

    private static boolean isDue(Optional<NodePins> old, NodePins now) {
        Set<Endpoint> left = left(now);
        Set<Endpoint> before = old.map(AsOneGoes::left).orElse(Set.of());
        boolean hasRoom = old.isPresent()
                && old.get().node().parts().size() > now.node().parts().size();
        return !before.containsAll(left) || hasRoom && !left.isEmpty();
    }

    /** Signals that go nowhere, or where they cannot be. */
    private static Set<Endpoint> left(NodePins pins) {
        Set<Endpoint> left = new HashSet<>(pins.loose());
        left.addAll(pins.floating());
        pins.misplaced().forEach(wire -> left.add(wire.from()));
        pins.contested().forEach(pin -> pin.wires().forEach(wire -> left.add(wire.from())));
        return left;
    }

    /**
     * A placement of all that can be placed on a board.
     *
     * @return with a {@link Plan#clash} where something is left out; empty where nothing was found in time
     * @throws CancellationException once nobody wants the answer any more
     */
    public static Optional<Plan> of(Build build, Catalog catalog, String node, BooleanSupplier isStopped) {
        return new AsOneGoes(build, catalog, node, isStopped).plan();
    }

    private Optional<Plan> plan() {
        Plan first = settled();
        Plan plan = first;
        Build without = build;
        List<Part> leavable = new ArrayList<>(build.node(nodeId).orElseThrow().parts());
        while (!plan.placed() && !plan.clash().isEmpty()) {
            Optional<Part> leaves = lastOf(leavable, plan.clash());
            if (leaves.isEmpty()) {
                return Optional.empty();
            }
            leavable.remove(leaves.get());
            String id = leaves.get().id();
            without = without.withNode(
                    nodeId, node -> node.withPart(id, part -> part.withSetting(Settings.LATER, "yes")));
            plan = new AsOneGoes(without, catalog, nodeId, isStopped).settled();
        }
        return plan.placed() ? Optional.of(plan == first ? plan : plan.without(first)) : Optional.empty();
    }

    /** With every wire where it is, unless it is better that those which are neither plugged nor held move. */
    private Plan settled() {
        Planner planner = new Planner(build, catalog, isStopped);
        Plan kept = planner.planKeeping(nodeId);
        if (kept.placed() && kept.bySoftware().isEmpty() && troubles(kept).isNone()) {
            return kept;
        }
        Plan free = planner.planAroundPlugged(nodeId);
        if (!free.placed() || !kept.placed()) {
            return kept.placed() ? kept : free;
        }
        boolean isBetter = free.bySoftware().size() < kept.bySoftware().size()
                || free.bySoftware().size() == kept.bySoftware().size()
                        && troubles(free).isLess(troubles(kept));
        return isBetter ? free : kept;
    }

    /** What there is to stop for and to look at about pins and levels. */
    private record Troubles(long stops, long looks) {
        boolean isNone() {
            return stops == 0 && looks == 0;
        }

        boolean isLess(Troubles other) {
            return stops != other.stops ? stops < other.stops : looks < other.looks;
        }
    }

    private Troubles troubles(Plan plan) {
        Build planned = plan.takenBy(build);
        List<Finding> about = Assessment.assess(planned, catalog).findings().stream()
                .filter(finding -> finding.place().node().equals(nodeId))
                .filter(finding ->
                        finding.rule().stage() == Stage.PINS || finding.rule().stage() == Stage.LEVELS)
                .toList();
        return new Troubles(count(about, Severity.STOP), count(about, Severity.LOOK));
    }

    private static long count(List<Finding> findings, Severity severity) {
        return findings.stream()
                .filter(finding -> finding.severity() == severity)
                .count();
    }

    /** Of the parts that cannot have what they want together, the one that came last and is not wired yet, else the last. */
    private Optional<Part> lastOf(List<Part> parts, List<Endpoint> clash) {
        Set<String> clashing = clash.stream().map(Endpoint::part).collect(Collectors.toSet());
        List<Part> among = parts.stream()
                .filter(part -> !part.isBoard() && clashing.contains(part.id()))
                .toList();
        Set<String> wired = build.node(nodeId).orElseThrow().wires().stream()
                .map(wire -> wire.from().part())
                .collect(Collectors.toSet());
        return among.stream()
                .filter(part -> !wired.contains(part.id()))
                .reduce((one, other) -> other)
                .or(() -> among.stream().reduce((one, other) -> other));
    }
}
