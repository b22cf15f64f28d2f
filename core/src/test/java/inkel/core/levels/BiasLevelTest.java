package inkel.core.levels;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.LogLine;
import inkel.core.document.edit.Measure;
import inkel.core.finding.Evidence;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A knob at the contrast of a display, which bears 0.3 V above the display's own supply. */
class BiasLevelTest {
    private static Builds knobAt(String rail) {
        return Builds.classic()
                .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("bench", "bench-supply")
                .part("knob", "knob", "VCC=" + rail)
                .wire("text.VO", "knob.OUT");
    }

    private static List<BiasLevel> levels(Builds builds) {
        return levels(builds.build());
    }

    private static List<BiasLevel> levels(Build build) {
        return LevelReport.of(Circuit.of(build, CATALOG)).bias();
    }

    private static Build measured(double volts) throws EditRefused {
        return new Measure(
                        NODE,
                        end("text.VO"),
                        LogLine.What.HIGH,
                        Voltage.ofVolts(volts),
                        volts + " V",
                        LogLine.By.TYPED,
                        Instant.parse("2026-05-01T18:30:00Z"))
                .apply(knobAt("bench.+").build());
    }

    @Test
    void onOneRailTheTopOfTheKnobIsTheDisplaysOwn() {
        // Behind a port of 5.25 V at the most.
        BiasLevel level = levels(knobAt("board.5V")).get(0);
        assertEquals(5.25, level.highest().volts(), 1e-9);
        assertEquals(5.55, level.tolerated().volts(), 1e-9);
        assertEquals(Source.CLASS, level.source());
        assertEquals(end("knob.OUT"), level.from());
        assertFalse(level.harms());
    }

    @Test
    void onTwoRailsTheHighestMeetsTheLowest() {
        // 4.75 V and 0.3 V are 5.05 V; a bench supply gives what it is set to.
        BiasLevel below =
                levels(knobAt("bench.+").setting("bench", "volts", "5.05 V")).get(0);
        assertEquals(5.05, below.highest().volts(), 1e-9);
        assertEquals(5.05, below.tolerated().volts(), 1e-9);
        assertFalse(below.harms());
        Builds above = knobAt("bench.+").setting("bench", "volts", "5.06 V");
        Finding finding = RuleKit.firesAt(above, "levels.harms", "text.VO");
        assertEquals("levels.harms.bias", finding.sentence().key());
        assertEquals(0.01, RuleKit.si(finding, "too_much_by"), 1e-9);
    }

    @Test
    void itsVeryLimitIsBorne() throws Exception {
        assertFalse(levels(measured(5.05)).get(0).harms());
        assertTrue(levels(measured(5.06)).get(0).harms());
    }

    @Test
    void whatWasMeasuredIsBelieved() throws Exception {
        Finding finding = Builds.of(Assessment.assess(measured(5.2), CATALOG), "levels.harms").stream()
                .findFirst()
                .orElseThrow();
        Evidence first = finding.evidence().get(0);
        assertEquals(5.2, first.value().si(), 1e-9);
        assertEquals(Source.MEASURED, first.source());
    }

    @Test
    void whatIsNotFedGivesAndBearsNothingKnown() {
        assertEquals(
                List.of(),
                levels(Builds.classic()
                        .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                        .part("knob", "knob")
                        .wire("text.VO", "knob.OUT")));
        assertEquals(
                List.of(),
                levels(Builds.classic()
                        .part("text", "display-2x16-parallel")
                        .part("knob", "knob", "VCC=board.5V")
                        .wire("text.VO", "knob.OUT")));
        // A wire to ground is no voltage that something gives.
        assertEquals(
                List.of(),
                levels(Builds.classic()
                        .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                        .wire("text.VO", "board.GND")));
    }
}
