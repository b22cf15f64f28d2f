package inkel.app.ui.why;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Explained;
import inkel.app.kit.Given;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import java.util.List;
import org.junit.jupiter.api.Test;

class ExplainerTest {
    private static final String NODE = "lower-lock";
    private static final Assessment LOCKS = Given.assessment(Given.LOCKS);
    private static final Assessment SKETCH = Given.assessment(Given.FIRST_SKETCH);

    private static Place pin(String part, String label) {
        return Place.of(NODE, new Endpoint(part, label));
    }

    private static Place part(String id) {
        return Place.ofPart(NODE, id);
    }

    private static List<String> names(Why why) {
        return why.sections().stream()
                .flatMap(section -> section.rows().stream())
                .map(Why.Row::name)
                .toList();
    }

    private static String value(Why why, String name) {
        return why.sections().stream()
                .flatMap(section -> section.rows().stream())
                .filter(row -> row.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new AssertionError(names(why).toString()))
                .value();
    }

    @Test
    void withNothingSelectedItListsWhatIsLooseOfThisStageFirst() {
        Why why = Explained.at(SKETCH, NODE, Stage.POWER, null);
        List<Finding> ofThisBoard = SKETCH.findings().stream()
                .filter(finding -> finding.place().node().equals(NODE))
                .toList();
        assertEquals(ofThisBoard.size(), why.others().size());
        assertEquals(Stage.POWER, why.others().get(0).rule().stage());
        long stops = ofThisBoard.stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .count();
        assertEquals(Why.Tone.STOP, why.verdict().orElseThrow().tone());
        assertTrue(why.verdict().orElseThrow().sentence().startsWith(stops + " to stop for"));
    }

    @Test
    void aHealthyBoardIsSaidToBe() {
        Why why = Explained.at(LOCKS, NODE, Stage.PARTS, null);
        assertEquals(Why.Tone.GOOD, why.verdict().orElseThrow().tone());
        assertEquals(List.of(), why.others());
    }

    @Test
    void whereThereAreOnlyNotesNothingIsAmiss() throws Exception {
        Build build = new SetSetting(NODE, "reader", Settings.HEADER, "loose").apply(LOCKS.build());
        Why why = Explained.at(Assessment.assess(build, Given.CATALOG), NODE, Stage.PARTS, null);
        assertEquals(Why.Tone.GOOD, why.verdict().orElseThrow().tone());
        assertEquals(
                "Nothing to stop for or to look at; 1 note.",
                why.verdict().orElseThrow().sentence());
        Why reader = Explained.at(Assessment.assess(build, Given.CATALOG), NODE, Stage.PARTS, part("reader"));
        Fix soldered = reader.actions().stream()
                .filter(fix -> fix.id().equals("header-soldered"))
                .findFirst()
                .orElseThrow();
        assertTrue(Assessment.assess(soldered.apply(build), Given.CATALOG).findings().stream()
                .noneMatch(finding -> finding.code().equals("parts.header_loose")));
    }

    /** A servo has neither a header to solder nor the form of a chip; a reader has both. */
    @Test
    void whatHasNoHeaderIsOfferedNone() {
        for (Place bare : List.of(part("gate-upper"), part("bench"))) {
            Why why = Explained.at(LOCKS, NODE, Stage.PARTS, bare);
            List<String> offered = why.actions().stream().map(Fix::id).toList();
            assertFalse(offered.contains("chip") || offered.contains("header-loose"), bare + ": " + offered);
            assertFalse(names(why).contains("comes as"), bare.toString());
        }
        Why reader = Explained.at(LOCKS, NODE, Stage.PARTS, part("reader"));
        List<String> offered = reader.actions().stream().map(Fix::id).toList();
        assertTrue(offered.containsAll(List.of("chip", "header-loose")), offered.toString());
        assertFalse(offered.contains("header-soldered"), offered.toString());
        assertEquals("ready module", value(reader, "comes as"));
    }

