package inkel.core.levels;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.edit.CopyNode;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Shifters that are slow, parts that are fed through a pin, and thin wires left as they are. */
class WireCareTest {
    private static Builds shifted() {
        return Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .wire("reader.SCK", "board.D13")
                .wire("reader.MOSI", "board.D11")
                .between(new Between.ShifterWay(end("reader.SCK"), "shifter", 1, Extras.NONE))
                .between(new Between.ShifterWay(end("reader.MOSI"), "shifter", 2, Extras.NONE));
    }

    private static Finding only(Builds build, String code) {
        List<Finding> findings = build.findings(code);
        assertEquals(1, findings.size(), findings.toString());
        return findings.get(0);
    }

    @Test
    void anSpiBusThroughATransistorShifterRunsSlowly() throws Exception {
        // 2.2 · 10 kΩ · 36 pF = 792 ns; three tenths of a bit at 8 MHz are 37.5 ns. At most 0.3/792 ns = 379 kHz, of
        // the
        // board's clocks 16 MHz/64 = 250 kHz.
        Finding slow = only(shifted(), "levels.shifter_slow");
        assertEquals(792e-9, slow.evidence().get(2).value().si(), 1e-15);
        assertEquals(8e6, slow.evidence().get(4).value().si(), 1e-3);
        assertEquals(0.3 / 792e-9, slow.evidence().get(5).value().si(), 1);
        Build after = slow.fixes().get(0).apply(shifted().build());
        assertEquals(
                "250 kHz",
                after.nodes().get(0).board().typed(Settings.SPI_CLOCK).orElseThrow());
        RuleKit.waysOut(shifted(), "levels.shifter_slow", "slower");
    }

    @Test
    void aSerialWireIsSlowedByItsRate() throws Exception {
        Builds serial = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V")
                .part("bridge", "bridge-wifi", "VCC=reg.OUT")
                .wire("bridge.RX", "board.D5")
                .between(new Between.ShifterWay(end("bridge.RX"), "shifter", 1, Extras.NONE));
        assertEquals(List.of(), serial.findings("levels.shifter_slow"), "115200 baud: 2.6 µs of 792 ns");
        RuleKit.waysOut(serial.setting("bridge", "baud", "500000"), "levels.shifter_slow", "slower");
    }

    @Test
    void aPartIsSlowedToTheFastestOfItsRatesThatRisesInTime() {
        // 792 ns bear 379 kHz: of 9600 to 115200 baud the fastest will do, though it wakes up with the slowest.
        Builds serial = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V")
                .part("bridge", "bridge-bluetooth", "VCC=board.5V")
                .wire("bridge.RXD", "board.D5")
                .between(new Between.ShifterWay(end("bridge.RXD"), "shifter", 1, Extras.NONE))
                .setting("bridge", "baud", "500000");
        Finding slow = only(serial, "levels.shifter_slow");
        assertEquals("115200", slow.fixes().get(0).title().values().get("clock"));
    }

    @Test
    void aPartOnAnotherSourceIsFedThroughItsPin() throws Exception {
        Builds build = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("servo", "servo-micro", "V+=six.+")
                .figure("servo", "level/signal/absolute_max", "VCC + 0.3 V")
                .wire("servo.SIG", "board.D9");
        Finding finding = only(build, "levels.back_power");
        assertEquals("bench/servo", finding.place().toString());
        assertEquals("levels.back_power", finding.sentence().key(), "one part is told by its name alone");
        assertTrue(finding.fixes().stream().anyMatch(fix -> fix.title().key().equals("fix.together")));
        assertEquals(5.25, finding.evidence().get(0).value().si(), 1e-9);
        RuleKit.waysOut(build, "levels.back_power", "series", "together");
        assertEquals(
                List.of(),
                Builds.classic()
                        .part("servo", "servo-micro", "V+=board.5V")
                        .wire("servo.SIG", "board.D9")
                        .findings("levels.back_power"),
                "on the same source both are off together");
        assertEquals(
                List.of(),
                Builds.classic()
                        .part("four", "wall-supply-4v")
                        .part("buffer", "buffer-8", "VCC=four.+")
                        .wire("buffer.OE1", "board.D9")
                        .findings("levels.back_power"),
                "an input that bears 5.5 V whatever its supply has no clamp to it");
    }

    @Test
    void aThinWireMayBeLeftAsItIs() throws Exception {
        Build sketch = Builds.dualCore()
                .part("bridge", "bridge-wifi", "VCC=board.3V3")
                .figure("board", "level/io/voh", "2.62 V")
                .wire("bridge.RX", "board.GP4")
                .build();
        Finding thin = Builds.of(Assessment.assess(sketch, CATALOG), "levels.thin").stream()
                .filter(finding -> finding.place().part().equals("bridge"))
                .findFirst()
                .orElseThrow();
        Fix accept = thin.fixes().stream()
                .filter(fix -> fix.id().equals("accept"))
                .findFirst()
                .orElseThrow();
        Assessment after = Assessment.assess(accept.apply(sketch), CATALOG);
        assertTrue(Builds.of(after, "levels.thin").stream()
                .noneMatch(finding -> finding.place().equals(thin.place())));
        assertEquals(
                Verdict.THIN,
                after.reports().levels().verdict(thin.place()).orElseThrow(),
                "the verdict stays what it is");
    }

    @Test
    void twoBoardsWithTheSamePartAreToldEachByItself() throws Exception {
        Build one = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("servo", "servo-micro", "V+=six.+")
                .figure("servo", "level/signal/absolute_max", "VCC + 0.3 V")
                .wire("servo.SIG", "board.D9")
                .build();
        Build two = new CopyNode(Builds.NODE, "twin", "Twin").apply(one);
        assertEquals(
                2,
                Builds.of(Assessment.assess(two, CATALOG), "levels.back_power").size());
    }

    /** One cause, one finding: all servos hang on the same supply of their own. */
    @Test
    void manyPartsOnOneOtherSourceAreToldOnce() throws Exception {
        Builds servos = Builds.classic().part("pack", "wall-supply-6v");
        for (int i = 0; i < 4; i++) {
            servos.part("arm-" + i, "servo-micro", "V+=pack.+")
                    .figure("arm-" + i, "level/signal/absolute_max", "VCC + 0.3 V")
                    .wire("arm-" + i + ".SIG", "board.D" + (3 + i));
        }
        Finding finding = RuleKit.firesAt(servos, "levels.back_power", "arm-0");
        assertEquals(
                List.of("arm-0", "arm-1", "arm-2", "arm-3"),
                finding.sentence().values().get("part"));
        assertEquals("levels.back_power.several", finding.sentence().key());
        assertEquals(
                "fix.together.several", RuleKit.way(finding, "together").title().key());
        RuleKit.waysOut(servos, "levels.back_power", "series", "together");
    }
}
