package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Which pins a signal is offered where the free ones that come first would bring the same fault back. */
class WaysOutOfAPinTest {
    private static List<String> offered(Builds build, String code) throws Exception {
        Finding finding = RuleKit.fires(build, code);
        RuleKit.everyWayOut(build.build(), finding);
        return finding.fixes().stream()
                .map(fix -> fix.edits().get(0))
                .filter(SetWire.class::isInstance)
                .map(edit -> ((SetWire) edit).wire().to().pin())
                .toList();
    }

    /** The dual-core controller has eight slices; pins n and n + 1 share one, and so do pins 16 apart. */
    private static int slice(String pin) {
        return Integer.parseInt(pin.substring("GP".length())) / 2 % 8;
    }

    private static Builds servo() {
        return Builds.dualCore().part("servo", "servo-micro", "V+=board.VBUS").wire("servo.SIG", "board.GP0");
    }

    @Test
    void noPinOfTheClaimedTimer() throws Exception {
        // D3 and D11 are on timer 2, which the receiver's program takes; D5, D6, D9 and D10 are taken.
        List<String> offered = offered(
                Builds.classic()
                        .part("handset", "infrared-receiver", "VS=board.5V")
                        .part("pan", "servo-micro", "V+=board.5V")
                        .part("tilt", "servo-micro", "V+=board.5V")
                        .part("grip", "servo-micro", "V+=board.5V")
                        .setting("grip", "claims", "none")
                        .part("motor", "motor-driver", "VCC=board.5V")
                        .wire("handset.OUT", "board.D7")
                        .wire("pan.SIG", "board.D9")
                        .wire("tilt.SIG", "board.D10")
                        .wire("motor.PWMA", "board.D5")
                        .wire("motor.PWMB", "board.D6")
                        .wire("grip.SIG", "board.D3"),
                "pwm.timer_clash");
        assertFalse(offered.isEmpty(), "a pin whose pulses the program makes is still a way out");
        assertFalse(offered.contains("D11"), offered.toString());
    }

    @Test
    void noPinOfTheSliceThatRunsAtAnotherFrequency() throws Exception {
        List<String> offered = offered(
                servo().part("motor", "motor-driver", "VCC=board.3V3").wire("motor.PWMA", "board.GP16"),
                "pwm.timer_clash");
        assertEquals(3, offered.size());
        assertTrue(offered.stream().noneMatch(pin -> slice(pin) == 0), offered.toString());
    }

    @Test
    void noPinToMeasureOnOfTheSliceThatMakesPulses() throws Exception {
        List<String> offered = offered(
                servo().part("rc", "rc-receiver", "V+=board.VBUS").wire("rc.CH1", "board.GP17"), "pwm.input_channel");
        assertEquals(3, offered.size());
        assertTrue(offered.stream().noneMatch(pin -> slice(pin) == 0), offered.toString());
    }

    @Test
    void twoServosOnOneChannel() throws Exception {
        // Pins 16 apart are one channel of a slice: both servos would get the same pulses.
        Builds two = servo().part("pan", "servo-micro", "V+=board.VBUS").wire("pan.SIG", "board.GP16");
        Finding finding = RuleKit.fires(two, "pwm.timer_clash");
        assertEquals("pwm.timer_clash.channel", finding.sentence().key());
        List<String> offered = offered(two, "pwm.timer_clash");
        assertEquals(3, offered.size());
        assertFalse(offered.contains("GP0"), offered.toString());
    }

    @Test
    void theOtherChannelOfASliceRunsAtTheSameFrequency() {
        RuleKit.quiet(
                servo().part("pan", "servo-micro", "V+=board.VBUS").wire("pan.SIG", "board.GP17"), "pwm.timer_clash");
    }

    @Test
    void onlyPinsOfTheConverterThatRuns() throws Exception {
        Builds build = Builds.on("board-wireless-3v3")
                .part("level", "water-level", "+=board.3V3")
                .wire("level.S", "board.D27");
        // The first converter is on GPIO 32 to 39.
        Set<String> first = Set.of("D32", "D33", "D34", "D35", "VP", "VN");
        List<String> offered = offered(build, "adc.no_analog");
        assertEquals(3, offered.size());
        assertTrue(first.containsAll(offered), offered.toString());
        Finding finding = RuleKit.fires(build, "adc.no_analog");
        assertEquals("wireless-off", finding.fixes().get(3).id());
    }
}
