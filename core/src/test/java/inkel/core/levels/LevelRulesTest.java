package inkel.core.levels;

import static inkel.core.kit.Builds.end;
import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.OwnClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import java.util.List;
import org.junit.jupiter.api.Test;

class LevelRulesTest {
    /** Its outputs are softer than usual. */
    private static Builds soft() {
        return reader().figure("reader", "level/logic/voh", "VCC - 0.4 V");
    }

    private static Builds reader() {
        return Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT");
    }

    @Test
    void fiveVoltsHarmAThreeVoltInput() {
        // Port up to 5.25 V; the reader on 3.25..3.35 V bears supply + 0.3 V, at worst 3.55 V.
        List<Finding> findings = reader().wire("reader.MOSI", "board.D11").findings("levels.harms");
        assertEquals(1, findings.size());
        assertEquals(place("reader.MOSI"), findings.get(0).place());
        assertEquals(5.25, findings.get(0).evidence().get(0).value().si(), 1e-9);
        assertEquals(3.55, findings.get(0).evidence().get(1).value().si(), 1e-9);
        assertEquals(1.70, findings.get(0).evidence().get(2).value().si(), 1e-9);
    }

    @Test
    void aTolerantInputIsNotHarmed() {
        Builds radio = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("radio", "packet-radio", "VCC=reg.OUT")
                .wire("radio.MOSI", "board.D11");
        assertEquals(List.of(), radio.findings("levels.harms"));
        assertEquals(List.of(), radio.findings("levels.thin"));
    }

    @Test
    void threeVoltsMayNotBeReadByAFiveVoltInput() {
        // A reader that drives at least 3.25 − 0.4 = 2.85 V; the board at 5.25 V reads high from 0.6·5.25 = 3.15 V:
        // −0.30 V.
        List<Finding> findings = soft().wire("reader.MISO", "board.D12").findings("levels.not_read");
        assertEquals(1, findings.size());
        assertEquals("levels.not_read.high", findings.get(0).sentence().key());
        assertEquals(-0.30, findings.get(0).evidence().get(2).value().si(), 1e-9);
    }

    @Test
    void theFirstWayOutOfHarmMakesTheWireFine() throws EditRefused {
        Build build = reader().wire("reader.MOSI", "board.D11").build();
        Finding harm = Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.harms")
                .get(0);
        Fix divide = harm.fixes().get(0);
        assertEquals("divide", divide.id());
        LevelReport after = LevelReport.of(Circuit.of(divide.apply(build), Builds.CATALOG));
        assertEquals(Verdict.FINE, after.verdict(place("reader.MOSI")).orElseThrow());
        assertFalse(divide.apply(build).equals(build), "the old build is untouched");
    }

    @Test
    void aNewShifterMakesAWireFineInBothDirections() throws EditRefused {
        Build build = soft().wire("reader.MISO", "board.D12").build();
        Finding finding = Builds.of(Assessment.assess(build, Builds.CATALOG), "levels.not_read")
                .get(0);
        Fix shift = finding.fixes().stream()
                .filter(fix -> fix.id().equals("shift-new"))
                .findFirst()
                .orElseThrow();
        Assessment after = Assessment.assess(shift.apply(build), Builds.CATALOG);
        assertEquals(
                Verdict.FINE,
                after.reports().levels().verdict(place("reader.MISO")).orElseThrow());
        assertEquals(List.of(), Builds.of(after, "parts.no_supply"), "the shifter came with its supplies");
    }

    @Test
    void aSpareWayIsOfferedBeforeANewShifter() {
        Builds build =
                soft().part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V").wire("reader.MISO", "board.D12");
        List<Fix> fixes = build.findings("levels.not_read").get(0).fixes();
        assertEquals("shift-shifter-1", fixes.get(0).id());
        assertTrue(fixes.stream().noneMatch(fix -> fix.id().equals("shift-new")));
    }

    @Test
    void noDividerOnAWireThatGoesBothWays() {
        // The display pulls the bus up to 5 V; the 3.3 V dual-core board bears 3.4 + 0.5 V.
        Builds build = Builds.dualCore()
                .part("display", "display-4x20-i2c", "VCC=board.VBUS")
                .wire("display.SDA", "board.GP4");
        List<Finding> harms = build.findings("levels.pullup_harms");
        assertEquals(1, harms.size());
        assertTrue(harms.get(0).fixes().stream().noneMatch(fix -> fix.id().equals("divide")));
        assertTrue(harms.get(0).fixes().stream().anyMatch(fix -> fix.id().equals("shift-new")));
    }

