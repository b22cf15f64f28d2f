package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetWire;
import inkel.core.kit.Builds;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;

/** What is left to stop for after planning: proved to be beyond it, planned away, or told as not proved. */
class ProvenPlanTest {
    private static ProvenPlan proven(Build build) {
        return ProvenPlan.of(build, CATALOG, new Planner(build, CATALOG).plan(NODE), () -> false);
    }

    /** A sensor that talks at 5 V to a board of which no pin bears that: wherever it goes it harms. */
    @Test
    void whatComesUpEverywhereIsProved() {
        Build build = Builds.on("board-dual-core-3v3")
                .part("sonar", "distance-ultrasonic", "VCC=usb.5V")
                .build();
        List<ProvenPlan.Left> left = proven(build).left();
        assertEquals(
                List.of("levels.harms bench/sonar.ECHO true"),
                left.stream()
                        .map(stop ->
                                stop.finding().code() + " " + stop.finding().place() + " " + stop.isProved())
                        .toList());
    }

    @Test
    void whereNothingIsLeftThereIsNothingToProve() {
        assertEquals(
                List.of(),
                proven(Builds.classic().part("press", "button").build()).left());
    }

    /** A plan that puts the sensor on a pin that does not bear its 5 V, though others do, is made better. */
    @Test
    void aPlanThatCouldBeWithoutItIsReplaced() throws Exception {
        Build build = Builds.on("board-tolerant-3v3")
                .part("sonar", "distance-ultrasonic", "VCC=usb.5V")
                .build();
        Plan good = new Planner(build, CATALOG).plan(NODE);
        Plan bad = new Planner(
                        new SetWire(NODE, Wire.held(Builds.end("sonar.ECHO"), Builds.end("board.A1"), "")).apply(build),
                        CATALOG)
                .plan(NODE);
        assertTrue(stops(build, bad).contains("levels.harms"), "what was given was bad");
        ProvenPlan better = ProvenPlan.of(build, CATALOG, bad, () -> false);
        assertEquals(List.of(), better.left());
        assertFalse(stops(build, better.plan()).contains("levels.harms"));
        assertTrue(
                better.plan().wires().stream().noneMatch(Wire::held), "nothing is held that the builder did not hold");
        assertEquals(good, ProvenPlan.of(build, CATALOG, good, () -> false).plan(), "a good one is left as it is");
    }

    private static List<String> stops(Build build, Plan plan) throws Exception {
        Edit edit = plan.edit().orElseThrow();
        return Assessment.assess(edit.apply(build), CATALOG).findings().stream()
                .map(finding -> finding.code())
                .toList();
    }

    @Test
    void whatNobodyWantsIsGivenUp() {
        Build build = Builds.on("board-dual-core-3v3")
                .part("sonar", "distance-ultrasonic", "VCC=usb.5V")
                .build();
        Plan plan = new Planner(build, CATALOG).plan(NODE);
        assertThrows(CancellationException.class, () -> ProvenPlan.of(build, CATALOG, plan, () -> true));
    }

    @Test
    void whereNothingIsPlacedNothingIsLeft() {
        Builds full = Builds.on("chip-8pin").boardOnly("VCC", "usb.5V");
        for (int i = 0; i < 8; i++) {
            full.part("press-" + i, "button");
        }
        ProvenPlan none = proven(full.build());
        assertFalse(none.plan().placed());
        assertEquals(List.of(), none.left());
    }
}
