package inkel.app.state;

import inkel.core.checks.Assessment;
import inkel.core.seats.SeatPlan;
import inkel.core.seats.SeatPlanner;
import java.lang.ref.WeakReference;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;

/** The seats of all boards of a build, worked out once for all that is written of it. */
public final class Seated {
    private static final AtomicReference<Known> LAST =
            new AtomicReference<>(new Known(new WeakReference<>(null), List.of()));

    private Seated() {}

    /** By the very assessment, since to compare what is in it takes long. */
    private record Known(WeakReference<Assessment> of, List<SeatPlan> plans) {}

    public static List<SeatPlan> of(Assessment assessment) {
        Known known = LAST.get();
        if (known.of().get() != assessment) {
            known = new Known(
                    new WeakReference<>(assessment),
                    SeatPlanner.of(
                            assessment.reports().circuit(), assessment.reports().wires()));
            LAST.set(known);
        }
        return known.plans();
    }

    public static SeatPlan of(Assessment assessment, String node) {
        return of(assessment).stream()
                .filter(plan -> plan.node().node().id().equals(node))
                .findFirst()
                .orElseThrow();
    }
}
