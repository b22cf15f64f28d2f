package inkel.core.loop;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

class LoopSlowRuleTest {
    private static final String CODE = "code.loop_slow";

    /** A sensor that stands for 750 ms, and a radio that is to be heard ten times a second. */
    private static Builds slow() {
        return Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("radio.SCK", "board.D13")
                .wire("radio.MISO", "board.D12")
                .wire("radio.MOSI", "board.D11")
                .wire("radio.CSN", "board.D10")
                .wire("radio.CE", "board.D9")
                .part("heat", "temperature-water", "VDD=board.5V")
                .wire("heat.DQ", "board.D7");
    }

    @Test
    void aConversionThatIsWaitedForMakesARadioLate() throws Exception {
        Finding finding = RuleKit.firesAt(slow(), CODE, "radio");
        // 750 ms, 3 ms of the radio's own and 40 bytes at 8 MHz.
        assertEquals(0.753 + 40 * 8 / 8e6, RuleKit.si(finding, "round"), 1e-9);
        assertEquals(0.1, RuleKit.si(finding, "wanted_every"), 1e-9);
        assertEquals(
                List.of("fetch-later", "fewer-polls"),
                finding.fixes().stream().map(Fix::id).toList());
        RuleKit.everyWayOut(slow(), CODE);
    }

    @Test
    void atFiveIntervalsItIsMetOftenEnough() {
        // The round takes 753.04 ms: 5 / 0.75304 = 6.6398 times a second is the limit.
        RuleKit.quiet(slow().setting("radio", "polls", "6.639 Hz"), CODE);
        RuleKit.fires(slow().setting("radio", "polls", "6.641 Hz"), CODE);
    }

    /** Four visits that are too long together, and not apart. */
    private static Builds crowded() {
        return Builds.on("board-big-5v")
                .part("oled", "display-small-graphic", "VCC=board.3V3")
                .wire("oled.SDA", "board.D20")
                .wire("oled.SCL", "board.D21")
                .part("eye", "distance-ultrasonic", "VCC=board.5V")
                .wire("eye.TRIG", "board.D28")
                .wire("eye.ECHO", "board.D30")
                .part("other", "distance-ultrasonic", "VCC=board.5V")
                .wire("other.TRIG", "board.D32")
                .wire("other.ECHO", "board.D34")
                .part("lid", "distance-ultrasonic", "VCC=board.5V")
                .wire("lid.TRIG", "board.D36")
                .wire("lid.ECHO", "board.D38")
                .part("keys", "keypad-16")
                .wire("keys.R1", "board.D22")
                .wire("keys.C1", "board.D23")
                .setting("keys", "polls", "30 Hz");
    }

    @Test
    void turnsThatAreBegunApartAreShortEnough() throws Exception {
        // 3 · 25 ms and 99.1 ms and 0.1 ms are 174.2 ms together, and five times 33.3 ms are 166.7 ms.
        Finding finding = RuleKit.fires(crowded(), CODE);
        assertEquals(0.17421, RuleKit.si(finding, "round"), 1e-6);
        assertEquals("apart", finding.fixes().get(0).id());
        RuleKit.everyWayOut(crowded(), CODE);
        RuleKit.quiet(crowded().setting("board", "turns", "apart"), CODE);
    }
}
