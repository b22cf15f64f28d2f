package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.document.Build;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.TableFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** No way out of a planted fault brings anything to stop for that was not there before. */
class WaysOutBringNothingTest {
    static Stream<Path> files() throws Exception {
        return FaultyBuildsTest.files();
    }

    private static Set<String> stops(Build build) {
        return Assessment.assess(build, CATALOG).findings().stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .map(Finding::code)
                .collect(Collectors.toSet());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void nothingNewIsToBeStoppedFor(Path file) throws Exception {
        JsonNode given = TableFile.read(file);
        Build build = TableFile.done(given);
        Set<String> before = stops(build);
        Finding first = Assessment.assess(build, CATALOG).findings().get(0);
        List<String> brought = new ArrayList<>();
        for (Fix fix : first.fixes()) {
            Set<String> now = stops(fix.apply(build));
            now.removeAll(before);
            if (fix.id().equals("take-away")) {
                // Who takes a wire to a pin that is gone away has a signal to place, and is told so.
                now.remove("pins.not_placed");
            }
            if (!now.isEmpty()) {
                brought.add(fix.id() + " brings " + now);
            }
        }
        assertEquals(List.of(), brought);
    }
}
