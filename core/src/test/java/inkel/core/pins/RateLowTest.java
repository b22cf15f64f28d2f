package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A sensor of 50 Hz wants 500 readings a second of each axis; the external converter makes 860, a classic board 9600. */
class RateLowTest {
    private static final String CODE = "adc.rate_low";

    private static Builds sensor(String... pins) {
        Builds builds = Builds.classic()
                .part("adc", "adc-16", "VDD=board.5V")
                .part("tilt", "accelerometer-analog", "VCC=board.3V3")
                .part("knob", "knob", "VCC=board.5V");
        for (int i = 0; i < pins.length; i++) {
            builds.wire("tilt." + "XYZ".charAt(i), pins[i]);
        }
        return builds;
    }

    private static List<Finding> found(Builds builds) {
        return Builds.of(Assessment.assess(builds.build(), Builds.CATALOG), CODE);
    }

    @Test
    void threeAxesShareOneConverter() throws Exception {
        Builds builds = sensor("adc.A0", "adc.A1", "adc.A2");
        List<Finding> found = found(builds);
        assertEquals(3, found.size());
        assertEquals(860 / 3.0, RuleKit.si(found.get(0), "readings"), 1e-9);
        assertEquals(500, RuleKit.si(found.get(0), "readings_wanted"), 1e-9);
        List<String> ids = found.get(0).fixes().stream().map(Fix::id).toList();
        assertTrue(ids.get(0).startsWith("move-tilt.X-to-board.A"), "the board's own converter is quick enough");
        assertEquals("slower-tilt.X", ids.get(ids.size() - 1));
        for (Fix fix : found.get(0).fixes()) {
            List<Finding> left = Builds.of(Assessment.assess(fix.apply(builds.build()), Builds.CATALOG), CODE);
            assertTrue(
                    left.stream().noneMatch(other -> other.place()
                            .equals(found.get(0).place())),
                    fix.id());
        }
    }

    @Test
    void oneAxisAloneIsReadOftenEnough() {
        assertEquals(List.of(), found(sensor("adc.A0")));
    }

    // Two share it: 430 a second are too few; a knob, which is as slow as a hand, counts as a channel all the same.
    @Test
    void everyChannelInUseCounts() {
        assertEquals(2, found(sensor("adc.A0", "adc.A1")).size());
        assertEquals(1, found(sensor("adc.A0").wire("knob.OUT", "adc.A3")).size());
    }

    @Test
    void aQuickConverterReadsAll() {
        assertEquals(List.of(), found(sensor("board.A0", "board.A1", "board.A2")));
    }

    // 860 readings a second are ten for each period of 86 Hz.
    @ParameterizedTest
    @CsvSource({"86 Hz, 0", "86.1 Hz, 1", "5 Hz, 0"})
    void theBuildersWordCounts(String upTo, int found) {
        assertEquals(
                found, found(sensor("adc.A0").setting("tilt", "up_to", upTo)).size());
    }
}
