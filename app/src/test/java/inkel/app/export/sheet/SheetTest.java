package inkel.app.export.sheet;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.lowagie.text.PageSize;
import com.lowagie.text.pdf.PdfDictionary;
import com.lowagie.text.pdf.PdfName;
import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import inkel.app.kit.Given;
import inkel.app.state.Seated;
import inkel.app.words.SeatWords;
import inkel.app.words.WireWords;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What goes on paper, read back from the files. */
class SheetTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 9);

    private static String pdf(Assessment assessment) throws IOException {
        return pdf(SheetPdf.of(SheetMaker.of(assessment, DAY), PageSize.A4));
    }

    private static String pdf(byte[] file) throws IOException {
        PdfReader reader = new PdfReader(file);
        PdfTextExtractor text = new PdfTextExtractor(reader);
        StringBuilder all = new StringBuilder();
        for (int page = 1; page <= reader.getNumberOfPages(); page++) {
            all.append(text.getTextFromPage(page)).append('\n');
        }
        return plain(all.toString());
    }

    @Test
    void aPartThatIsCalledAsItsClassIsNotNamedTwice() throws Exception {
        Build build = Given.build(Given.MOTH_LAMP);
        String cls = Given.CATALOG.get("regulator-up").name();
        Build same = new RenamePart("lamp", "boost", cls).apply(build);
        String named = SheetMd.of(SheetMaker.of(Assessment.assess(build, Given.CATALOG), DAY));
        assertTrue(named.contains("| " + cls + " | 5 V regulator |"), named);
        String unnamed = SheetMd.of(SheetMaker.of(Assessment.assess(same, Given.CATALOG), DAY));
        assertTrue(unnamed.contains("| " + cls + " |  |"), unnamed);
    }

    @Test
    void whatIsSolderedFirstIsOnIt() throws Exception {
        Assessment ready = Given.assessment(Given.MOTH_LAMP);
        assertFalse(pdf(ready).contains("5 V regulator: its header"), "it is on");
        Build loose = new SetSetting("lamp", "boost", Settings.HEADER, "loose").apply(ready.build());
        String told = pdf(Assessment.assess(loose, Given.CATALOG));
        assertTrue(told.contains("5 V regulator: its header, 4 pins"), told);
        assertTrue(told.contains("Hot iron"), "with the usual care");
    }

    /** Lines are broken where the column ends. */
    private static String plain(String text) {
        return text.replaceAll("\\s+", " ");
    }

    @ParameterizedTest
    @ValueSource(strings = {Given.LOCKS, Given.MOTH_LAMP, Given.FIRST_SKETCH})
    void everyWireIsOnPaperWithBothEnds(String example) throws Exception {
        Assessment assessment = Given.assessment(example);
        String pdf = pdf(assessment);
        String md = SheetMd.of(SheetMaker.of(assessment, DAY));
        for (SeatPlan plan : Seated.of(assessment)) {
            WireWords words = new WireWords(plan.node());
            SeatWords seats = new SeatWords(plan);
            for (WireStep step : plan.list().steps()) {
                String place = step.from() instanceof Terminal.OnPin ? words.place(step.from()) : "";
                String hole = seats.from(step).map(seats::hole).orElse("");
                for (String end : List.of(words.name(step.from()), place, hole, words.name(step.to()))) {
                    assertTrue(pdf.contains(plain(end)), end + " in " + pdf);
                    assertTrue(md.contains(SheetMd.escaped(end)), end);
                }
            }
        }
        assertTrue(pdf.contains("2026-03-09, plan "), "the day and the plan");
    }

    @Test
    void everyPageSaysWhichOfHowManyItIs() throws Exception {
        byte[] file = SheetPdf.of(SheetMaker.of(Given.assessment(Given.LOCKS), DAY), PageSize.A4);
        PdfReader reader = new PdfReader(file);
        int pages = reader.getNumberOfPages();
        assertTrue(pages >= 3, "two boards and a list");
        for (int page = 1; page <= pages; page++) {
            String text = plain(new PdfTextExtractor(reader).getTextFromPage(page));
            assertTrue(text.contains(page + " of"), page + ": " + text);
        }
    }

    // The fonts must be inside, or another machine prints other letters.
    @Test
    void theFontsAreInTheFile() throws Exception {
        PdfReader reader =
                new PdfReader(SheetPdf.of(SheetMaker.of(Given.assessment(Given.LOCKS), DAY), PageSize.LETTER));
        PdfDictionary fonts = reader.getPageN(1).getAsDict(PdfName.RESOURCES).getAsDict(PdfName.FONT);
        assertFalse(fonts.getKeys().isEmpty());
        for (PdfName key : fonts.getKeys()) {
            PdfDictionary inner = fonts.getAsDict(key)
                    .getAsArray(PdfName.DESCENDANTFONTS)
                    .getAsDict(0)
                    .getAsDict(PdfName.FONTDESCRIPTOR);
            assertTrue(inner.contains(PdfName.FONTFILE3) || inner.contains(PdfName.FONTFILE2), key.toString());
        }
        assertEquals(612, reader.getPageSize(1).getWidth(), 0.5, "letter");
    }

    @Test
    void whatABuilderTypesIsTextAndNothingElse() throws Exception {
        Build build = new RenamePart("lower-lock", "radio", "*A|B* <b>[x](y)`").apply(Given.build(Given.LOCKS));
        Assessment assessment = Assessment.assess(build, Given.CATALOG);
        String md = SheetMd.of(SheetMaker.of(assessment, DAY));
        assertTrue(md.contains("\\*A\\|B\\* \\<b\\>\\[x\\](y)\\`"), "escaped");
        long bars = md.lines()
                .filter(line -> line.startsWith("| \\[ \\] | 1 |") && line.contains("A\\|B"))
                .map(line -> line.replace("\\|", ""))
                .filter(line -> line.chars().filter(c -> c == '|').count() != 5)
                .count();
        assertEquals(0, bars, "no cell is split");
        assertTrue(pdf(assessment).contains("*A|B* <b>[x](y)`"));
    }

    @Test
    void whatIsToBePulledComesBeforeWhatIsToBePlugged() throws Exception {
        Build build = Given.build(Given.LOCKS);
        Endpoint out = new Endpoint("handset", "OUT");
        String was = build.nodes().get(0).wire(out).orElseThrow().to() + "@1 > handset.OUT@1";
        Build moved = new SetWire("lower-lock", Wire.placed(out, new Endpoint("board", "A3")))
                .apply(new Plug("lower-lock", Set.of(was), true).apply(build));
        Sheet sheet = SheetMaker.of(Assessment.assess(moved, Given.CATALOG), DAY);
        List<String> headings = sheet.blocks().stream()
                .filter(Sheet.Heading.class::isInstance)
                .map(block -> ((Sheet.Heading) block).text())
                .collect(Collectors.toList());
        assertEquals("To pull first, power off", headings.get(headings.indexOf("Wires, in the order of work") - 1));
    }

    @Test
    void theSameBuildOnTheSameDayIsTheSameSheet() {
        assertEquals(
                SheetMaker.of(Given.assessment(Given.LOCKS), DAY), SheetMaker.of(Given.assessment(Given.LOCKS), DAY));
        assertArrayEquals(
                SheetMd.of(SheetMaker.of(Given.assessment(Given.LOCKS), DAY)).getBytes(),
                SheetMd.of(SheetMaker.of(Given.assessment(Given.LOCKS), DAY)).getBytes());
    }
}
