package inkel.app.state;

import inkel.core.checks.Assessment;
import inkel.core.seats.SeatPlan;
import inkel.core.seats.SeatPlanner;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.WeakHashMap;

/** The seats of all boards of a build, worked out once for all that is written of it. */
public final class Seated {
    private static final Map<Assessment, List<SeatPlan>> KNOWN = Collections.synchronizedMap(new WeakHashMap<>());

    private Seated() {}

    public static List<SeatPlan> of(Assessment assessment) {
        List<SeatPlan> known = KNOWN.get(assessment);
        if (known == null) {
            known = SeatPlanner.of(
                    assessment.reports().circuit(), assessment.reports().wires());
            KNOWN.put(assessment, known);
        }
        return known;
    }

    public static SeatPlan of(Assessment assessment, String node) {
        return of(assessment).stream()
                .filter(plan -> plan.node().node().id().equals(node))
                .findFirst()
                .orElseThrow();
    }
}
