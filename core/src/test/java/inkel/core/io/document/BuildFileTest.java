package inkel.core.io.document;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RenamePart;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.Problem;
import inkel.core.io.json.SchemaCheck;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class BuildFileTest {
    @TempDir
    private Path folder;

    private static String example(String name) throws IOException {
        return Files.readString(Path.of("..", "examples", name));
    }

    @ParameterizedTest
    @ValueSource(strings = {"otterbeck-locks.inkel.json", "otterbeck-first-sketch.inkel.json", "moth-lamp.inkel.json"})
    void examplesKeepToTheSchemaAndSurviveARoundTrip(String name) throws Exception {
        assertEquals(List.of(), SchemaCheck.ofBuild().check(example(name)));
        Build build = Builds.example(name);
        String written = BuildWriter.print(build);
        assertEquals(List.of(), SchemaCheck.ofBuild().check(written));
        assertEquals(build, BuildReader.parse(Path.of(name), written, CATALOG));
    }

    @Test
    void fieldsOfALaterVersionSurvive() throws Exception {
        String text =
                """
                {"format": 1, "name": "x", "colour": "green",
                 "nodes": [{"id": "a", "name": "A", "shelf": {"row": 3},
                   "board": {"class": "board-classic-5v", "name": "B", "bought": ["spring", 2]},
                   "parts": [{"id": "r", "class": "packet-radio", "name": "R", "note": null}],
                   "wires": [{"from": "r.CE", "to": "board.D9", "length": 0.1}],
                   "between": [{"signal": "r.CE", "kind": "divider", "series": "1k", "to_ground": "2k2", "batch": true}]}],
                 "log": [{"at": "2026-01-02T03:04:05Z", "kind": "note", "text": "t", "mood": "calm"}]}
                """;
        Build build = BuildReader.parse(Path.of("x"), text, CATALOG);
        String written = BuildWriter.print(build);
        for (String field : List.of("colour", "shelf", "bought", "note", "length", "batch", "mood")) {
            assertTrue(written.contains("\"" + field + "\""), field);
        }
        assertEquals(build, BuildReader.parse(Path.of("x"), written, CATALOG));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "series, series, 0 Ω",
        "series, series, -0",
        "series, series, -330 Ω",
        "series, series, 1e-320 Ω",
        "divider, series, 0",
        "divider, to_ground, -0",
        "coil-driver, base, 0 Ω",
        "opto, series, 0",
        "diode, pull_up, -1k",
    })
    void aResistorHasSomeOhms(String kind, String key, String ohms) {
        String text =
                """
                {"format": 2, "name": "x",
                 "nodes": [{"id": "a", "name": "A", "board": {"class": "board-classic-5v", "name": "B"},
                   "parts": [{"id": "r", "class": "packet-radio", "name": "R"}],
                   "between": [{"signal": "r.CE", "kind": "KIND", "series": "1k", "to_ground": "2k2", "base": "1k",
                     "pull_up": "10k"}]}]}
                """
                        .replace("KIND", kind);
        List<String> all =
                List.of("\"series\": \"1k\"", "\"to_ground\": \"2k2\"", "\"base\": \"1k\"", "\"pull_up\": \"10k\"");
        String whole =
                all.stream().filter(each -> each.contains(key)).findFirst().orElseThrow();
        String spoilt = text.replace(whole, "\"" + key + "\": \"" + ohms + "\"");
        List<Problem> problems = assertThrows(
                        UnreadableFile.class, () -> BuildReader.parse(Path.of("x"), spoilt, CATALOG))
                .problems();
        assertEquals("/nodes/0/between/0/" + key, problems.get(0).field());
    }

    @Test
    void ownFiguresAreKeptAndWrongOnesAreRefused() throws Exception {
        String text =
                """
                {"format": 1, "name": "x", "nodes": [{"id": "a", "name": "A",
                   "board": {"class": "board-classic-5v", "name": "B"},
                   "parts": [{"id": "r", "class": "packet-radio", "name": "R",
                              "figures": {"current/VCC/peak": "115 mA"}}]}]}
                """;
        Build build = BuildReader.parse(Path.of("x"), text, CATALOG);
        assertEquals(
                java.util.Map.of("current/VCC/peak", "115 mA"),
                build.nodes().get(0).part("r").orElseThrow().figures());
        String written = BuildWriter.print(build);
        assertEquals(List.of(), SchemaCheck.ofBuild().check(written));
        assertEquals(build, BuildReader.parse(Path.of("x"), written, CATALOG));
        for (String wrong : List.of("115 V", "lots")) {
            UnreadableFile refused = assertThrows(
                    UnreadableFile.class,
                    () -> BuildReader.parse(Path.of("x"), text.replace("115 mA", wrong), CATALOG));
            assertEquals(
                    "problem.expected_value", refused.problems().get(0).reason().key());
            assertTrue(refused.problems().get(0).field().startsWith("/nodes/0/parts/0/figures"));
        }
        UnreadableFile unknown = assertThrows(
                UnreadableFile.class,
                () -> BuildReader.parse(Path.of("x"), text.replace("VCC/peak", "VDD/peak"), CATALOG));
        assertEquals("problem.no_figure", unknown.problems().get(0).reason().key());
    }

    /** Each row changes the healthy example by one replacement; the problem is named with line, field and reason. */
    @ParameterizedTest(name = "{0} -> {1}: {2}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            "packet-radio"            | "resistor-220"           | problem.class_is_piece     | /nodes/0/parts/3/class
            "packet-radio"            | "packet-radoi"           | problem.unknown_class_near | /nodes/0/parts/3/class
            "packet-radio"            | "tag reader"             | problem.unknown_class_some | /nodes/0/parts/3/class
            "packet-radio"            | "teapot"                 | problem.unknown_class      | /nodes/0/parts/3/class
            "to" : "board.D9"         | "to" : "two/board.D9"    | problem.on_other_board     | /nodes/0/wires/0/to
            "to" : "board.D9"         | "to" : "shelf.D9"        | problem.no_part            | /nodes/0/wires/0/to
            "to" : "board.D9"         | "to" : "Board.D9"        | problem.no_part_near       | /nodes/0/wires/0/to
            "to" : "board.D9"         | "to" : "borad.D9"        | problem.no_part_near       | /nodes/0/wires/0/to
            "to" : "board.D9"         | "to" : "D9"              | problem.expected_value     | /nodes/0/wires/0/to
            "volts" : "6 V"           | "volts" : "6 A"          | problem.expected_value     | /nodes/0/parts/1/settings/volts
            "volts" : "6 V"           | "volts" : "-6 V"         | problem.expected_value     | /nodes/0/parts/1/settings/volts
            "address" : "0x27"        | "address" : "0x127"      | problem.expected_value     | /nodes/0/parts/11/settings/address
            "format" : 2              | "format" : 7             | problem.newer_format       | /format
            "format" : 2              | "format" : 0             | problem.older_format       | /format
            "format" : 2              | "format" : "one"         | problem.expected_number    | /format
            "id" : "reader"           | "id" : "radio"           | problem.duplicate          | /nodes/0/parts/4/id
            "id" : "reader"           | "id" : "The Reader"      | problem.bad_id             | /nodes/0/parts/4/id
            "held" : true             | "held" : "yes"           | problem.expected_flag      | /nodes/0/wires/0/held
            "way" : 1                 | "way" : 0                | problem.expected_value     | /nodes/0/between/0/way
            "shifter" : "shifter"     | "shifter" : "shelf"      | problem.no_part            | /nodes/0/between/0/shifter
            "LV" : "reg.OUT"          | "LV" : "shelf.OUT"       | problem.no_rail            | /nodes/0/parts/5/feeds/LV
            "to" : "board.D9"         | "to" : ""                | problem.expected_value     | /nodes/0/wires/0/to
            "length" : "20 ms"        | "length" : "1e400 s"     | problem.expected_value     | /nodes/0/moments/2/length
            "kind" : "shifter"        | "kind" : "magic"         | problem.expected_value     | /nodes/0/between/0/kind
            "from" : "radio.CSN"      | "from" : "radio.CE"      | problem.wired_twice        | /nodes/0/wires/1/from
            "2026-05-02T18:20:00Z"    | "yesterday"              | problem.expected_value     | /log/0/at
            """)
    void aDamagedFileIsRefusedWithLineFieldAndReason(String from, String to, String reason, String field)
            throws Exception {
        String text = BuildWriter.print(Builds.locks());
        int at = text.indexOf(from);
        assertTrue(at >= 0, "the example has " + from);
        String damaged = text.substring(0, at) + to + text.substring(at + from.length());
        UnreadableFile refused =
                assertThrows(UnreadableFile.class, () -> BuildReader.parse(Path.of("x"), damaged, CATALOG));
        Problem problem = refused.problems().stream()
                .filter(found -> found.reason().key().equals(reason))
                .findFirst()
                .orElseThrow(() -> new AssertionError(refused.problems().toString()));
        assertEquals(field, problem.field());
        int line = (int) damaged.substring(0, at).lines().count();
        assertTrue(Math.abs(problem.line() - line) <= 1, problem.line() + " is next to " + line);
    }

    /** Who writes wires from the board on is told which end comes first. */
    @Test
    void twoWiresFromARailOfTheBoard() {
        String text = BuildWriter.print(Builds.classic()
                .part("air", "climate-wire")
                .part("soil", "soil-moisture")
                .wire("board.5V", "air.VCC")
                .wire("board.GND", "soil.VCC")
                .build());
        UnreadableFile refused = assertThrows(
                UnreadableFile.class,
                () -> BuildReader.parse(Path.of("x"), text.replace("board.GND", "board.5V"), CATALOG));
        assertEquals(
                "problem.wired_from_far", refused.problems().get(0).reason().key());
        assertEquals(
                "soil.VCC",
                refused.problems().get(0).reason().values().get("right").toString());
    }

    /** What is no object lacks no fields: it is told once. */
    @Test
    void aPartThatIsOnlyAWord() {
        UnreadableFile refused = assertThrows(
                UnreadableFile.class,
                () -> BuildReader.parse(
                        Path.of("x"),
                        "{\"format\": 2, \"name\": \"N\", \"nodes\": [{\"id\": \"one\", \"name\": \"One\","
                                + " \"board\": \"board-classic-5v\", \"parts\": [\"led\"]}]}",
                        CATALOG));
        assertEquals(
                List.of("/nodes/0/board problem.expected_object", "/nodes/0/parts/0 problem.expected_object"),
                refused.problems().stream()
                        .map(problem -> problem.field() + " " + problem.reason().key())
                        .toList());
    }

    @Test
    void allProblemsAreToldAtOnce() throws Exception {
        String text = BuildWriter.print(Builds.locks())
                .replace("\"packet-radio\"", "\"packet-radoi\"")
                .replace("\"6 V\"", "\"6 A\"");
        UnreadableFile refused =
                assertThrows(UnreadableFile.class, () -> BuildReader.parse(Path.of("x"), text, CATALOG));
        Set<String> reasons = Set.copyOf(refused.problems().stream()
                .map(problem -> problem.reason().key())
                .toList());
        assertTrue(reasons.containsAll(Set.of("problem.unknown_class_near", "problem.expected_value")));
    }

    static Stream<org.junit.jupiter.params.provider.Arguments> unreadable() throws IOException {
        String good = example("otterbeck-locks.inkel.json");
        return Stream.of(
                org.junit.jupiter.params.provider.Arguments.of("", "problem.empty"),
                org.junit.jupiter.params.provider.Arguments.of("   ", "problem.empty"),
                org.junit.jupiter.params.provider.Arguments.of(good.substring(0, good.length() / 2), "problem.cut_off"),
                org.junit.jupiter.params.provider.Arguments.of("name: Otterbeck", "problem.not_json"),
                org.junit.jupiter.params.provider.Arguments.of("[1, 2]", "problem.expected_object"),
                org.junit.jupiter.params.provider.Arguments.of("{} {}", "problem.more_behind"),
                org.junit.jupiter.params.provider.Arguments.of("{\"name\": 1, \"name\": 2}", "problem.key_twice"),
                org.junit.jupiter.params.provider.Arguments.of(
                        "[".repeat(5000) + "]".repeat(5000), "problem.too_deep"));
    }

    @ParameterizedTest
    @org.junit.jupiter.params.provider.MethodSource("unreadable")
    void otherFilesAreRefused(String text, String reason) throws IOException {
        Path file = folder.resolve("x.inkel.json");
        Files.writeString(file, text);
        assertEquals(reason, refusal(file));
        assertEquals(text, Files.readString(file), "and left as they are");
    }

    private static String refusal(Path file) {
        return assertThrows(UnreadableFile.class, () -> BuildReader.read(file, CATALOG))
                .problems()
                .get(0)
                .reason()
                .key();
    }

    @Test
    void missingFoldersHugeAndForeignBytesAreRefused() throws IOException {
        assertEquals("problem.missing", refusal(folder.resolve("nowhere.json")));
        assertEquals("problem.is_folder", refusal(folder));
        Path huge = folder.resolve("huge.json");
        try (RandomAccessFile sparse = new RandomAccessFile(huge.toFile(), "rw")) {
            sparse.setLength(200L << 20);
        }
        assertEquals("problem.too_large", refusal(huge));
        Path foreign = folder.resolve("foreign.json");
        Files.write(foreign, "{\"name\": \"Schleuse für Boote\"}".getBytes(StandardCharsets.ISO_8859_1));
        assertEquals("problem.not_utf8", refusal(foreign));
    }

    @Test
    void savingKeepsTheFormerVersion() throws Exception {
        Path file = folder.resolve("x.inkel.json");
        BuildFile.save(file, Builds.locks(), CATALOG);
        assertTrue(AtomicFile.previous(file).isEmpty());
        Build changed = new RenamePart("lower-lock", "radio", "Other radio").apply(Builds.locks());
        BuildFile.save(file, changed, CATALOG);
        assertEquals(changed, BuildReader.read(file, CATALOG));
        Path previous = AtomicFile.previous(file).orElseThrow();
        assertEquals(Builds.locks(), BuildReader.read(previous, CATALOG));
        try (Stream<Path> left = Files.list(folder)) {
            assertEquals(2, left.count(), "no temporary file is left");
        }
    }

    @Test
    void aFailedSaveLeavesTheOldFile() throws IOException {
        Path file = folder.resolve("x.inkel.json");
        BuildFile.save(file, Builds.locks(), CATALOG);
        String before = Files.readString(file);
        Path inNoFolder = folder.resolve("gone").resolve("x.inkel.json");
        assertThrows(IOException.class, () -> BuildFile.save(inNoFolder, Builds.firstSketch(), CATALOG));
        assertEquals(before, Files.readString(file));
    }

    /** The schema and the reader agree on what the shape of a file must be. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"name\": \"x\", \"nodes\": []}",
                "{\"format\": 1, \"nodes\": [{\"id\": \"a\", \"name\": \"A\"}], \"name\": \"x\"}",
                "{\"format\": 1, \"name\": 5, \"nodes\": []}",
                "{\"format\": 1, \"name\": \"x\"}"
            })
    void whatTheSchemaRefusesTheReaderRefuses(String text) {
        assertFalse(SchemaCheck.ofBuild().check(text).isEmpty());
        assertThrows(UnreadableFile.class, () -> BuildReader.parse(Path.of("x"), text, CATALOG));
    }

    @Test
    void aBrokenClassIsRefusedWithFieldAndReason() {
        String broken =
                """
                {"id": "x", "name": "Broken thing", "summary": "made for a test", "kind": "module", "kinds": ["x"],
                 "pins": [{"label": "A", "is": "input", "io": "none"}, {"label": "A", "is": "input"}],
                 "supplies": [{"pin": "VCC", "range": {"min": "5 V", "max": "3 V"}, "absolute_max": "3V6x"}]}
                """;
        UnreadableFile refused =
                assertThrows(UnreadableFile.class, () -> CatalogReader.read(Path.of("x.json"), broken));
        List<String> reasons = refused.problems().stream()
                .map(problem -> problem.reason().key())
                .toList();
        assertTrue(
                reasons.containsAll(List.of(
                        "problem.range",
                        "problem.expected_value",
                        "problem.duplicate",
                        "problem.no_io",
                        "problem.no_pin")),
                reasons.toString());
    }

    @Test
    void editsThatNoLongerFitAreRefusedAndNothingChanges() {
        Build build = Builds.locks();
        EditRefused refused = assertThrows(
                EditRefused.class,
                () -> Edit.applyAll(
                        build,
                        List.of(
                                new RenamePart("lower-lock", "radio", "Changed"),
                                new RenamePart("lower-lock", "gone", "x"))));
        assertEquals("refused.no_part", refused.reason().key());
        assertEquals(
                "Packet radio",
                build.node("lower-lock")
                        .orElseThrow()
                        .part("radio")
                        .orElseThrow()
                        .name());
        assertThrows(EditRefused.class, () -> new RemovePart("lower-lock", "board").apply(build));
        assertThrows(EditRefused.class, () -> new RenamePart("nowhere", "radio", "x").apply(build));
    }

    @Test
    void removingAPartLeavesAFileThatCanBeRead() throws Exception {
        for (var part : Builds.locks().nodes().get(0).parts()) {
            if (!part.isBoard()) {
                Build without = new RemovePart("lower-lock", part.id()).apply(Builds.locks());
                assertEquals(without, BuildReader.parse(Path.of("x"), BuildWriter.print(without), CATALOG), part.id());
            }
        }
    }
}
