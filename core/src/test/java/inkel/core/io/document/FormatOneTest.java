package inkel.core.io.document;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.Reading;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.io.json.SchemaCheck;
import inkel.core.quantity.Voltage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Files that were written before format 2 open for ever; the samples stay as they are. */
class FormatOneTest {
    private static final Path SAMPLES = Path.of("src", "test", "resources", "inkel", "core", "samples", "format-1");

    static List<Path> samples() throws IOException {
        try (Stream<Path> files = Files.list(SAMPLES)) {
            List<Path> all = files.sorted().toList();
            assertTrue(all.size() >= 11, "samples are never taken away");
            return all;
        }
    }

    @ParameterizedTest
    @MethodSource("samples")
    void everyFileThatWasEverWrittenOpensAndIsSavedInFormatTwo(Path sample) throws Exception {
        String text = Files.readString(sample);
        assertEquals(List.of(), SchemaCheck.ofOldBuild().check(text));
        Build build = BuildReader.parse(sample, text, CATALOG);
        String written = BuildWriter.print(build);
        assertEquals(List.of(), SchemaCheck.ofBuild().check(written));
        assertEquals(build, BuildReader.parse(sample, written, CATALOG));
        assertEquals(text, Files.readString(sample), "reading writes nothing");
    }

    @Test
    void whatWasPluggedStaysSoWhateverPinsTheClassHasToday() throws Exception {
        Build locks = BuildReader.read(SAMPLES.resolve("otterbeck-locks-6.inkel.json"), CATALOG);
        Set<String> plugged = locks.nodes().get(0).plugged();
        assertTrue(plugged.contains("board.D13@1 > radio.SCK@1"), plugged.toString());
        assertTrue(plugged.contains("row ground > bench.-@1"), plugged.toString());
        assertTrue(plugged.stream().noneMatch(id -> id.contains("#")), plugged.toString());
    }

    private static Build records() throws Exception {
        return BuildReader.read(SAMPLES.resolve("records.inkel.json"), CATALOG);
    }

    @Test
    void oldReadingsAreReadingsAndTheSignThatWasPrintedIsRead() throws Exception {
        Reading miso =
                Circuit.of(records(), CATALOG).node("shed").orElseThrow().reading(new Endpoint("reader", "MISO"));
        assertEquals(Optional.of(Voltage.ofVolts(3.22)), miso.high());
        assertEquals(Optional.of(Voltage.ofMillivolts(-30)), miso.low());
    }

    @Test
    void anEmptyReadingTookTheOneBeforeBack() throws Exception {
        Reading mosi =
                Circuit.of(records(), CATALOG).node("shed").orElseThrow().reading(new Endpoint("reader", "MOSI"));
        assertEquals(Reading.NONE, mosi);
        assertTrue(records().log().lines().stream().anyMatch(LogLine.TakenBack.class::isInstance));
    }

    @Test
    void voltsAtTheBeginningOfASentenceAreAReadingWithItsWords() throws Exception {
        LogLine.Measured rail = records().log().lines().stream()
                .filter(LogLine.Measured.class::isInstance)
                .map(LogLine.Measured.class::cast)
                .filter(line -> line.what() == LogLine.What.VOLTS)
                .findFirst()
                .orElseThrow();
        assertEquals(Voltage.ofVolts(3.31), rail.value());
        assertEquals("3.31 V at the regulator.", rail.text());
    }

    @Test
    void whatCannotBeToldApartIsKeptInFull() throws Exception {
        List<LogLine> lines = records().log().lines();
        LogLine odd = lines.stream()
                .filter(line -> line.text().equals("dropped it"))
                .findFirst()
                .orElseThrow();
        assertEquals(LogLine.Noted.class, odd.getClass());
        assertEquals("accident", odd.extras().fields().get("was_kind"));
        assertEquals("over there", odd.extras().fields().get("was_place"));
        assertEquals("blue", odd.extras().fields().get("colour"));
        assertEquals(Place.NOWHERE, odd.place());
        assertFalse(lines.stream().anyMatch(line -> line.place().toString().contains("over")));
    }
}
