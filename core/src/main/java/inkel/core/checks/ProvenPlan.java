package inkel.core.checks;

import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.Patience;
import inkel.core.pins.PinFit;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;

/**
 * A plan, and what the rules stop for about pins and levels once it is taken: each proved to be beyond planning, or not.
 *
 * <p>For every stop at a signal the signal is put on each other pin that it could go to, and all others are shared out
 * around it. Where that leaves fewer stops, and no more for the program to drive, that plan is taken instead. A stop is
 * proved when everywhere else it comes up again, or there is no placement.
 *
 * @param left what is left to stop for; empty for a plan that placed nothing
 */
public record ProvenPlan(Plan plan, List<Left> left) {
    /** What is wrong with a line between tables is so wherever a plan puts the signals of one. */
    private static final String LONG_LINES = "pair.";

    /** So many placements are tried for one plan; what is not settled then is not proved. */
    private static final int MOST_TRIES = 80;

    public ProvenPlan {
        left = List.copyOf(left);
    }

    /** Something to stop for, and whether no other placement is without it. */
    public record Left(Finding finding, boolean isProved) {}

    /**
     * @param build what was planned
     * @param isStopped whether nobody wants the answer any more
     * @throws CancellationException once that is so
     */
    public static ProvenPlan of(Build build, Catalog catalog, Plan plan, BooleanSupplier isStopped) {
        return of(build, catalog, plan, Patience.endless(isStopped));
    }

    /** As {@link #of(Build, Catalog, Plan, BooleanSupplier)}; what is not settled once the time is over is not proved. */
    public static ProvenPlan of(Build build, Catalog catalog, Plan plan, Patience patience) {
        return plan.placed()
                ? new Search(Planner.asMeant(build, catalog), catalog, patience).of(plan)
                : new ProvenPlan(plan, List.of());
    }

    /** The tries for one plan. */
    private static final class Search {
        private final Build build;
        private final Catalog catalog;
        private final Patience patience;
        private int tries;

        Search(Build build, Catalog catalog, Patience patience) {
            this.build = build;
            this.catalog = catalog;
            this.patience = patience;
        }

        ProvenPlan of(Plan first) {
            Plan plan = first;
            while (true) {
                Build planned = plan.takenBy(build);
                List<Finding> stops = stops(planned, plan);
                List<Left> left = new ArrayList<>();
                Optional<Plan> better = Optional.empty();
                for (Finding stop : stops) {
                    Answer answer = elsewhere(planned, plan, stop, stops.size());
                    better = answer.better();
                    if (better.isPresent()) {
                        break;
                    }
                    left.add(new Left(stop, answer.isProved()));
                }
                if (better.isEmpty()) {
                    return new ProvenPlan(plan, left);
                }
                plan = better.get();
            }
        }

        private record Answer(Optional<Plan> better, boolean isProved) {}

        private Answer elsewhere(Build planned, Plan plan, Finding stop, int count) {
            if (!stop.place().isPin()) {
                return new Answer(Optional.empty(), false);
            }
            Endpoint signal = stop.place().endpoint();
            boolean isProved = true;
            for (Endpoint target : others(planned, plan, signal)) {
                if (patience.isStopped()) {
                    throw new CancellationException();
                }
                if (++tries > MOST_TRIES || patience.isOver()) {
                    return new Answer(Optional.empty(), false);
                }
                Plan other = heldAt(plan.node(), signal, target);
                if (!other.placed()) {
                    isProved &= other.complete();
                    continue;
                }
                Plan free = letGo(other, signal);
                List<Finding> then = stops(free.takenBy(build), free);
                if (then.size() < count
                        && free.bySoftware().size() <= plan.bySoftware().size()) {
                    return new Answer(Optional.of(free.withFeeds(plan.feeds())), false);
                }
                isProved &= then.stream().anyMatch(again -> isSame(again, stop));
            }
            return new Answer(Optional.empty(), isProved);
        }

        private static boolean isSame(Finding one, Finding other) {
            return one.code().equals(other.code()) && one.place().equals(other.place());
        }

        private List<Endpoint> others(Build planned, Plan plan, Endpoint signal) {
            NodeCircuit node = Circuit.of(planned, catalog).node(plan.node()).orElseThrow();
            Optional<Endpoint> now = node.wire(signal).map(Wire::to);
            Stream<Endpoint> legal = node.pin(signal).isPresent() ? PinFit.legal(node, signal) : Stream.empty();
            return legal.filter(target -> now.filter(target::equals).isEmpty())
                    .filter(target -> !node.pin(target).orElseThrow().servesByChoice())
                    .toList();
        }

        private Plan heldAt(String node, Endpoint signal, Endpoint target) {
            try {
                Build held = new SetWire(node, Wire.held(signal, target, "")).apply(build);
                return new Planner(held, catalog, patience).plan(node);
            } catch (EditRefused gone) {
                throw new IllegalStateException(gone);
            }
        }

        /** The signal is held only while the others are shared out. */
        private static Plan letGo(Plan plan, Endpoint signal) {
            return plan.withWires(plan.wires().stream()
                    .map(wire -> wire.from().equals(signal) ? Wire.placed(wire.from(), wire.to()) : wire)
                    .toList());
        }

        private List<Finding> stops(Build planned, Plan plan) {
            return Assessment.assess(planned, catalog).findings().stream()
                    .filter(finding -> finding.severity() == Severity.STOP)
                    .filter(finding -> finding.place().node().equals(plan.node()))
                    .filter(finding -> finding.rule().stage() == Stage.PINS
                            || finding.rule().stage() == Stage.LEVELS)
                    .filter(finding -> !finding.code().startsWith(LONG_LINES))
                    .toList();
        }
    }
}
