package inkel.core.levels;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.Leave;
import inkel.core.document.edit.TakeOut;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.WireList;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What can stand in a wire, and what it does to the levels on both its sides. */
class BetweenTest {
    private static Builds classic() {
        return Builds.classic().part("reg", "regulator-linear-3v3", "IN=board.5V");
    }

    private static Builds modem() {
        return Builds.classic().part("four", "wall-supply-4v").part("modem", "text-modem", "VCC=four.+");
    }

    private static Optional<Fix> fix(Builds build, String code, String id) {
        return build.findings(code).stream()
                .flatMap(finding -> finding.fixes().stream())
                .filter(fix -> fix.id().equals(id))
                .findFirst();
    }

    private static Assessment after(Builds build, String code, String id) throws Exception {
        Fix fix = fix(build, code, id).orElseThrow();
        return Assessment.assess(fix.apply(build.build()), CATALOG);
    }

    private static Verdict verdict(Assessment assessment, String signal) {
        return assessment.reports().levels().verdict(place(signal)).orElseThrow();
    }

    @Test
    void aBufferLiftsTheModemsWordsToTheBoard() throws Exception {
        // 2.7 V at least is no high for 5 V CMOS (0.6 · 5.25 = 3.15 V), but 0.7 V above what the buffer wants.
        Builds build = modem().wire("modem.TXD", "board.D8");
        Assessment after = after(build, "levels.not_read", "buffer-new");
        assertEquals(Verdict.FINE, verdict(after, "modem.TXD"));
        assertEquals(List.of(), Builds.of(after, "parts.no_supply"));
        assertTrue(
                Builds.of(after, "pins.not_placed").stream()
                        .noneMatch(finding -> finding.place().part().equals("buffer")),
                "its enable is tied low");
        List<Link> hops = after.reports().levels().links();
        assertEquals(2, hops.size(), "out of the buffer, and into it");
        assertEquals("board.D8", hops.get(0).to().toString());
        assertEquals(0.7, hops.get(1).check().highMargin().volts(), 1e-9);
    }

    @Test
    void aBufferBringsFiveVoltsDown() throws Exception {
        Builds build = classic()
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .wire("reader.MOSI", "board.D11")
                .wire("reader.SCK", "board.D13");
        Assessment after = after(build, "levels.harms", "buffer-new");
        assertEquals(Verdict.FINE, verdict(after, "reader.MOSI"));
        assertEquals(Verdict.FINE, verdict(after, "reader.SCK"), "by a spare way of the same buffer");
        assertEquals(
                1,
                after.build().nodes().get(0).parts().stream()
                        .filter(part -> part.classId().startsWith("buffer"))
                        .count());
        assertEquals(List.of(), Builds.of(after, "levels.shifter_slow"), "a buffer is quick");
    }

    @Test
    void theWireListGoesInAtTheDriverAndOutAtTheListener() throws Exception {
        Assessment up = after(modem().wire("modem.TXD", "board.D8"), "levels.not_read", "buffer-new");
        List<String> ids = WireList.of(up.reports().circuit().nodes().get(0)).steps().stream()
                .map(step -> step.id())
                .toList();
        assertTrue(ids.contains("board.D8@1 > buffer.Y1@1"), ids.toString());
        assertTrue(ids.contains("buffer.A1@1 > modem.TXD@1"), ids.toString());
    }

    @Test
    void severalTalkersDoNotShareABuffer() {
        Builds build = classic()
                .part("one", "tag-reader-spi", "3.3V=reg.OUT")
                .part("two", "tag-reader-spi", "3.3V=reg.OUT")
                .figure("one", "level/logic/voh", "VCC - 0.4 V")
                .wire("one.MISO", "board.D12")
                .wire("two.MISO", "board.D12");
        assertEquals(Optional.empty(), fix(build, "levels.not_read", "buffer-new"));
        Builds alone = classic()
                .part("one", "tag-reader-spi", "3.3V=reg.OUT")
                .figure("one", "level/logic/voh", "VCC - 0.4 V")
                .wire("one.MISO", "board.D12");
        assertTrue(fix(alone, "levels.not_read", "buffer-new").isPresent());
    }

