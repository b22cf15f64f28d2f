package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.kit.Builds;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Wires between boards: they take a pin at both ends, make way for what can go nowhere else, and are plugged. */
class LinksTest {
    private static final String OTHER = "far";

    /** Two classic boards with a wire from one pin to another. */
    private static Build joined(Builds first, String from, String to) throws EditRefused {
        Build one = new CopyNode(Builds.NODE, OTHER, "Far board").apply(first.build());
        return one.withLinks(List.of(new NodeWire(
                Place.of(Builds.NODE, new Endpoint("board", from)),
                Place.of(OTHER, new Endpoint("board", to)),
                true,
                Extras.NONE)));
    }

    private static Build planned(Build build) throws EditRefused {
        Build at = build;
        for (Plan plan : new Planner(build, Builds.CATALOG).planAll()) {
            assertTrue(plan.placed());
            at = plan.edit().orElseThrow().apply(at);
        }
        return at;
    }

    @Test
    void aPinOfAWireToAnotherBoardIsTaken() throws EditRefused {
        Build build = joined(
                Builds.classic()
                        .part("handset", "infrared-receiver", "VS=board.5V")
                        .wire("handset.OUT", "board.D7"),
                "D7",
                "D7");
        List<String> contested = Assessment.assess(build, Builds.CATALOG).findings().stream()
                .filter(finding -> finding.code().equals("pins.two_drivers"))
                .map(finding -> finding.place().toString())
                .toList();
        assertEquals(List.of("bench/handset.OUT", "far/handset.OUT"), contested);
        Build after = planned(build);
        assertEquals(
                List.of(),
                Builds.of(Assessment.assess(after, Builds.CATALOG), "pins.two_drivers"),
                "planned at both ends");
    }

    @Test
    void anEndMakesWayForWhatCanGoNowhereElse() throws EditRefused {
        // Six level sensors want all six converter pins of the board, one of which the wire is on.
        Builds full = Builds.classic();
        for (int i = 0; i < 6; i++) {
            full.part("level-" + i, "water-level", "+=board.5V");
        }
        Build after = planned(joined(full, "A3", "A3"));
        NodeWire link = after.links().get(0);
        assertFalse(link.from().pin().startsWith("A"), link.toString());
        assertFalse(link.to().pin().startsWith("A"), link.toString());
        assertTrue(link.groundJoined(), "what is known of the wire goes with it");
        assertEquals(List.of(), PlacementJudge.faults(after, Builds.CATALOG));
    }

    @Test
    void anEndThatServesStaysWhereItIs() throws EditRefused {
        Build build = joined(Builds.classic().part("handset", "infrared-receiver", "VS=board.5V"), "D4", "D5");
        assertEquals(build.links(), planned(build).links());
    }

    @Test
    void theWireAndItsGroundAreInTheListOfTheBoardThatTalks() throws EditRefused {
        Assessment assessment = Assessment.assess(joined(Builds.classic(), "D4", "D5"), Builds.CATALOG);
        List<WireStep> here = assessment.wires(Builds.NODE).orElseThrow().steps().stream()
                .filter(step -> step.to() instanceof Terminal.OnOtherBoard)
                .toList();
        assertEquals(
                List.of("row ground > away far", "board.D4@1 > away far/board.D5"),
                here.stream().map(WireStep::id).toList());
        assertTrue(assessment.wires(OTHER).orElseThrow().steps().stream()
                .noneMatch(step -> step.to() instanceof Terminal.OnOtherBoard));
    }

    @Test
    void aWireThatIsGoneIsNotMovedSilently() throws EditRefused {
        Build build = joined(Builds.classic(), "D4", "D5");
        NodeWire link = build.links().get(0);
        Build without = new RemoveNodeWire(link).apply(build);
        EditRefused refused =
                assertThrows(EditRefused.class, () -> new ChangeNodeWire(link, link.withGroundJoined()).apply(without));
        assertEquals("refused.no_link", refused.reason().key());
    }
}
