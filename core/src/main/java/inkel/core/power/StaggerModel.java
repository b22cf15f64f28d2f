package inkel.core.power;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.circuit.Round;
import inkel.core.document.Endpoint;
import inkel.core.document.Moment;
import inkel.core.quantity.Current;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.Solution;
import org.chocosolver.solver.Solver;
import org.chocosolver.solver.search.strategy.Search;
import org.chocosolver.solver.variables.IntVar;
import org.chocosolver.solver.variables.Task;

/**
 * Moving moments apart in the round as a constraint model: each rail is a resource as large as its rating leaves room,
 * each time a moment is on is a task that takes some of it. The least total delay that fits is looked for.
 */
final class StaggerModel {
    /** Currents are counted in tenths of a milliampere, rounded so that the sum is never too low. */
    private static final double AMPERES_PER_STEP = 1e-4;

    /** The round is cut into at most this many steps of time, never finer than a tenth of a millisecond. */
    private static final int TIME_STEPS = 20_000;

    private static final double FINEST_SECONDS = 1e-4;

    /** More times than this of one moment are taken as one that lasts over all of them. */
    private static final int MOST_TIMES = 60;

    /** Ends the search for something better; counted in failures so that the outcome is the same on every machine. */
    private static final long FAIL_LIMIT = 20_000;

    private final NodeCircuit node;
    private final double stepSeconds;
    private final int horizon;
    private final Model model = new Model("moments");
    private final Map<Moment, IntVar> starts = new LinkedHashMap<>();
    private final List<Busy> busy = new ArrayList<>();

    /** One time that a moment is on, as a task. */
    private record Busy(Moment moment, Task task) {}

    private StaggerModel(NodeCircuit node) {
        this.node = node;
        double sum = node.node().moments().stream()
                .mapToDouble(moment -> moment.length().seconds())
                .sum();
        double seconds = node.round().length().seconds() + sum;
        stepSeconds = Math.max(commonStep(), seconds / TIME_STEPS);
        horizon = steps(seconds) + 1;
    }

    /**
     * The largest time that all lengths, repeats and places are multiples of. Where moments are only ever put behind one
     * another, no better start lies between its multiples.
     */
    private double commonStep() {
        long common = 0;
        for (Moment moment : node.node().moments()) {
            common = gcd(common, Math.round(moment.length().seconds() / FINEST_SECONDS));
            common = gcd(common, finest(moment.repeat()));
            common = gcd(common, finest(moment.at()));
        }
        return Math.max(1, common) * FINEST_SECONDS;
    }

    private static long finest(Optional<TimeSpan> time) {
        return time.map(given -> Math.round(given.seconds() / FINEST_SECONDS)).orElse(0L);
    }

    private static long gcd(long one, long other) {
        return other == 0 ? one : gcd(other, one % other);
    }

    /** A start for every moment so that no rail is over its rating; empty when there is none, or none was found. */
    static Optional<Map<String, TimeSpan>> solve(NodeCircuit node, BooleanSupplier isStopped) {
        if (node.node().moments().isEmpty()) {
            return Optional.empty();
        }
        StaggerModel work = new StaggerModel(node);
        return work.state() ? work.search(isStopped) : Optional.empty();
    }

    private int steps(double seconds) {
        return (int) Math.ceil(seconds / stepSeconds - Round.TINY);
    }

    private boolean state() {
        for (Moment moment : node.node().moments()) {
            int wanted = wanted(moment);
            IntVar start = model.intVar("at " + moment.id(), 0, horizon);
            starts.put(moment, start);
            if (moment.at().isPresent()) {
                start.ge(wanted).post();
            }
            tasks(moment, start);
        }
        for (Rail rail : node.rails()) {
            if (!hold(rail)) {
                return false;
            }
        }
        return true;
    }

    private int wanted(Moment moment) {
        return moment.at().map(at -> steps(at.seconds())).orElse(0);
    }

    private void tasks(Moment moment, IntVar start) {
        List<Round.Span> spans = node.round().spansOf(moment);
        double first = spans.get(0).from();
        double last = spans.get(spans.size() - 1).to();
        if (spans.size() > MOST_TIMES) {
            spans = List.of(new Round.Span(moment.id(), first, last));
        }
        for (Round.Span span : spans) {
            int offset = (int) Math.floor((span.from() - first) / stepSeconds + Round.TINY);
            int length = Math.max(1, steps(span.to() - span.from()));
            IntVar begin = offset == 0 ? start : model.offset(start, offset);
            IntVar end = model.offset(begin, length);
            busy.add(new Busy(moment, new Task(begin, model.intVar(length), end)));
        }
    }

    /** False when the rail is over its rating even while nothing happens, or one moment alone is too much. */
    private boolean hold(Rail rail) {
        Current rest = node.currents(Set.of()).get(rail.id());
        int room = (int) Math.floor(rail.rating().minus(rest).amperes() / AMPERES_PER_STEP + Round.TINY);
        Map<String, Integer> takes = new HashMap<>();
        for (Moment moment : starts.keySet()) {
            takes.put(moment.id(), taken(rail.id(), moment, rest));
        }
        List<Busy> felt =
                busy.stream().filter(one -> takes.get(one.moment().id()) > 0).toList();
        if (felt.isEmpty()) {
            return true;
        }
        if (felt.stream().anyMatch(one -> takes.get(one.moment().id()) > room)) {
            return false;
        }
        model.cumulative(
                        felt.stream().map(Busy::task).toArray(Task[]::new),
                        felt.stream()
                                .map(one -> model.intVar(takes.get(one.moment().id())))
                                .toArray(IntVar[]::new),
                        model.intVar(room))
                .post();
        return true;
    }

    private int taken(Endpoint rail, Moment moment, Current rest) {
        Current with = node.currents(Set.of(moment.id())).get(rail);
        return (int) Math.ceil(with.minus(rest).amperes() / AMPERES_PER_STEP - Round.TINY);
    }

    private Optional<Map<String, TimeSpan>> search(BooleanSupplier isStopped) {
        IntVar[] all = starts.values().toArray(IntVar[]::new);
        IntVar total = model.intVar("delay", 0, horizon * all.length);
        model.sum(all, "=", total).post();
        model.setObjective(Model.MINIMIZE, total);
        Solver solver = model.getSolver();
        solver.setSearch(Search.inputOrderLBSearch(all));
        solver.limitFail(FAIL_LIMIT);
        solver.addStopCriterion(isStopped::getAsBoolean);
        Solution best = null;
        while (solver.solve()) {
            best = new Solution(model, all).record();
        }
        if (isStopped.getAsBoolean()) {
            throw new CancellationException();
        }
        if (best == null) {
            return Optional.empty();
        }
        Map<String, TimeSpan> found = new LinkedHashMap<>();
        for (Map.Entry<Moment, IntVar> entry : starts.entrySet()) {
            int step = best.getIntVal(entry.getValue());
            boolean isUnmoved = entry.getKey().at().isPresent() && step == wanted(entry.getKey());
            found.put(
                    entry.getKey().id(),
                    isUnmoved ? entry.getKey().at().get() : TimeSpan.ofSeconds(step * stepSeconds));
        }
        return Optional.of(found);
    }
}
