package inkel.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Build;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A bare buzzer straight on a pin: 18 mA usually, 30 mA at the most. */
class SounderTest {
    private static final String CODE = "power.pin_current";

    private static Builds on(String board, String pin) {
        return Builds.on(board).part("bz", "buzzer-legs").wire("bz.+", pin);
    }

    /** A pin of this board may carry 20 mA. */
    @ParameterizedTest(name = "{0}, at most {1}: {2}")
    @CsvSource({
        "18 mA, 20 mA,",
        "18 mA, 20.1 mA, LOOK",
        "20 mA, 30 mA, LOOK",
        "20.1 mA, 30 mA, STOP",
    })
    void whatItUsuallyTakesIsToStopFor(String usual, String most, Severity severity) throws Exception {
        Builds build = on("board-classic-5v", "board.D8")
                .figure("bz", "load/+/usual", usual)
                .figure("bz", "load/+/most", most);
        if (severity == null) {
            RuleKit.quiet(build, CODE);
        } else {
            Finding finding = RuleKit.firesAt(build, CODE, "bz.+");
            assertEquals(severity, finding.severity());
            assertEquals("power.pin_current.sounder", finding.sentence().key());
            RuleKit.everyWayOut(build, CODE);
        }
    }

    /** The plate with a transistor in its place, on the same pin and fed. */
    @Test
    void theSameOnAPlateTakesItsPlace() throws Exception {
        Builds build = on("board-dual-core-3v3", "board.GP8");
        Finding finding = RuleKit.firesAt(build, CODE, "bz.+");
        assertEquals(Severity.STOP, finding.severity(), "a pin of 12 mA");
        Build taken = finding.fixes().get(0).apply(build.build());
        assertEquals("buzzer", taken.nodes().get(0).part("bz").orElseThrow().classId());
        assertEquals(
                "board.GP8",
                taken.nodes().get(0).wire(Builds.end("bz.S")).orElseThrow().to().toString());
        assertEquals(
                Map.of("VCC", Builds.end("board.3V3")),
                taken.nodes().get(0).part("bz").orElseThrow().feeds());
        assertEquals(1, taken.nodes().get(0).wires().size());
    }

    /** 30 mA of its pin are 30 mA of what feeds the board. */
    @Test
    void itsCurrentIsThatOfTheBoardsRail() {
        double with = asked(on("board-classic-5v", "board.D8"));
        assertEquals(0.030, with - asked(Builds.classic()), 1e-9);
        // Nobody drives one without a wire.
        assertEquals(asked(Builds.classic()), asked(Builds.classic().part("bz", "buzzer-legs")), 1e-9);
    }

    private static double asked(Builds build) {
        return build.circuit().rail(Builds.end("board.5V")).orElseThrow().peak().amperes();
    }

    @Test
    void aPiezoAsksForNothing() {
        RuleKit.quiet(Builds.on("board-dual-core-3v3").part("bz", "piezo-disc").wire("bz.+", "board.GP8"), CODE);
    }
}
