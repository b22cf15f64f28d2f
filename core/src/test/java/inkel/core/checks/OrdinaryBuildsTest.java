package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.pins.Planner;
import inkel.core.remedy.AddParts;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Builds as people really make them, each a file: put on the table and shared out by the program itself they show nothing to
 * stop for and at most two things to look at, or the file says why not.
 */
class OrdinaryBuildsTest {
    private static final Path FOLDER = Path.of("src/test/resources/inkel/core/ordinary");
    private static final int MOST_LOOKS = 2;
    private static final int MOST_EXCUSED = 4;

    static Stream<Path> files() throws IOException {
        return Files.list(FOLDER).sorted();
    }

    private static JsonNode read(Path file) {
        try {
            return new ObjectMapper().readTree(file.toFile());
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void itIsQuiet(Path file) throws Exception {
        JsonNode given = read(file);
        List<Finding> findings = Assessment.assess(built(given), CATALOG).findings();
        List<String> stops = told(findings, Severity.STOP);
        List<String> looks = told(findings, Severity.LOOK);
        boolean isQuiet = stops.isEmpty() && looks.size() <= MOST_LOOKS;
        if (given.has("why_not")) {
            assertTrue(!isQuiet, "it needs no excuse any more");
        } else {
            assertEquals(List.of(), stops);
            assertTrue(looks.size() <= MOST_LOOKS, looks.toString());
        }
    }

    private static List<String> told(List<Finding> findings, Severity severity) {
        return findings.stream()
                .filter(finding -> finding.severity() == severity)
                .map(finding -> finding.code() + " at " + finding.place() + " " + finding.sentence())
                .toList();
    }

    /** The table as a builder lays it: the board on its supply, the parts as the program feeds them, shared out. */
    private static Build built(JsonNode given) throws Exception {
        PartClass board = CATALOG.get(given.get("board").asText());
        Build build = Builds.powered(board).build();
        String supply = given.get("supply").asText();
        if (!supply.equals("usb-port")) {
            Part source = build.nodes().get(0).part("usb").orElseThrow().withClass(supply);
            String rail = CATALOG.get(supply).outputs().get(0).pin();
            build = build.withNode(NODE, old -> old.withPart("usb", was -> source)
                    .withPart(Part.BOARD, was -> was.withFeed("USB", new Endpoint("usb", rail))));
        }
        for (JsonNode part : given.get("parts")) {
            build = Edit.applyAll(build, AddParts.of(node(build), CATALOG.get(part.asText()), 1));
        }
        for (Map.Entry<String, JsonNode> own : given.path("own").properties()) {
            build = onItsOwn(build, own.getKey(), own.getValue().asText());
        }
        for (Finding unfed : Builds.of(Assessment.assess(build, CATALOG), "parts.no_supply")) {
            build = unfed.fixes().get(0).apply(build);
        }
        return new Planner(build, CATALOG).plan(NODE).edit().orElseThrow().apply(build);
    }

    private static NodeCircuit node(Build build) {
        return Circuit.of(build, CATALOG).nodes().get(0);
    }

    /** All parts of a class on a supply of their own. */
    private static Build onItsOwn(Build build, String cls, String source) throws Exception {
        Build with = Edit.applyAll(build, AddParts.of(node(build), CATALOG.get(source), 1));
        List<Edit> edits = new ArrayList<>();
        for (Part part : with.nodes().get(0).parts()) {
            if (part.classId().equals(cls)) {
                String pin = CATALOG.get(cls).supplies().get(0).pin();
                edits.add(new Feed(NODE, part.id(), pin, new Endpoint(source, "+")));
            }
        }
        return Edit.applyAll(with, edits);
    }

    @Test
    void thereAreEnoughAndFewAreExcused() throws IOException {
        List<Path> all = files().toList();
        assertTrue(all.size() >= 60, "" + all.size());
        assertTrue(all.stream().filter(file -> read(file).has("why_not")).count() <= MOST_EXCUSED);
    }
}
