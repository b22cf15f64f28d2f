package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.PwmNeed;
import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Frequency;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What code takes of the timers of a board: known from the parts, said by the builder, or the board's own. */
class TimerClaimsTest {
    private static final String CODE = "pwm.timer_clash";

    private static Builds hearing() {
        return Builds.classic().part("ear", "infrared-receiver", "VS=board.5V").wire("ear.OUT", "board.D2");
    }

    private static Builds lamp(Builds builds, String pin) {
        return builds.part("lamp", "rgb-led-cathode").wire("lamp.R", pin);
    }

    private static Builds servo(String pin) {
        return Builds.classic().part("turn", "servo-micro", "V+=board.5V").wire("turn.SIG", pin);
    }

    /** A servo that is driven by a pin's own timer, without the usual code, which switches any pin. */
    private static Builds plainServo(String pin) {
        return servo(pin).setting("turn", "claims", "none");
    }

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    /** On the classic board tones and infrared are both made with timer 2. */
    @Test
    void twoPiecesOfCodeOnOneTimerAreTold() throws Exception {
        Builds both = hearing().setting("board", "claims", "tone");
        Finding finding = RuleKit.firesAt(both, CODE, "ear");
        assertEquals("pwm.timer_clash.two", finding.sentence().key());
        assertEquals(List.of("no-claim-ear", "no-claim-board"), ids(finding));
        for (Fix fix : finding.fixes()) {
            RuleKit.wayOut(both.build(), finding, fix);
        }
        RuleKit.quiet(hearing(), CODE);
        RuleKit.quiet(hearing().setting("board", "claims", "servo pulses"), CODE);
        RuleKit.quiet(hearing().setting("board", "claims", "none"), CODE);
        RuleKit.quiet(hearing().setting("board", "claims", "tone").setting("ear", "claims", "none"), CODE);
    }

    @Test
    void twoPartsOfOneUseAreOneCode() {
        RuleKit.quiet(hearing().part("beam", "infrared-led").wire("beam.A", "board.D3"), CODE);
    }

    @Test
    void pulsesOnATimerThatIsTakenAreToldWithHowItIsKnown() throws Exception {
        assertEquals(
                "pwm.timer_clash.claim",
                RuleKit.fires(lamp(hearing(), "board.D3"), CODE).sentence().key());
        Builds set = lamp(Builds.classic().setting("board", "claims", "tone"), "board.D3");
        Finding finding = RuleKit.fires(set, CODE);
        assertEquals("pwm.timer_clash.claim_set", finding.sentence().key());
        assertTrue(ids(finding).contains("no-claim-board"), ids(finding).toString());
        RuleKit.everyWayOut(set, CODE);
        RuleKit.quiet(lamp(hearing().setting("ear", "claims", "none"), "board.D3"), CODE);
        RuleKit.quiet(lamp(hearing(), "board.D9"), CODE);
    }

    /** Timer 0 of the classic board keeps the time and pulses its pins at 16 MHz / 64 / 256. */
    @Test
    void theTimeBaseCannotPulseAServo() throws Exception {
        RuleKit.quiet(servo("board.D5"), CODE);
        Finding finding = RuleKit.fires(plainServo("board.D5"), CODE);
        assertEquals("pwm.timer_clash.base", finding.sentence().key());
        assertEquals(50, finding.evidence().get(0).value().si(), 1e-9);
        assertEquals(16e6 / 64 / 256, finding.evidence().get(1).value().si(), 0.01);
        assertFalse(ids(finding).contains("no-claim-board"), "it runs in any case");
        RuleKit.everyWayOut(plainServo("board.D5"), CODE);
        RuleKit.quiet(plainServo("board.D9"), CODE);
        RuleKit.quiet(lamp(Builds.classic(), "board.D5"), CODE);
        RuleKit.quiet(Builds.classic().part("drive", "motor-driver").wire("drive.PWMA", "board.D5"), CODE);
    }

    @Test
    void exactPulsesBearATenth() {
        PwmNeed servo = CATALOG.get("servo-micro").pwm().orElseThrow();
        assertTrue(servo.isExact());
        assertTrue(servo.isNear(Frequency.ofHertz(55)) && servo.isNear(Frequency.ofHertz(45)));
        assertFalse(servo.isNear(Frequency.ofHertz(55.1)) || servo.isNear(Frequency.ofHertz(44.9)));
        assertFalse(CATALOG.get("motor-driver").pwm().orElseThrow().isExact());
    }

    private static Set<String> planned(Builds builds, String part) throws Exception {
        Build build = builds.build();
        Build done = new Planner(build, CATALOG)
                .plan(Builds.NODE)
                .edit()
                .orElseThrow()
                .apply(build);
        return done.nodes().get(0).wires().stream()
                .filter(wire -> wire.from().part().equals(part))
                .map(wire -> wire.to().pin())
                .collect(Collectors.toSet());
    }

    @Test
    void aPlanKeepsPulsesOffWhatIsTaken() throws Exception {
        assertTrue(Set.of("D9", "D10")
                .containsAll(planned(
                        Builds.classic().part("turn", "servo-micro").setting("turn", "claims", "none"), "turn")));
        Builds tones = Builds.classic().setting("board", "claims", "tone").part("lamp", "rgb-led-cathode");
        Set<String> pins = planned(tones, "lamp");
        assertFalse(pins.contains("D3") || pins.contains("D11"), pins.toString());
    }

    @Test
    void theSettingTakesWhatTheClassHas() {
        assertEquals(
                List.of("tone", "servo pulses"),
                Settings.CLAIMS
                        .read(CATALOG.get("board-classic-5v"), "tone, servo pulses")
                        .orElseThrow());
        assertTrue(Settings.CLAIMS
                .read(CATALOG.get("board-classic-5v"), "time base")
                .isEmpty());
        assertTrue(Settings.CLAIMS.read(CATALOG.get("servo-micro"), "tone").isEmpty());
        assertEquals(
                List.of(),
                Settings.CLAIMS.read(CATALOG.get("servo-micro"), "none").orElseThrow());
    }
}