    @Test
    void aTwoWayWireRefusesABuffer() throws Exception {
        Builds build = Builds.dualCore()
                .part("display", "display-4x20-i2c", "VCC=board.VBUS")
                .wire("display.SDA", "board.GP4");
        assertEquals(Optional.empty(), fix(build, "levels.pullup_harms", "buffer-new"));
        Builds forced = build.part("buffer", "buffer-8", "VCC=board.3V3")
                .between(new Between.ShifterWay(end("display.SDA"), "buffer", 1, Extras.NONE));
        Finding finding = forced.findings("levels.divider_two_way").get(0);
        assertEquals("levels.divider_two_way.buffer", finding.sentence().key());
        Build out = finding.fixes().get(0).apply(forced.build());
        assertEquals(List.of(), Builds.of(Assessment.assess(out, CATALOG), "levels.divider_two_way"));
    }

    @Test
    void theHopIntoAShifterIsJudgedByItself() throws Exception {
        // The shifter's low side is pulled to 3.3 V; the modem's pin bears 3.1 V.
        Builds build = modem().part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V")
                .wire("modem.TXD", "board.D8")
                .between(new Between.ShifterWay(end("modem.TXD"), "shifter", 1, Extras.NONE));
        List<Finding> harms = build.findings("levels.pullup_harms");
        assertEquals(1, harms.size());
        assertEquals(3.35, harms.get(0).evidence().get(0).value().si(), 1e-9);
        assertEquals(3.1, harms.get(0).evidence().get(1).value().si(), 1e-9);
        assertEquals(List.of(), Builds.of(after(build, "levels.pullup_harms", "take-out"), "levels.pullup_harms"));
    }

    @Test
    void aShifterFedTheWrongWayRoundIsHarmed() {
        // 5.25 V into the side that hangs on 3.3 V: it bears 0.3 V above 3.25 V.
        Builds build = classic()
                .part("shifter", "shifter-4", "LV=reg.OUT", "HV=reg.OUT")
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .wire("reader.MOSI", "board.D11")
                .between(new Between.ShifterWay(end("reader.MOSI"), "shifter", 1, Extras.NONE));
        List<Finding> harms = build.findings("levels.harms");
        assertEquals(1, harms.size());
        assertEquals(5.25, harms.get(0).evidence().get(0).value().si(), 1e-9);
        assertEquals(3.55, harms.get(0).evidence().get(1).value().si(), 1e-9);
    }

    @Test
    void pullUpsBehindAShifterStayThere() {
        // The display pulls its own side to 5 V; the compass on the board's side sees 3.3 V only.
        Builds build = Builds.dualCore()
                .part("display", "display-4x20-i2c", "VCC=board.VBUS")
                .part("compass", "compass", "VCC=board.3V3")
                .part("shifter", "shifter-4", "LV=board.3V3", "HV=board.VBUS")
                .wire("display.SDA", "board.GP4")
                .wire("compass.SDA", "board.GP4");
        assertFalse(build.findings("levels.pullup_harms").isEmpty());
        Builds shifted = build.between(new Between.ShifterWay(end("display.SDA"), "shifter", 1, Extras.NONE));
        assertEquals(List.of(), shifted.findings("levels.pullup_harms"));
        assertEquals(List.of(), shifted.findings("levels.harms"));
    }

    @Test
    void aDividerIsQuickEnoughForItsWire() {
        // 8 MHz: 37.5 ns / (2.2 · 36 pF) = 473 Ω at most. A select is not clocked: 10 kΩ at most.
        Builds build = classic()
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .wire("reader.MOSI", "board.D11")
                .wire("reader.SDA", "board.D10");
        Finding both = build.findings("levels.harms").get(0);
        assertEquals(List.of(place("reader.MOSI"), place("reader.SDA")), both.places());
        double quick = source(both, 0);
        double slow = source(both, 1);
        assertTrue(quick <= 0.3 / 8e6 / (2.2 * 36e-12), quick + " Ω");
        assertTrue(slow > 5000 && slow <= 10_000, slow + " Ω");
    }

    private static double source(Finding finding, int wire) {
        Fix fix = finding.fixes().stream()
                .filter(found -> found.id().equals("module-divide"))
                .findFirst()
                .orElseThrow();
        Between.Divider divider = (Between.Divider) ((Insert) fix.edits().get(wire)).between();
        double series = divider.series().ohms();
        return series * divider.toGround().ohms() / (series + divider.toGround().ohms());
    }

