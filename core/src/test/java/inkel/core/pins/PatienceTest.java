package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.kit.Builds;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;

/** What takes longer than anybody waits ends with what is known by then. */
class PatienceTest {
    private static final Duration NONE = Duration.ofNanos(-1);

    private static Build radio() {
        return Builds.classic().part("radio", "packet-radio", "VCC=board.3V3").build();
    }

    @Test
    void withNoTimeNothingIsPlacedAndNothingIsCalledImpossible() {
        Plan plan = new Planner(radio(), CATALOG, Patience.of(NONE, () -> false)).plan(NODE);
        assertFalse(plan.placed());
        assertFalse(plan.complete());
        assertEquals(List.of(), plan.clash());
        assertEquals(List.of(), plan.waysOut());
    }

    @Test
    void whatCanBeSeenAtOnceIsStillProved() {
        Builds crowded = Builds.classic();
        for (int i = 0; i < 30; i++) {
            crowded.part("button-" + i, "button");
        }
        Plan plan = new Planner(crowded.build(), CATALOG, Patience.of(NONE, () -> false)).plan(NODE);
        assertFalse(plan.placed());
        assertTrue(plan.complete());
        assertFalse(plan.clash().isEmpty());
    }

    @Test
    void withTimeTheAnswerIsTheUsualOne() {
        Plan patient = new Planner(radio(), CATALOG, Patience.of(Duration.ofHours(1), () -> false)).plan(NODE);
        assertEquals(new Planner(radio(), CATALOG).plan(NODE), patient);
        assertTrue(patient.placed());
    }

    @Test
    void whoeverStopsItGetsNoAnswer() {
        Planner planner = new Planner(radio(), CATALOG, Patience.of(NONE, () -> true));
        assertThrows(CancellationException.class, () -> planner.plan(NODE));
    }
}
