package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.TableFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
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

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void itIsQuiet(Path file) throws Exception {
        JsonNode given = TableFile.read(file);
        List<Finding> findings =
                Assessment.assess(TableFile.done(given), CATALOG).findings();
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

    @Test
    void thereAreEnoughAndFewAreExcused() throws IOException {
        List<Path> all = files().toList();
        assertTrue(all.size() >= 60, "" + all.size());
        assertTrue(
                all.stream().filter(file -> TableFile.read(file).has("why_not")).count() <= MOST_EXCUSED);
    }
}
