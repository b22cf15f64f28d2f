package inkel.core.loop;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.edit.SetSetting;
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
        // At 400 kHz the picture takes a quarter: 99.9 ms together.
        assertEquals(
                List.of("faster", "apart", "fewer-polls"),
                finding.fixes().stream().map(Fix::id).toList());
        RuleKit.everyWayOut(crowded(), CODE);
        RuleKit.quiet(crowded().setting("board", "turns", "apart"), CODE);
    }

    /**
     * A picture of about 1 kB: 99.1 ms at 100 kHz, and a quarter of that at 400 kHz. The display's own 4.7 kΩ and two devices of
     * the bus let the wires rise in time for it, a pull-up of 100 kΩ does not.
     */
    @Test
    void aFasterBusIsOfferedFirstWhereItIsEnough() throws Exception {
        Builds table = picture().setting("keys", "polls", "100 Hz");
        Finding finding = RuleKit.fires(table, CODE);
        assertEquals("faster", finding.fixes().get(0).id());
        assertEquals(
                List.of("400 kHz"),
                finding.fixes().get(0).edits().stream()
                        .map(edit -> ((SetSetting) edit).value())
                        .toList());
        RuleKit.everyWayOut(table, CODE);
        assertEquals(List.of(), faster(picture().setting("keys", "polls", "500 Hz")), "not at 400 kHz either");
        assertEquals(
                List.of(),
                faster(picture()
                        .setting("keys", "polls", "100 Hz")
                        .figure("oled", "pull-up/SDA", "100 kΩ")
                        .figure("oled", "pull-up/SCL", "100 kΩ")));
        assertEquals(
                List.of(),
                faster(picture()
                        .setting("keys", "polls", "100 Hz")
                        .part("ports", "port-expander", "VCC=board.3V3")
                        .wire("ports.SDA", "board.A4")
                        .wire("ports.SCL", "board.A5")),
                "the expander takes 100 kHz");
    }

    private static Builds picture() {
        return Builds.classic()
                .part("oled", "display-small-graphic", "VCC=board.3V3")
                .wire("oled.SDA", "board.A4")
                .wire("oled.SCL", "board.A5")
                .part("keys", "keypad-16")
                .wire("keys.R1", "board.D2")
                .wire("keys.C1", "board.D3");
    }

    private static List<String> faster(Builds table) {
        return RuleKit.fires(table, CODE).fixes().stream()
                .map(Fix::id)
                .filter("faster"::equals)
                .toList();
    }
}
