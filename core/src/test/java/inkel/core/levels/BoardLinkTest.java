package inkel.core.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Voltage;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Levels between two boards. */
class BoardLinkTest {
    private static Build joined(String from, String fromPin, String to, String toPin) {
        Node talks = Builds.on(from).build().nodes().get(0);
        Node hears = Builds.on(to).build().nodes().get(0);
        Node other = new Node(
                "far",
                "Far",
                hears.parts(),
                hears.wires(),
                hears.between(),
                hears.moments(),
                hears.plugged(),
                Extras.NONE);
        NodeWire link = new NodeWire(
                Place.of(Builds.NODE, new Endpoint("board", fromPin)),
                Place.of("far", new Endpoint("board", toPin)),
                true,
                Extras.NONE);
        return new Build("Two", List.of(talks, other), Logbook.EMPTY, Extras.NONE).withLinks(List.of(link));
    }

    // Classic board: 4.75 to 5.25 V, gives at least VCC − 0.3 V, reads high from 0.6 VCC, bears VCC + 0.5 V.
    // Dual-core board: 3.3 V, its pins bear no more than 0.3 V above that.
    @ParameterizedTest(name = "{0} to {2}: {4}")
    @CsvSource(
            textBlock =
                    """
            board-classic-5v,    D4,  board-classic-5v,    D5,  ''
            board-classic-5v,    D4,  board-dual-core-3v3, GP5, levels.harms
            board-dual-core-3v3, GP5, board-classic-5v,    D4,  levels.not_read
            board-dual-core-3v3, GP5, board-dual-core-3v3, GP6, ''
            """)
    void bothBoardsAreHeldAgainstEachOther(String from, String fromPin, String to, String toPin, String code) {
        Assessment assessment = Assessment.assess(joined(from, fromPin, to, toPin), Builds.CATALOG);
        List<String> codes = assessment.findings().stream()
                .map(Finding::code)
                .filter(found -> found.startsWith("levels.") && !found.equals("levels.back_power"))
                .toList();
        assertEquals(code.isEmpty() ? List.of() : List.of(code), codes);
    }

    // Each board is on a port of its own: either may be off while the other is on. Pins that bear 4 V then let 3.4 V
    // be.
    @ParameterizedTest(name = "{0} to {2}: {4}")
    @CsvSource(
            textBlock =
                    """
            board-dual-core-3v3, GP5, board-dual-core-3v3, GP6, 1
            board-classic-5v,    D4,  board-tolerant-3v3,  B12, 1
            board-dual-core-3v3, GP5, board-tolerant-3v3,  B12, 0
            board-dual-core-3v3, GP5, board-tolerant-3v3,  B5,  1
            """)
    void aBoardThatIsOffIsFedThroughItsPin(String from, String fromPin, String to, String toPin, int found)
            throws Exception {
        Build build = joined(from, fromPin, to, toPin);
        List<Finding> findings = Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.back_power");
        assertEquals(found, findings.size());
        for (Finding finding : findings) {
            assertEquals("levels.back_power.boards", finding.sentence().key());
            RuleKit.everyWayOut(build, finding);
        }
    }

    @Test
    void theArithmeticIsThatOfTheWorstCase() {
        Assessment assessment =
                Assessment.assess(joined("board-classic-5v", "D4", "board-dual-core-3v3", "GP5"), Builds.CATALOG);
        BoardLink link = assessment.reports().levels().boards().get(0);
        assertEquals(Voltage.ofVolts(5.25), link.check().vohMax(), "a port gives up to 5.25 V");
        assertTrue(link.check().headroom().isBelow(Voltage.ofVolts(-1.5)));
    }

    @Test
    void eachWayOutEndsIt() throws Exception {
        Build build = joined("board-classic-5v", "D4", "board-dual-core-3v3", "GP5");
        Finding finding = Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.harms")
                .get(0);
        for (Fix fix : finding.fixes()) {
            assertEquals(
                    List.of(),
                    Builds.of(Assessment.assess(fix.apply(build), Builds.CATALOG), "levels.harms"),
                    fix.id());
        }
        assertTrue(finding.fixes().stream().anyMatch(fix -> fix.id().equals("link-off")));
    }
}
