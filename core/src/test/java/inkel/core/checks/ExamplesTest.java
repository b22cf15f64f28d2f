package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;

class ExamplesTest {
    private static Assessment assess(Build build) {
        return Assessment.assess(build, CATALOG);
    }

    @Test
    void theHealthyExampleHasNothingToStopFor() {
        assertEquals(List.of(), assess(Builds.locks()).findings());
    }

    @Test
    void theLampHasNothingToStopForEither() {
        assertEquals(List.of(), assess(Builds.example("moth-lamp.inkel.json")).findings());
    }

    @Test
    void theFirstSketchHasTheseFaults() {
        Set<String> codes = assess(Builds.firstSketch()).findings().stream()
                .filter(finding -> finding.severity() != Severity.NOTE)
                .map(Finding::code)
                .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(
                new TreeSet<>(Set.of(
                        "code.blocks",
                        "code.loop_slow",
                        "i2c.address_clash",
                        "i2c.address_reserved",
                        "i2c.no_pullup",
                        "levels.harms",
                        "levels.not_read",
                        "parts.no_supply",
                        "parts.supply_too_high",
                        "parts.supply_too_low",
                        "pins.not_placed",
                        "pins.two_drivers",
                        "power.burst_droop",
                        "power.no_common_ground",
                        "power.rail_peak",
                        "power.servo_from_board",
                        "power.source_over",
                        "power.wire_drop",
                        "uart.baud_error",
                        "uart.console_shared",
                        "uart.not_crossed")),
                codes);
    }

    @Test
    void assessingTwiceGivesTheSame() {
        assertEquals(
                assess(Builds.firstSketch()).findings().toString(),
                assess(Builds.firstSketch()).findings().toString());
    }

    @Test
    void theWorstComesFirst() {
        List<Severity> severities = assess(Builds.firstSketch()).findings().stream()
                .map(Finding::severity)
                .toList();
        assertEquals(severities.stream().sorted().toList(), severities);
    }

    /** Every way out of every fault: it applies, its finding is gone, and the result is a file that can be read. */
    @TestFactory
    Stream<DynamicTest> everyWayOutDoesWhatItSays() {
        Build sketch = Builds.firstSketch();
        return assess(sketch).findings().stream().flatMap(finding -> finding.fixes().stream()
                .map(fix -> DynamicTest.dynamicTest(
                        finding.code() + " at " + finding.place() + ": " + fix.id(),
                        () -> tryOut(sketch, finding, fix))));
    }

    private static void tryOut(Build sketch, Finding finding, Fix fix) throws Exception {
        RuleKit.wayOut(sketch, finding, fix);
        assertEquals(sketch, Builds.firstSketch(), "undo is the old build, untouched");
    }

    /** Taking the first way out again and again mends the sketch as far as the catalogue has the parts for it. */
    @Test
    void firstWaysOutLeadOutOfTheSketch() throws EditRefused {
        Build build = Builds.firstSketch();
        long before = assess(build).count(Severity.STOP);
        for (int step = 0; step < 150; step++) {
            var mendable = assess(build).findings().stream()
                    .filter(finding -> !finding.fixes().isEmpty())
                    .findFirst();
            if (mendable.isEmpty()) {
                break;
            }
            build = mendable.get().fixes().get(0).apply(build);
        }
        List<String> left = assess(build).findings().stream().map(Finding::code).toList();
        assertTrue(before >= 12);
        assertTrue(left.stream().allMatch(code -> code.startsWith("levels.")), left.toString());
        // The modem's own levels, on both boards, want a buffer that brings them up: issue of the stage Levels.
        assertTrue(left.size() <= 4, left.toString());
    }

    @Test
    void everyRuleIsRegisteredOnceUnderAKnownCode() {
        List<String> codes = RuleBook.infos().stream().map(RuleInfo::code).toList();
        assertEquals(codes.size(), new HashSet<>(codes).size());
        for (RuleInfo info : RuleBook.infos()) {
            assertTrue(info.code().matches("[a-z0-9]+\\.[a-z_]+"), info.code());
        }
    }
}
