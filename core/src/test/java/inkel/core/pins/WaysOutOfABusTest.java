package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a bus is offered, and what it is not: each amount worked by hand, at its limit and beyond it. */
class WaysOutOfABusTest {
    /** One converter whose pull-ups are a builder's own: 2 · 10 pF + 10 pF + 6 pF = 36 pF. */
    private static Builds pulled(String own, String clock) {
        return Builds.classic()
                .part("adc", "adc-16", "VDD=board.5V")
                .wire("adc.SDA", "board.A4")
                .wire("adc.SCL", "board.A5")
                .figure("adc", "pull-up/SDA", own)
                .figure("adc", "pull-up/SCL", own)
                .setting("board", "i2c_clock", clock);
    }

    /** 1100 bytes and one address take 9 clocks each, and 2 more: 9911 clocks a poll. */
    private static Builds screens(String clock, String... polls) {
        Builds build = Builds.classic().setting("board", "i2c_clock", clock);
        for (int i = 0; i < polls.length; i++) {
            String id = "screen-" + (i + 1);
            build.part(id, "display-small-graphic", "VCC=board.5V")
                    .setting(id, "address", List.of("0x3C", "0x3D").get(i))
                    .setting(id, "polls", polls[i])
                    .wire(id + ".SDA", "board.A4");
        }
        return build;
    }

    private static List<String> ways(Builds build, String code) throws Exception {
        Finding finding = RuleKit.fires(build, code);
        RuleKit.everyWayOut(build.build(), finding);
        return finding.fixes().stream().map(WaysOutOfABusTest::set).toList();
    }

    private static String set(Fix fix) {
        SetSetting edit = (SetSetting) fix.edits().get(0);
        return fix.id() + " " + edit.part() + " " + edit.value();
    }

    @Test
    void aBusExactlyAsBusyAsItMayBe() throws Exception {
        // 7 · 9911 clocks of 99 110 a second are 70 %.
        RuleKit.quiet(screens("99.11 kHz", "7 Hz"), "i2c.bus_busy");
        RuleKit.fires(screens("99.109 kHz", "7 Hz"), "i2c.bus_busy");
        assertEquals(
                "fewer-polls screen-1 7 Hz",
                ways(screens("99.11 kHz", "8 Hz"), "i2c.bus_busy").get(1));
    }

    @Test
    void aFasterClockOrFewerPolls() throws Exception {
        // 8 · 9911 = 79 288 clocks: 20 % of 400 kHz; 70 % of 100 kHz is 7.06 polls.
        assertEquals(
                List.of("faster board 400 kHz", "fewer-polls screen-1 7 Hz"),
                ways(screens("100 kHz", "8 Hz"), "i2c.bus_busy"));
    }

    @Test
    void theSlowestUsualClockThatIsEnough() throws Exception {
        // 1 · 9911 clocks: 99 % of 10 kHz, 10 % of 100 kHz; 70 % of 10 kHz is 0.706 polls.
        assertEquals(
                List.of("faster board 100 kHz", "fewer-polls screen-1 700 mHz"),
                ways(screens("10 kHz", "1 Hz"), "i2c.bus_busy"));
    }

    @Test
    void theBusiestLeavesTheRestToTheOthers() throws Exception {
        // 2 · 9911 of 100 kHz are 19.8 % and leave 50.2 %: 5.06 polls of the other.
        assertEquals(
                List.of("faster board 400 kHz", "fewer-polls screen-1 5 Hz"),
                ways(screens("100 kHz", "6 Hz", "2 Hz"), "i2c.bus_busy"));
    }

    @Test
    void noPollsAreLeftWhereTheOthersFillTheBus() throws Exception {
        // Eight polls of either are 79 %: no number for one of them is few enough.
        assertEquals(List.of("faster board 400 kHz"), ways(screens("100 kHz", "8 Hz", "9 Hz"), "i2c.bus_busy"));
        // Seven are 69.377 % and leave room for 0.06 of a poll, which is none in tenths.
        assertEquals(List.of("faster board 400 kHz"), ways(screens("100 kHz", "8 Hz", "7 Hz"), "i2c.bus_busy"));
    }

    @Test
    void nothingFasterThanItsMembersTake() throws Exception {
        // 29 polls are 287 419 clocks, 72 % of the 400 kHz that is the most the screen takes.
        assertEquals(List.of("fewer-polls screen-1 28 Hz"), ways(screens("400 kHz", "29 Hz"), "i2c.bus_busy"));
    }