    @Test
    void onlyWhatIsPlacedIsKeptNearAnEnd() {
        List<String> supply = Explained.at(LOCKS, NODE, Stage.PINS, part("bench")).actions().stream()
                .map(Fix::id)
                .toList();
        assertFalse(supply.contains("end-far"), supply.toString());
    }

    @Test
    void aPartShowsItsFiguresWithTheirSource() {
        Why why = Explained.at(LOCKS, NODE, Stage.PARTS, part("display"));
        assertEquals("Display 4 × 20", why.title());
        assertEquals("4.5–5.5 V", value(why, "supply at VCC"));
        assertEquals("2 mA → 120 mA", value(why, "current at VCC"));
        assertEquals("I2C 0x27, 100 kHz", value(why, "bus"));
        assertEquals(
                "yours",
                why.sections().get(0).rows().stream()
                        .filter(row -> row.name().equals("bus"))
                        .findFirst()
                        .orElseThrow()
                        .source(),
                "the builder chose the address");
    }

    @Test
    void aFaultShowsItsArithmeticAndWaysOut() {
        Why why = Explained.at(SKETCH, NODE, Stage.PARTS, part("radio"));
        assertEquals("5.25 V", value(why, "supply, at most"));
        assertEquals("3.60 V", value(why, "works up to"));
        assertEquals("1.65 V", value(why, "too much by"));
        assertFalse(why.ways().isEmpty());
    }

    @Test
    void aPinSaysWhereItGoesAndWhereItCould() {
        Why why = Explained.at(LOCKS, NODE, Stage.PINS, pin("radio", "CE"));
        assertEquals("Board D9", value(why, "goes to"));
        assertEquals("held by you", value(why, "how"));
        List<String> lines = why.sections().stream()
                .flatMap(section -> section.lines().stream())
                .map(Why.Line::text)
                .toList();
        assertTrue(lines.contains("The shield already has that trace."), lines.toString());
        assertTrue(lines.stream().anyMatch(line -> line.contains("A1, A2")), lines.toString());
    }

    @Test
    void aSharedWireNamesItsCompanionsAndItsShifter() {
        Why why = Explained.at(LOCKS, NODE, Stage.PINS, pin("reader", "MISO"));
        assertEquals("Packet radio MISO", value(why, "shared with"));
        assertEquals("level converter, way 4", value(why, "in between"));
        assertEquals("4.65 V", value(why, "drives high, at least"));
    }

    @Test
    void aRailAddsUpItsLoads() {
        Why why = Explained.at(LOCKS, NODE, Stage.POWER, pin("reg", "OUT"));
        // Reader 100 mA, radio 14 mA, shifter 1.5 mA: 115.5 mA, printed with three digits.
        assertEquals("116 mA", value(why, "at its worst"));
        assertEquals("800 mA", value(why, "rating"));
        assertEquals(Why.Tone.GOOD, why.verdict().orElseThrow().tone());
    }

    @Test
    void wiringSaysToUnplugAndWhatIsOnTheTable() {
        Why why = Explained.at(LOCKS, NODE, Stage.WIRE, part("radio"));
        assertEquals(
                "Board unplugged while you wire.", why.verdict().orElseThrow().sentence());
        assertEquals("19 of 46", value(why, "jumper wires"));
        assertTrue(names(why).contains("resistor 10 kΩ"));
    }

    @Test
    void aWireSaysWhatItIsFor() {
        Why why = Explained.at(LOCKS, NODE, Stage.WIRE, pin("radio", "MOSI"));
        assertEquals("Data from the board into the part.", why.subtitle());
    }

    @Test
    void aFindingOfAnotherStageStillShows() {
        Why why = Explained.at(SKETCH, NODE, Stage.PARTS, pin("handset", "OUT"));
        assertTrue(why.verdict().orElseThrow().sentence().startsWith("D11 is taken twice"));
        assertEquals(3, why.ways().size());
    }
}
