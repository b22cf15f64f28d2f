package inkel.core.parts;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A table has one board, and what stands in its place runs a program. */
class BoardPlacesTest {
    private static final String SECOND = "parts.second_board";

    private static Builds second() {
        return Builds.powered(CATALOG.get("board-classic-5v")).part("second", "board-small-5v");
    }

    @Test
    void aBoardAmongThePartsIsToldOnceAndNotForItsSupplies() {
        RuleKit.firesAt(second(), SECOND, "second");
        RuleKit.quiet(second(), "parts.no_supply");
    }

    @Test
    void theBoardOfATableAndWhatIsForLaterAreQuiet() {
        RuleKit.quiet(Builds.powered(CATALOG.get("board-classic-5v")), SECOND);
        RuleKit.quiet(second().setting("second", "later", "yes"), SECOND);
        RuleKit.quiet(second(), "parts.no_board");
    }

    /** Two keypads and two lamps want eighteen pins; one more is more than the board has. */
    @Test
    void nothingIsWiredToIt() {
        Builds builds = second();
        for (int i = 0; i < 3; i++) {
            builds.part("keys-" + i, "keypad-16");
        }
        Plan plan = new Planner(builds.build(), CATALOG).plan(NODE);
        assertTrue(plan.edit().isEmpty(), "24 lines of keypads do not go on 18 pins");
        assertTrue(plan.wires().stream().noneMatch(wire -> wire.to().part().equals("second")));
    }

    @Test
    void itGetsATableOfItsOwn() throws Exception {
        Build build = second().setting("second", "header", "soldered")
                .figure("second", "rail/5V/rating", "300 mA")
                .build();
        Finding finding = Builds.of(Assessment.assess(build, CATALOG), SECOND).get(0);
        assertEquals(1, finding.fixes().size());
        Build after = Edit.applyAll(build, finding.fixes().get(0).edits());
        assertEquals(2, after.nodes().size());
        assertTrue(after.nodes().get(0).part("second").isEmpty());
        Node own = after.nodes().get(1);
        assertEquals("second", own.name());
        assertEquals("board-small-5v", own.board().classId());
        assertFalse(own.board().feeds().isEmpty(), "it is fed");
        assertEquals(Map.of("header", "soldered"), own.board().settings());
        assertEquals(Map.of("rail/5V/rating", "300 mA"), own.board().figures());
        assertEquals(0, Builds.of(Assessment.assess(after, CATALOG), SECOND).size());
        RuleKit.everyWayOut(second(), SECOND);
    }

    @Test
    void aLampInTheBoardsPlaceIsToldAndAChipIsABoard() {
        RuleKit.firesAt(Builds.on("led"), "parts.no_board", "board");
        RuleKit.quiet(Builds.on("chip-8pin"), "parts.no_board");
    }
}
