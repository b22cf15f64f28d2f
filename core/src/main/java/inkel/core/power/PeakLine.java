package inkel.core.power;

import inkel.core.catalog.Burst;
import inkel.core.circuit.Loads;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Round;
import inkel.core.circuit.Scenario;
import inkel.core.document.Endpoint;
import inkel.core.document.Moment;
import inkel.core.quantity.Current;
import inkel.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * What flows in a rail over one round of the sketch, exactly: it only changes where a moment or a burst begins or ends.
 * Moments that may come at any time, and parts that no moment names, are always at their worst.
 */
public final class PeakLine {
    private final NodeCircuit node;
    private final List<Round.Span> spans;
    private final Map<State, Map<Endpoint, Current>> known = new HashMap<>();

    /** The current from a time on, in seconds from the start of the round. */
    public record Step(double from, Current current) {}

    /** What is on, and which parts are just between two bursts. */
    private record State(Set<String> on, Set<String> between) {}

    public PeakLine(NodeCircuit node) {
        this.node = node;
        spans = node.round().spans();
    }

    public NodeCircuit node() {
        return node;
    }

    /** How long a round is, in seconds; zero when nothing stands in it. */
    public double length() {
        return node.round().length().seconds();
    }

    /** What flows in a rail at a time of the round. */
    public Current at(Endpoint rail, double seconds) {
        return currents(state(seconds)).get(rail);
    }

    /**
     * The line between two times.
     *
     * @param most above this many changes bursts are drawn as a band at their height instead of one by one
     */
    public List<Step> steps(Endpoint rail, double from, double to, int most) {
        TreeSet<Double> edges = edges(from, to);
        TreeSet<Double> all = new TreeSet<>(edges);
        boolean areBurstsShown = addBursts(all, from, to, most);
        List<Step> steps = new ArrayList<>();
        for (double edge : areBurstsShown ? all : edges) {
            State state = state(edge);
            Current current = currents(areBurstsShown ? state : new State(state.on(), Set.of()))
                    .get(rail);
            boolean isSame =
                    !steps.isEmpty() && steps.get(steps.size() - 1).current().equals(current);
            if (!isSame) {
                steps.add(new Step(edge, current));
            }
        }
        return steps;
    }

    private TreeSet<Double> edges(double from, double to) {
        TreeSet<Double> edges = new TreeSet<>();
        edges.add(from);
        for (Round.Span span : spans) {
            addWithin(edges, span.from(), from, to);
            addWithin(edges, span.to(), from, to);
        }
        return edges;
    }

    private static void addWithin(TreeSet<Double> edges, double edge, double from, double to) {
        if (edge > from && edge < to) {
            edges.add(edge);
        }
    }

    private boolean addBursts(TreeSet<Double> edges, double from, double to, int most) {
        for (Round.Span span : spans) {
            for (Burst burst : bursts(span)) {
                double begin = Math.max(from, span.from());
                double end = Math.min(to, span.to());
                double period = burst.period().seconds();
                if (end > begin && (end - begin) / period * 2 + edges.size() > most) {
                    return false;
                }
                double first = Math.floor((begin - span.from()) / period);
                for (double count = Math.max(0, first); span.from() + count * period < end; count++) {
                    double start = span.from() + count * period;
                    addWithin(edges, start, from, to);
                    addWithin(edges, Math.min(start + burst.time().seconds(), span.to()), from, to);
                }
            }
        }
        return true;
    }

    /** The bursts of the parts that a moment puts in the mode that bursts. */
    private List<Burst> bursts(Round.Span span) {
        return bursting(span).stream()
                .filter(placed -> placed.capacitor().isEmpty())
                .flatMap(placed -> placed.cls().bursts().stream())
                .toList();
    }

    private List<Placed> bursting(Round.Span span) {
        return node.node().moment(span.moment()).stream()
                .flatMap(moment -> moment.raises().stream())
                .filter(raise -> raise.mode().equals(Loads.BURST_MODE))
                .flatMap(raise -> node.part(raise.part()).stream())
                .filter(placed -> !placed.cls().bursts().isEmpty())
                .toList();
    }

    private State state(double seconds) {
        Set<String> on = new TreeSet<>();
        Set<String> between = new TreeSet<>();
        Set<String> inside = new TreeSet<>();
        for (Round.Span span : spans) {
            if (span.from() <= seconds && seconds < span.to() - Round.TINY) {
                on.add(span.moment());
                for (Placed placed : bursting(span)) {
                    boolean isInside = placed.cls().bursts().stream()
                            .anyMatch(burst -> phase(seconds - span.from(), burst)
                                    < burst.time().seconds() - Round.TINY);
                    (isInside ? inside : between).add(placed.id());
                }
            }
        }
        between.removeAll(inside);
        between.removeAll(freelyBursting());
        return new State(on, between);
    }

    private static double phase(double since, Burst burst) {
        double period = burst.period().seconds();
        double phase = since - Math.floor(since / period + Round.TINY) * period;
        return Math.max(0, phase);
    }

    /** Parts that a moment without a place may put in bursts at any time. */
    private Set<String> freelyBursting() {
        return node.node().moments().stream()
                .filter(moment -> moment.at().isEmpty())
                .flatMap(moment -> moment.raises().stream())
                .filter(raise -> raise.mode().equals(Loads.BURST_MODE))
                .map(Moment.Raise::part)
                .collect(Collectors.toSet());
    }

    private Map<Endpoint, Current> currents(State state) {
        return known.computeIfAbsent(state, this::work);
    }

    private Map<Endpoint, Current> work(State state) {
        Map<Endpoint, Current> worst = new HashMap<>();
        for (Set<String> together : Scenario.largest(node.node().moments(), state.on())) {
            node.currents((placed, supply) -> node.loads()
                            .during(placed, supply, together, !state.between().contains(placed.id())))
                    .forEach((rail, current) -> worst.merge(rail, current, Quantity::larger));
        }
        return worst;
    }
}
