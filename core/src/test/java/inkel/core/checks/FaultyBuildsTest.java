package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.finding.Finding;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.kit.TableFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Healthy tables with one fault planted in each: a file says what is done to it and which finding must come first. */
class FaultyBuildsTest {
    private static final Path FOLDER = Path.of("src/test/resources/inkel/core/faulty");

    static Stream<Path> files() throws IOException {
        return Files.list(FOLDER).sorted();
    }

    private static List<Finding> findings(JsonNode given, boolean isDone) throws Exception {
        return Assessment.assess(isDone ? TableFile.done(given) : TableFile.laid(given), CATALOG)
                .findings();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void theFaultComesFirst(Path file) throws Exception {
        JsonNode given = TableFile.read(file);
        List<Finding> found = findings(given, true);
        assertTrue(!found.isEmpty(), "nothing is found");
        List<String> told = found.stream()
                .map(finding -> finding.severity() + " " + finding.code() + " at " + finding.place())
                .toList();
        assertEquals(given.get("first").asText(), found.get(0).code(), told.toString());
        assertEquals(
                given.path("severity").asText("STOP"), found.get(0).severity().name(), told.toString());
        if (given.has("at")) {
            assertEquals(given.get("at").asText(), found.get(0).place().toString(), told.toString());
        }
    }

    /** One cause, one finding: nothing else is to be stopped for, unless the file says what follows from it. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void nothingElseIsToBeStoppedFor(Path file) throws Exception {
        JsonNode given = TableFile.read(file);
        Set<String> allowed = new TreeSet<>(Set.of(given.get("first").asText()));
        given.path("also").forEach(code -> allowed.add(code.asText()));
        Set<String> stops = findings(given, true).stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .map(Finding::code)
                .collect(Collectors.toCollection(TreeSet::new));
        stops.removeAll(allowed);
        assertEquals(Set.of(), stops);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void withoutItTheTableIsHealthy(Path file) throws Exception {
        JsonNode given = TableFile.read(file);
        if (given.has("then")) {
            assertEquals(
                    List.of(),
                    findings(given, false).stream()
                            .filter(finding -> finding.severity() == Severity.STOP)
                            .map(Finding::code)
                            .toList());
        }
    }

    @Test
    void everyCodeThatStopsIsPlanted() throws IOException {
        Set<String> planted = new TreeSet<>();
        List<Path> all = files().toList();
        for (Path file : all) {
            JsonNode given = TableFile.read(file);
            if (given.path("severity").asText("STOP").equals("STOP")) {
                planted.add(given.get("first").asText());
            }
        }
        Set<String> missing = RuleBook.infos().stream()
                .filter(info -> info.severity() == Severity.STOP)
                .map(RuleInfo::code)
                .collect(Collectors.toCollection(TreeSet::new));
        missing.removeAll(planted);
        assertEquals(Set.of(), missing);
        assertTrue(all.size() >= 60, all.size() + " files");
    }
}