    /** Converters on 3.2 to 3.4 V, each with its own pull-ups; (3.4 V − 0.4 V)/3 mA = 1 kΩ. */
    private static Builds strong(String... own) {
        Builds build = Builds.dualCore();
        for (int i = 0; i < own.length; i++) {
            String id = "adc-" + (i + 1);
            build.part(id, "adc-16", "VDD=board.3V3")
                    .setting(id, "address", List.of("0x48", "0x49", "0x4A").get(i))
                    .wire(id + ".SDA", "board.GP4")
                    .wire(id + ".SCL", "board.GP5")
                    .figure(id, "pull-up/SDA", own[i])
                    .figure(id, "pull-up/SCL", own[i]);
        }
        return build;
    }

    @Test
    void pullUpsExactlyAsStrongAsMayBe() throws Exception {
        RuleKit.quiet(strong("1k"), "i2c.pullup_strong");
        RuleKit.quiet(strong("2k", "2k"), "i2c.pullup_strong");
        assertEquals(
                List.of(), RuleKit.fires(strong("990"), "i2c.pullup_strong").fixes(), "one pair stays");
    }

    @Test
    void theStrongestComeOffUntilTheRestIsExactlyWeakEnough() throws Exception {
        // 2 kΩ and 2 kΩ are 1 kΩ: just the third comes off. 990 Ω alone is too strong, so that nothing helps.
        assertEquals(List.of("pull-ups-off adc-2 off"), ways(strong("2k", "1k5", "2k"), "i2c.pullup_strong"));
        assertEquals(
                List.of(),
                RuleKit.fires(strong("990", "900"), "i2c.pullup_strong").fixes());
    }

    @Test
    void onePairMoreThatMakesThemExactlyAsStrongAsMayBe() throws Exception {
        // 36 pF and 300 ns: 9835 Ω. Beside 10 kΩ a pair of 560 kΩ is weak enough for any supply.
        Builds weak = strong("10k").setting("board", "i2c_clock", "400 kHz");
        assertEquals(List.of("clock board 100 kHz", "add-pull-ups adc-1 560 kΩ"), ways(weak, "i2c.pullup_weak"));
    }

    @Test
    void slowerOrAPairBesideIt() throws Exception {
        // 300 ns/(0.8473 · 36 pF) = 9835 Ω; beside 10 kΩ that asks for 596 kΩ, and E12 has 560 kΩ below it.
        assertEquals(
                List.of("clock board 100 kHz", "add-pull-ups adc 560 kΩ"),
                ways(pulled("10k", "400 kHz"), "i2c.pullup_weak"));
    }

    @Test
    void slowerOnlyWhereThatIsEnough() throws Exception {
        // 1 µs/(0.8473 · 36 pF) = 32.78 kΩ. Beside 33 kΩ, 9835 Ω asks for 14.01 kΩ: 12 kΩ.
        assertEquals(
                List.of("clock board 100 kHz", "add-pull-ups adc 12 kΩ"),
                ways(pulled("32.7k", "400 kHz"), "i2c.pullup_weak"));
        assertEquals(List.of("add-pull-ups adc 12 kΩ"), ways(pulled("33k", "400 kHz"), "i2c.pullup_weak"));
    }

    @Test
    void atTheSlowClockOnlyAPair() throws Exception {
        // Beside 33 kΩ, 32.78 kΩ asks for 5.0 MΩ: 4.7 MΩ. 32.7 kΩ alone is strong enough.
        assertEquals(List.of("add-pull-ups adc 4.7 MΩ"), ways(pulled("33k", "100 kHz"), "i2c.pullup_weak"));
        RuleKit.quiet(pulled("32.7k", "100 kHz"), "i2c.pullup_weak");
    }

    /** The chip's own block is not in use: a reader is driven by the program, and no pin is missing for it. */
    @Test
    void whereNoBlockIsLeftTheProgramDrivesTheBus() throws Exception {
        Builds builds = Builds.on("chip-28pin")
                .boardOnly("VCC", "usb.5V")
                .part("press", "button")
                .wire("press.A", "board.PD2")
                .part("tags", "tag-reader-spi")
                .wire("tags.SDA", "board.PB0");
        RuleKit.quiet(builds, "pins.not_enough");
        Finding clock = RuleKit.firesAt(builds, "pins.not_placed", "tags.SCK");
        Fix own = clock.fixes().get(0);
        assertEquals("own-bus", own.id());
        RuleKit.wayOut(builds.build(), clock, own);
        RuleKit.fires(builds.setting("tags", "bus", "hardware"), "pins.not_enough");
    }
}
