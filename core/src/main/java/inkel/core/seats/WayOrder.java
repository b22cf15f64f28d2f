package inkel.core.seats;

import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** The wires of a table in the order in which a hand has the shortest way from hole to hole. */
final class WayOrder {
    /** From a hole to what lies beside the breadboard, or from one part beside it to another, in rows. */
    private static final double BESIDE = 20;

    private WayOrder() {}

    /** From each wire to the nearest that is left; the first stays the first. */
    static List<WireStep> of(List<WireStep> steps, Map<String, List<Run>> runs) {
        List<WireStep> left = new ArrayList<>(steps);
        List<WireStep> ordered = new ArrayList<>();
        while (!left.isEmpty()) {
            WireStep next = left.get(0);
            if (!ordered.isEmpty()) {
                WireStep last = ordered.get(ordered.size() - 1);
                double least = Double.MAX_VALUE;
                for (WireStep step : left) {
                    double way = way(last, step, runs);
                    if (way < least) {
                        least = way;
                        next = step;
                    }
                }
            }
            left.remove(next);
            ordered.add(next);
        }
        return ordered;
    }

    /** In rows of a breadboard, between the nearest ends of two wires. */
    static double way(WireStep one, WireStep other, Map<String, List<Run>> runs) {
        return landings(one, runs)
                .flatMapToDouble(here -> landings(other, runs).mapToDouble(there -> way(here, there)))
                .min()
                .orElse(BESIDE);
    }

    private static Stream<Landing> landings(WireStep step, Map<String, List<Run>> runs) {
        List<Run> known = runs.getOrDefault(step.id(), List.of());
        return known.isEmpty()
                ? Stream.of(step.from(), step.to()).map(end -> new Landing(end, Optional.empty()))
                : known.stream().flatMap(run -> Stream.of(run.from(), run.to()));
    }

    private static double way(Landing one, Landing other) {
        if (one.hole().isPresent() && other.hole().isPresent()) {
            return Math.hypot(
                    x(one.hole().get()) - x(other.hole().get()),
                    one.hole().get().row() - other.hole().get().row());
        }
        boolean isOnePart = one.at() instanceof Terminal.OnPin here
                && other.at() instanceof Terminal.OnPin there
                && here.pin().part().equals(there.pin().part());
        if (!isOnePart || one.hole().isPresent() || other.hole().isPresent()) {
            return BESIDE;
        }
        return Math.abs(((Terminal.OnPin) one.at()).index() - ((Terminal.OnPin) other.at()).index());
    }

    private static double x(Hole hole) {
        return Breadboard.across(hole.board()) + hole.column().across();
    }
}
