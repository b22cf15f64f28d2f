package inkel.core.levels;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Marks of 0.35 µs through 10 kΩ and 36 pF: 2.2·R·C = 0.79 µs, where three tenths of a mark are 0.105 µs. */
class ShortestPulseTest {
    private static Builds strip() {
        return Builds.dualCore()
                .part("bench", "wall-supply-5v")
                .part("strip", "led-addressable", "V+=bench.+")
                .wire("strip.DIN", "board.GP2");
    }

    @Test
    void aTransistorShifterIsTooSlowForAStrip() {
        Finding slow = RuleKit.fires(
                strip().part("shifter", "shifter-4", "LV=board.3V3", "HV=bench.+")
                        .between(new Between.ShifterWay(end("strip.DIN"), "shifter", 1, Extras.NONE)),
                "levels.shifter_slow");
        assertEquals(
                0.79e-6,
                slow.evidence().stream()
                        .filter(evidence -> evidence.key().equals("rise"))
                        .findFirst()
                        .orElseThrow()
                        .value()
                        .si(),
                0.01e-6);
    }

    @Test
    void theWayOutIsOneThatIsQuickEnough() {
        Finding finding = strip().assess().findings().stream()
                .filter(found -> found.code().startsWith("levels."))
                .filter(found -> found.place().toString().contains("strip"))
                .findFirst()
                .orElseThrow();
        Optional<String> first = finding.fixes().stream()
                .map(fix -> fix.id())
                .filter(id -> id.contains("shift") || id.contains("buffer"))
                .findFirst();
        assertTrue(
                first.filter(id -> id.contains("buffer")).isPresent(),
                finding.fixes().toString());
    }
}
