package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** On the classic board the start-up program blinks at D13 and the rest floats; of the small wireless one D5 to D7 go high. */
class ActsAtStartTest {
    private static final String CODE = "pins.acts_at_start";

    private static Builds relay(String board, String relay, String rail, String pin) {
        return Builds.powered(Builds.CATALOG.get(board))
                .part("relay", relay, "VCC=board." + rail)
                .wire("relay.IN", "board." + pin);
    }

    @Test
    void aRelayOnTheBlinkingPinClicks() throws Exception {
        Builds builds = relay("board-classic-5v", "relay-one", "5V", "D13");
        assertEquals(Severity.LOOK, RuleKit.fires(builds, CODE).severity());
        RuleKit.everyWayOut(builds, CODE);
    }

    // One that a low switches on does not mind a high, and minds what moves.
    @ParameterizedTest(name = "{1} on {2} of {0}: {3}")
    @CsvSource({
        "board-classic-5v, relay-one, D7, false",
        "board-classic-5v, relay-opto, D13, true",
        "board-single-core-3v3, relay-one, D5, true",
        "board-single-core-3v3, relay-opto, D5, false",
        "board-single-core-3v3, relay-opto, D8, true",
        "board-single-core-3v3, relay-one, D8, false",
        "board-single-core-3v3, relay-one, D1, false"
    })
    void itHangsOnWhatSwitchesItOn(String board, String relay, String pin, boolean acts) {
        String rail = board.equals("board-classic-5v") ? "5V" : "3V3";
        Builds builds = relay(board, relay, rail, pin);
        if (acts) {
            RuleKit.fires(builds, CODE);
        } else {
            RuleKit.quiet(builds, CODE);
        }
    }

    // A bare coil hangs on the supply and is switched by a transistor: a high pulls it.
    @ParameterizedTest(name = "a coil on {0}: {1}")
    @CsvSource({"D5, true", "D8, false"})
    void aTransistorTurnsTheLevelOver(String pin, boolean acts) {
        Builds builds = Builds.powered(Builds.CATALOG.get("board-single-core-3v3"))
                .part("coil", "relay-coil", "V+=board.VIN")
                .wire("coil.IN", "board." + pin);
        if (acts) {
            RuleKit.fires(builds, CODE);
        } else {
            RuleKit.quiet(builds, CODE);
        }
    }

    @Test
    void aLampMayBlink() {
        RuleKit.quiet(Builds.classic().part("lamp", "led").wire("lamp.A", "board.D13"), CODE);
    }

    // Tones are pulses: a high alone makes none.
    @Test
    void aBuzzerThatWantsPulsesIsStillAtAHigh() {
        Builds high = Builds.powered(Builds.CATALOG.get("board-single-core-3v3"))
                .part("sound", "buzzer-passive", "VCC=board.3V3")
                .wire("sound.S", "board.D5");
        RuleKit.quiet(high, CODE);
        Builds moving =
                Builds.classic().part("sound", "buzzer-passive", "VCC=board.5V").wire("sound.S", "board.D13");
        RuleKit.fires(moving, CODE);
    }

    @ParameterizedTest
    @CsvSource({"board-single-core-3v3", "board-wireless-3v3"})
    void sharingOutKeepsARelayOffSuchPins(String board) throws Exception {
        Build build = Builds.powered(Builds.CATALOG.get(board))
                .part("relay", "relay-one", "VCC=board.VIN")
                .build();
        Build shared = new ShareOut(Builds.NODE, Builds.CATALOG).apply(build);
        assertTrue(shared.nodes().get(0).wire(Builds.end("relay.IN")).isPresent());
        assertEquals(List.of(), Builds.of(Assessment.assess(shared, Builds.CATALOG), CODE));
    }
}
