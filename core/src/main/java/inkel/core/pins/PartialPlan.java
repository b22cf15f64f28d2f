package inkel.core.pins;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;

/**
 * As many parts of a table as get their pins, where all of them together do not, or nobody knows: parts are tried in halves,
 * and those halves in halves, each beside what is placed already. Every wire stays that is there.
 *
 * @param edits take it over as one step; none where no part more was placed
 * @param placed the ids of parts that got what they want
 * @param wires those of these parts
 * @param left the signals that still go nowhere
 * @param whole all of it as one plan, where nothing is left: a placement after all, if not the best one
 */
public record PartialPlan(
        List<Edit> edits, List<String> placed, List<Wire> wires, List<Endpoint> left, Optional<Plan> whole) {
    public PartialPlan {
        edits = List.copyOf(edits);
        placed = List.copyOf(placed);
        wires = List.copyOf(wires);
        left = List.copyOf(left);
    }

    /**
     * @param patience what is not tried once it is over is left
     * @throws CancellationException once nobody wants the answer any more
     */
    public static PartialPlan of(Build build, Catalog catalog, String node, Patience patience) {
        Search search = new Search(build, catalog, node, patience);
        search.place(List.copyOf(search.waiting), true);
        return search.made();
    }

    private static final class Search {
        private final Build build;
        private final Catalog catalog;
        private final String node;
        private final Patience patience;
        private final Set<String> waiting;
        private final List<Plan> plans = new ArrayList<>();
        private final List<String> placed = new ArrayList<>();
        private Build some;

        Search(Build build, Catalog catalog, String node, Patience patience) {
            this.build = build;
            this.catalog = catalog;
            this.node = node;
            this.patience = patience;
            waiting = new LinkedHashSet<>();
            loose(build).forEach(signal -> waiting.add(signal.part()));
            some = later(build, waiting, true);
        }

        private List<Endpoint> loose(Build of) {
            Circuit circuit = Circuit.of(of, catalog);
            NodeCircuit table = circuit.node(node).orElseThrow();
            NodePins pins = new NodePins(table, LinkEnd.of(circuit, node));
            Set<Endpoint> loose = new LinkedHashSet<>(pins.loose());
            loose.addAll(pins.floating());
            return List.copyOf(loose);
        }

        /** A part that is for later wants nothing yet. */
        private Build later(Build of, Iterable<String> parts, boolean isLater) {
            Build changed = of;
            for (String id : parts) {
                changed = changed.withNode(
                        node,
                        table -> table.withPart(id, part -> part.withSetting(Settings.LATER, isLater ? "yes" : null)));
            }
            return changed;
        }

        /** @param isAll whether these are all of them, which were tried together before */
        void place(List<String> parts, boolean isAll) {
            if (parts.isEmpty() || patience.isOver()) {
                return;
            } else if (patience.isStopped()) {
                throw new CancellationException();
            }
            boolean isDone = !isAll && isPlaced(parts);
            if (!isDone && parts.size() > 1) {
                int half = parts.size() / 2;
                place(parts.subList(0, half), false);
                place(parts.subList(half, parts.size()), false);
            }
        }

        private boolean isPlaced(List<String> parts) {
            Build tried = later(some, parts, false);
            Plan plan = new Planner(tried, catalog, patience).withoutReasons().planKeeping(node);
            if (!plan.placed()) {
                return false;
            }
            some = plan.takenBy(tried);
            plans.add(plan);
            placed.addAll(parts);
            return true;
        }

        /** Each plan has the wires of those before it. */
        private Plan joined() {
            Plan last = plans.get(plans.size() - 1);
            List<Feed> feeds = new ArrayList<>();
            List<Plan.LinkMove> moves = new ArrayList<>();
            Map<String, Integer> addresses = new LinkedHashMap<>();
            Set<String> bySoftware = new LinkedHashSet<>();
            plans.forEach(plan -> {
                feeds.addAll(plan.feeds());
                moves.addAll(plan.links());
                addresses.putAll(plan.addresses());
                bySoftware.addAll(plan.bySoftware());
            });
            return new Plan(
                    node,
                    true,
                    last.wires(),
                    feeds,
                    moves,
                    addresses,
                    bySoftware,
                    List.of(),
                    Optional.empty(),
                    List.of(),
                    false);
        }

        PartialPlan made() {
            try {
                List<Edit> edits =
                        plans.stream().flatMap(plan -> plan.edit().stream()).toList();
                Build after = Edit.applyAll(build, edits);
                List<Wire> wires = after.node(node).orElseThrow().wires().stream()
                        .filter(wire -> placed.contains(wire.from().part()))
                        .toList();
                List<Endpoint> left = loose(after);
                Optional<Plan> whole = left.isEmpty() && !plans.isEmpty() ? Optional.of(joined()) : Optional.empty();
                return new PartialPlan(edits, placed, wires, left, whole);
            } catch (EditRefused impossible) {
                throw new IllegalStateException("a plan does not fit the build it was made for", impossible);
            }
        }
    }
}
