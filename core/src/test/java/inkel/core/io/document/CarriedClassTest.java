package inkel.core.io.document;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.OwnClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Wire;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.TakeClass;
import inkel.core.finding.Finding;
import inkel.core.io.catalog.PartForm;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A build goes with the definitions of its own parts, and is judged by them wherever it is opened. */
class CarriedClassTest {
    private static final String ID = "own-rain-gauge";

    /** Two versions of one own part: the later one bears no more than 3.6 V. */
    private static final OwnClass GAUGE = gauge("5.5 V");

    private static final OwnClass LATER = gauge("3.6 V");
    private static final Catalog SHELF = CATALOG.with(List.of(GAUGE));

    @TempDir
    private Path folder;

    private static OwnClass gauge(String most) {
        PartForm.Outcome made = new PartForm(
                        "",
                        "Rain gauge",
                        "",
                        "",
                        "GND VCC SDA SCL",
                        "3 V",
                        most,
                        "",
                        "1 mA",
                        "4 mA",
                        PartForm.Levels.FOLLOW_SUPPLY,
                        "0x29",
                        "",
                        "")
                .outcome();
        return new OwnClass(made.cls().orElseThrow(), made.json());
    }

    private static Build build() {
        return Builds.on("board-classic-5v").part("rain", ID, "VCC=board.5V").build();
    }

    private Build savedAndRead(Build build, Catalog from, Catalog to) throws Exception {
        Path file = folder.resolve("gauge.inkel.json");
        BuildFile.save(file, build, from);
        return BuildReader.read(file, to);
    }

    private static List<Finding> differing(Build build, Catalog catalog) {
        return Builds.of(Assessment.assess(build, catalog), "parts.class_differs");
    }

    @Test
    void whatIsSavedIsReadWhereNoShelfHasThePart() throws Exception {
        Build read = savedAndRead(build(), SHELF, CATALOG);
        assertEquals(List.of(GAUGE), read.classes());
        assertEquals(build().nodes(), read.nodes());
        assertEquals(
                GAUGE.cls(),
                Circuit.of(read, CATALOG)
                        .nodes()
                        .get(0)
                        .part("rain")
                        .orElseThrow()
                        .cls());
        assertEquals(List.of(), differing(read, CATALOG), "no shelf has it at all");
        assertEquals(List.of(), differing(read, SHELF), "the shelf has the same");
    }

    @Test
    void whatIsNotUsedOrIsShippedIsNotCarried() throws Exception {
        Build none = Builds.on("board-classic-5v").part("air", "pressure").build();
        assertEquals(List.of(), none.carrying(SHELF).classes());
        String text = Files.readString(savedTo("plain", none));
        assertFalse(text.contains("classes"), text);
    }

    private Path savedTo(String name, Build build) throws Exception {
        Path file = folder.resolve(name + ".inkel.json");
        BuildFile.save(file, build, SHELF);
        return file;
    }

    @Test
    void theBuildsOwnVersionCountsAndTheOtherIsTold() throws Exception {
        Build carrying = build().carrying(SHELF);
        Catalog later = CATALOG.with(List.of(LATER));
        assertEquals(List.of(), Builds.of(Assessment.assess(carrying, later), "parts.supply_too_high"));
        List<Finding> told = differing(carrying, later);
        assertEquals(1, told.size());
        Build taken = told.get(0).fixes().get(0).apply(carrying);
        assertEquals(List.of(LATER), taken.classes());
        assertEquals(List.of(), differing(taken, later));
        assertEquals(
                1,
                Builds.of(Assessment.assess(taken, later), "parts.supply_too_high")
                        .size());
    }

    @Test
    void aVersionThatContradictsAnOwnFigureIsRefused() throws Exception {
        Build own = new SetFigure(Builds.NODE, "rain", "supply/VCC/min", "4 V").apply(build().carrying(SHELF));
        EditRefused refused = assertThrows(EditRefused.class, () -> new TakeClass(Builds.NODE, LATER).apply(own));
        assertEquals("refused.class_unfit", refused.reason().key());
        assertEquals(
                List.of(LATER),
                new TakeClass(Builds.NODE, LATER).apply(build().carrying(SHELF)).classes());
    }

    @Test
    void aShelfThatChangesTakesAlongWhatWasItsOwn() {
        Catalog later = CATALOG.with(List.of(LATER));
        Build carrying = build().carrying(SHELF);
        assertEquals(List.of(LATER), carrying.following(SHELF, later).classes());
        assertEquals(List.of(GAUGE), carrying.following(SHELF, CATALOG).classes(), "taken off the shelf");
        assertEquals(
                List.of(GAUGE),
                carrying.following(later, CATALOG.with(List.of(gauge("5 V")))).classes());
    }

    @Test
    void aBadDefinitionIsToldWhereItStands() throws Exception {
        String good = Files.readString(savedTo("bad", build()));
        Path file = folder.resolve("bad.inkel.json");
        String wrongVolts = good.replace("\"min\" : \"3 V\"", "\"min\" : \"3 A\"");
        assertTrue(!wrongVolts.equals(good), good);
        UnreadableFile wrong = assertThrows(UnreadableFile.class, () -> BuildReader.parse(file, wrongVolts, CATALOG));
        assertTrue(
                wrong.problems().stream().anyMatch(problem -> problem.field().startsWith("/classes/0/supplies/0")),
                wrong.problems().toString());
        UnreadableFile none = assertThrows(
                UnreadableFile.class,
                () -> BuildReader.parse(file, good.replace("\"classes\"", "\"klasses\""), CATALOG));
        assertEquals("/nodes/0/parts/1/class", none.problems().get(0).field());
        String twice = good.replaceFirst(
                "\"classes\"\\s*:\\s*\\[",
                Matcher.quoteReplacement("\"classes\": [" + GAUGE.json().strip() + ","));
        UnreadableFile doubled = assertThrows(UnreadableFile.class, () -> BuildReader.parse(file, twice, CATALOG));
        assertEquals("problem.duplicate", doubled.problems().get(0).reason().key());
    }

    /** What somebody adds by hand to a file with a class of its own may begin at the far end as well. */
    @Test
    void wiresOfACarriedClassAreReadFromEitherEnd() throws Exception {
        Path file = folder.resolve("gauge.inkel.json");
        BuildFile.save(file, build(), SHELF);
        String byHand = Files.readString(file)
                .replaceFirst(
                        "\"wires\"\\s*:\\s*\\[\\s*]", "\"wires\": [{\"from\": \"board.A4\", \"to\": \"rain.SDA\"}]");
        Build read = BuildReader.read(file, byHand, CATALOG);
        assertEquals(
                List.of(Wire.placed(Builds.end("rain.SDA"), Builds.end("board.A4"))),
                read.nodes().get(0).wires());
    }
}
