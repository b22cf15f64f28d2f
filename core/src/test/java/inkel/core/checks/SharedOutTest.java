package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.kit.Builds;
import inkel.core.pins.Patience;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is made of a plan that the time was too short for. */
class SharedOutTest {
    private static final Patience PATIENT = Patience.endless(() -> false);

    private static Build table() {
        return Builds.classic()
                .part("one", "climate-i2c", "VIN=board.5V")
                .part("two", "climate-i2c", "VIN=board.5V")
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("lamp", "led")
                .build();
    }

    private static ProvenPlan inNoTime(Build build) {
        Plan none = new Planner(build, CATALOG, Patience.of(Duration.ZERO, () -> false)).plan(NODE);
        assertFalse(none.placed() || none.complete(), "neither found nor proven impossible");
        return new ProvenPlan(none, List.of());
    }

    @Test
    void partsThatAllFindAPlaceOneByOneAreAPlacement() {
        SharedOut shared = SharedOut.of(table(), CATALOG, inNoTime(table()), PATIENT);
        assertTrue(shared.proven().plan().placed());
        assertTrue(shared.some().isEmpty());
        Assessment after = Assessment.assess(shared.proven().plan().takenBy(table()), CATALOG);
        assertEquals(
                List.of(),
                after.findings().stream()
                        .filter(finding -> finding.code().matches("pins.*|i2c.address_clash"))
                        .toList(),
                "addresses are shared out too");
    }

    @Test
    void aPlanThatPlacesAllStaysAsItIs() {
        ProvenPlan plan = new ProvenPlan(new Planner(table(), CATALOG).plan(NODE), List.of());
        assertEquals(plan, SharedOut.of(table(), CATALOG, plan, PATIENT).proven());
    }

    @Test
    void whereSomeHaveNoPlaceTheyAreOfferedWithoutThem() {
        Builds crowd = Builds.classic();
        for (int i = 0; i < 19; i++) {
            crowd = crowd.part("lamp-" + i, "led");
        }
        SharedOut shared = SharedOut.of(
                crowd.build(),
                CATALOG,
                new ProvenPlan(new Planner(crowd.build(), CATALOG).plan(NODE), List.of()),
                PATIENT);
        assertFalse(shared.proven().plan().placed());
        assertEquals(18, shared.some().orElseThrow().placed().size());
    }
}