    @Test
    void aLittleTooMuchFromPullUpsIsLeftOnBothWiresAtOnce() throws Exception {
        // 10 kΩ to 5 V on the board and 4.7 kΩ to 3.3 V on the display make (5·4.7 + 3.3·10)/14.7 = 3.84 V, and the
        // display
        // bears 3.8 V: its clamp carries a tenth of a milliampere.
        Builds build = Builds.powered(Builds.CATALOG.get("board-big-5v"))
                .part("screen", "display-small-graphic", "VCC=board.5V")
                .wire("screen.SDA", "board.D20")
                .wire("screen.SCL", "board.D21");
        Finding look = RuleKit.fires(build, "levels.pullup_harms");
        assertEquals(Severity.LOOK, look.severity());
        Fix leave = look.fixes().get(look.fixes().size() - 1);
        assertEquals("fix.accept.several", leave.title().key());
        assertEquals(
                List.of("SCL", "SDA"),
                ((List<?>) leave.title().values().get("signal"))
                        .stream().sorted().toList());
        RuleKit.waysOut(build, "levels.pullup_harms", "run-and-shift", "accept");
    }

    @Test
    void aDividerScalesWhatArrives() {
        // 1 kΩ and 2 kΩ: two thirds. 4.65 V at least becomes 3.1 V, 5.25 V at most becomes 3.5 V.
        Builds build = reader().wire("reader.MOSI", "board.D11")
                .between(new Between.Divider(
                        end("reader.MOSI"), Resistance.ofOhms(1000), Resistance.ofOhms(2000), Extras.NONE));
        Link link = LevelReport.of(Circuit.of(build.build(), Builds.CATALOG))
                .of(place("reader.MOSI"))
                .get(0);
        assertEquals(3.1, link.check().vohMin().volts(), 0.001);
        assertEquals(3.5, link.check().vohMax().volts(), 0.001);
    }

    @Test
    void oneRailHasOneVoltageAtATime() {
        // Both on the port: at 4.75 V the receiver drives 4.65 V and the board reads high from 2.85 V; the corners are
        // not mixed.
        Builds build = Builds.classic()
                .part("handset", "infrared-receiver", "VS=board.5V")
                .wire("handset.OUT", "board.D4");
        Link link = LevelReport.of(Circuit.of(build.build(), Builds.CATALOG))
                .of(place("handset.OUT"))
                .get(0);
        assertEquals(4.65, link.check().vohMin().volts(), 1e-9);
        assertEquals(2.85, link.check().vih().volts(), 1e-9);
    }

    @Test
    void anUnfedPartIsNotJudged() {
        Builds build = Builds.classic().part("reader", "tag-reader-spi").wire("reader.MOSI", "board.D11");
        assertEquals(List.of(), build.findings("levels.harms"));
        assertEquals(1, build.findings("parts.no_supply").size());
    }

    @Test
    void littleToSpareIsThin() {
        // Dual-core board at 3.2 V at least drives 2.62 V; the radio on its 3.3 V rail reads high from 0.7·3.4 = 2.38
        // V:
        // 0.24 V, more than 5 % of 3.3 V = 0.165 V. The classic board's input at 0.6·VCC is what makes it thin.
        Builds fine =
                Builds.dualCore().part("radio", "packet-radio", "VCC=board.3V3").wire("radio.MOSI", "board.GP3");
        assertEquals(List.of(), fine.findings("levels.thin"));
        // The modem's 2.7 V at least, against 2.0 V, and its low 0.1 V against 0.8 V: fine. Its input bears 3.1 V, is
        // meant for 2.9 V at most, and gets 3.4 V: harm, not thin.
        Builds modem = Builds.dualCore()
                .part("four", "wall-supply-4v")
                .part("modem", "text-modem", "VCC=four.+")
                .wire("modem.RXD", "board.GP0");
        assertEquals(1, modem.findings("levels.harms").size());
        assertEquals(List.of(), modem.findings("levels.thin"));
    }