    @Test
    void theSameBoardAtTheLowerSupplyEndsTheHarm() throws Exception {
        Builds build = classic()
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .wire("reader.MOSI", "board.D11")
                .wire("reader.MISO", "board.D12");
        Assessment after = after(build, "levels.harms", "exchange-board");
        assertEquals(
                "board-classic-3v3",
                after.reports().circuit().build().nodes().get(0).board().classId());
        assertEquals(List.of(), Builds.of(after, "levels.harms"));
        assertEquals(List.of(), Builds.of(after, "levels.not_read"));
        assertEquals(2, after.reports().circuit().build().nodes().get(0).wires().size(), "the wires stay");
    }

    @Test
    void anAnalogSignalAboveItsPinIsStopped() throws Exception {
        // A knob across 5 V reaches 5.25 V; the pin of the 3.3 V board bears 3.2 + 0.5 V.
        Builds build = Builds.dualCore().part("knob", "knob", "VCC=board.VBUS").wire("knob.OUT", "board.GP26");
        Finding finding = build.findings("adc.over_range").get(0);
        assertEquals("adc.over_range", finding.sentence().key());
        double arrives = finding.evidence().get(0).value().si();
        assertTrue(arrives > 5, arrives + " V");
        for (Fix fix : finding.fixes()) {
            Assessment after = Assessment.assess(fix.apply(build.build()), CATALOG);
            assertEquals(List.of(), Builds.of(after, "adc.over_range"), fix.id());
        }
        assertTrue(finding.fixes().size() >= 2, "another supply, or a divider");
    }

    @Test
    void anAnalogSignalAboveTheFullScaleIsWorthALook() {
        // The converter of this board counts to 3.1 V only, the knob goes up to its 3.3 V.
        Builds clipped = Builds.on("board-wireless-3v3")
                .part("knob", "knob", "VCC=board.3V3")
                .wire("knob.OUT", "board.D4");
        Finding finding = clipped.findings("adc.over_range").get(0);
        assertEquals("adc.over_range.clipped", finding.sentence().key());
        assertEquals(Severity.LOOK, finding.severity());
        Builds whole = Builds.classic().part("knob", "knob", "VCC=board.5V").wire("knob.OUT", "board.A0");
        assertEquals(List.of(), whole.findings("adc.over_range"), "on the converter's own supply it is a ratio");
    }

    @Test
    void aDividerScalesAnAnalogSignalToo() {
        // 5.25 V · 10/(10 + 10) = 2.625 V.
        Builds build = Builds.dualCore()
                .part("knob", "knob", "VCC=board.VBUS")
                .wire("knob.OUT", "board.GP26")
                .between(new Between.Divider(
                        end("knob.OUT"), Resistance.ofOhms(10_000), Resistance.ofOhms(10_000), Extras.NONE));
        AnalogLevel level =
                LevelReport.of(Circuit.of(build.build(), CATALOG)).analog().get(0);
        assertEquals(level.sent().volts() / 2, level.arrives().volts(), 1e-9);
        assertFalse(level.harms());
        assertFalse(level.isClipped());
    }

    @Test
    void leavingAWireIsWrittenInTheLogWithItsReason() throws Exception {
        Build sketch = Builds.dualCore()
                .part("bridge", "bridge-wifi", "VCC=board.3V3")
                .figure("board", "level/io/voh", "2.62 V")
                .wire("bridge.RX", "board.GP4")
                .build();
        Finding thin =
                Builds.of(Assessment.assess(sketch, CATALOG), "levels.thin").get(0);
        Instant now = Instant.parse("2026-11-24T08:00:00Z");
        Build left = new Leave(thin.place().node(), thin.place().endpoint(), "worked on the bench", now).apply(sketch);
        LogLine entry = left.log().lines().get(left.log().size() - 1);
        assertEquals(LogLine.Left.class, entry.getClass());
        assertEquals("worked on the bench", entry.text());
        assertEquals(thin.place(), entry.place());
        assertTrue(Builds.of(Assessment.assess(left, CATALOG), "levels.thin").stream()
                .noneMatch(finding -> finding.place().equals(thin.place())));
        Build back = new TakeOut(thin.place().node(), thin.place().endpoint()).apply(left);
        assertTrue(Builds.of(Assessment.assess(back, CATALOG), "levels.thin").stream()
                .anyMatch(finding -> finding.place().equals(thin.place())));
    }
}
