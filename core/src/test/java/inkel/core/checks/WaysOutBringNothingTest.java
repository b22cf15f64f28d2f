package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.document.Build;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.TableFile;
import inkel.core.pins.Plan;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * No way out of a planted fault brings anything to stop for that was not there before, and the first of them nothing to look
 * at either, unless every one of them does.
 */
class WaysOutBringNothingTest {
    static Stream<Path> files() throws Exception {
        return FaultyBuildsTest.files();
    }

    private static Set<String> told(Build build, Severity severity) {
        return Assessment.assess(build, CATALOG).findings().stream()
                .filter(finding -> finding.severity() == severity)
                .map(Finding::code)
                .collect(Collectors.toSet());
    }

    /** With what the program shares out by itself afterwards. */
    private static Build taken(Build build, Fix fix) throws Exception {
        Build after = fix.apply(build);
        for (String node : AsOneGoes.due(build, after, CATALOG)) {
            Optional<Plan> plan = AsOneGoes.of(after, CATALOG, node, () -> false);
            after = plan.isPresent() ? plan.get().edit().orElseThrow().apply(after) : after;
        }
        return after;
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void nothingNewIsToBeStoppedForAndTheFirstIsClean(Path file) throws Exception {
        JsonNode given = TableFile.read(file);
        Build build = TableFile.done(given);
        Set<String> stops = told(build, Severity.STOP);
        Set<String> before = told(build, Severity.LOOK);
        before.addAll(stops);
        Finding first = Assessment.assess(build, CATALOG).findings().get(0);
        List<String> brought = new ArrayList<>();
        List<String> looks = new ArrayList<>();
        List<Integer> left = new ArrayList<>();
        for (Fix fix : first.fixes()) {
            Build after = taken(build, fix);
            Set<String> now = told(after, Severity.STOP);
            left.add(now.size());
            now.removeAll(stops);
            if (fix.id().equals("take-away")) {
                // Who takes a wire to a pin that is gone away has a signal to place, and is told so.
                now.remove("pins.not_placed");
            }
            if (!now.isEmpty()) {
                brought.add(fix.id() + " brings " + now);
            }
            Set<String> seen = told(after, Severity.LOOK);
            seen.removeAll(before);
            looks.add(seen.isEmpty() ? "" : fix.id() + " brings " + seen);
        }
        assertEquals(List.of(), brought);
        // One that brings nothing to look at goes before one that does, unless it leaves more to stop for.
        boolean isClean = looks.isEmpty()
                || looks.get(0).isEmpty()
                || IntStream.range(1, looks.size())
                        .noneMatch(i -> looks.get(i).isEmpty() && left.get(i) <= left.get(0));
        assertTrue(isClean, looks + " leave " + left);
    }
}