    @Test
    void withinTheAbsoluteButAboveTheRecommendedIsThin() {
        // A board on 5.6 V drives up to that; the buffer's inputs are meant for 5.5 V at most and survive 6.5 V.
        List<Finding> thin = Builds.classic()
                .part("bench", "bench-supply")
                .setting("bench", "volts", "5.6 V")
                .boardFrom("bench.+")
                .part("buffer", "buffer-8", "VCC=board.3V3")
                .wire("buffer.OE1", "board.D11")
                .findings("levels.thin");
        assertEquals(1, thin.size());
        assertEquals("levels.thin.above_recommended", thin.get(0).sentence().key());
    }

    @Test
    void missingLevelsAreNotAPass() {
        // The receiver's class with its output's levels taken away.
        var shipped = Builds.CATALOG.get("infrared-receiver");
        var family = shipped.io().get(0);
        var silent = new inkel.core.catalog.IoFamily(
                family.name(),
                family.supply(),
                false,
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                family.absoluteMax(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                inkel.core.quantity.Source.CLASS);
        var bare = shipped.with(
                        shipped.supplies(), shipped.outputs(), List.of(silent), shipped.modes(), shipped.pulls())
                .withId("bare");
        Build build = Builds.classic()
                .part("handset", "bare", "VS=board.5V")
                .wire("handset.OUT", "board.D4")
                .build();
        Assessment assessment = Assessment.assess(build, Builds.CATALOG.with(List.of(new OwnClass(bare, ""))));
        List<Finding> unknown = Builds.of(assessment, "parts.figure_unknown");
        assertEquals(1, unknown.size());
        assertEquals(place("handset.OUT"), unknown.get(0).place());
        assertEquals(
                List.of(),
                Builds.of(
                        Builds.classic()
                                .part("handset", "infrared-receiver", "VS=board.5V")
                                .wire("handset.OUT", "board.D4")
                                .assess(),
                        "parts.figure_unknown"));
    }

    @Test
    void aSharedWaySuitsTheNextPartOnTheWire() throws EditRefused {
        // The reader's MISO goes through way 1; the radio's MISO on the same wire is offered that way, not another.
        Builds build = reader().part("radio", "packet-radio", "VCC=reg.OUT")
                .figure("radio", "level/logic/voh", "VCC - 0.4 V")
                .part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V")
                .wire("reader.MISO", "board.D12")
                .wire("radio.MISO", "board.D12")
                .between(new Between.ShifterWay(end("reader.MISO"), "shifter", 1, Extras.NONE));
        Finding finding = build.findings("levels.not_read").get(0);
        assertEquals(place("radio.MISO"), finding.place());
        Build mended = finding.fixes().get(0).apply(build.build());
        assertEquals("shift-shifter-1", finding.fixes().get(0).id());
        assertEquals(List.of(), Builds.of(Assessment.assess(mended, Builds.CATALOG), "levels.not_read"));
    }

    @Test
    void allWiresOfAModuleGoThroughShiftersAtOnce() throws Exception {
        // Five wires of a 3.3 V reader on a 5 V board: MOSI, SCK, SDA and RST are harmed, MISO is not read. Four ways a
        // shifter: two are added.
        inkel.core.document.Build build = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .wire("reader.SDA", "board.D10")
                .wire("reader.SCK", "board.D13")
                .wire("reader.MOSI", "board.D11")
                .wire("reader.MISO", "board.D12")
                .wire("reader.RST", "board.D9")
                .build();
        var fix = inkel.core.checks.Assessment.assess(build, Builds.CATALOG).findings().stream()
                .flatMap(finding -> finding.fixes().stream())
                .filter(way -> way.id().equals("module-shift"))
                .toList();
        assertEquals(2, fix.size(), "offered for those that are harmed and for the one that is not read");
        var after = fix.get(0).apply(build);
        assertEquals(
                2,
                after.nodes().get(0).parts().stream()
                        .filter(part -> part.classId().equals("shifter-4"))
                        .count());
        assertEquals(5, after.nodes().get(0).between().size());
        assertTrue(inkel.core.checks.Assessment.assess(after, Builds.CATALOG).findings().stream()
                .noneMatch(finding ->
                        finding.code().equals("levels.harms") || finding.code().equals("levels.not_read")));
    }
}
