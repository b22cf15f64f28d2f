package inkel.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Source;
import inkel.core.remedy.FeedCheck;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SupplyRulesTest {
    private static Builds servoAt(String volts) {
        return Builds.classic()
                .part("bench", "bench-supply")
                .setting("bench", "volts", volts)
                .part("servo", "servo-micro", "V+=bench.+");
    }

    // The micro servo's class works from 4.5 V to 6.4 V and is damaged above 6.6 V.
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            textBlock =
                    """
            4.4 V, parts.supply_too_low
            4.5 V, ''
            6.4 V, ''
            6.5 V, parts.supply_too_high.outside
            6.6 V, parts.supply_too_high.outside
            6.7 V, parts.supply_too_high.damages
            """)
    void theEndsOfTheRangeStillFit(String volts, String expected) {
        List<String> sentences = servoAt(volts).assess().findings().stream()
                .map(finding -> finding.sentence().key())
                .filter(key -> key.startsWith("parts."))
                .toList();
        assertEquals(expected.isEmpty() ? List.of() : List.of(expected), sentences);
    }

    /** 3.2 V to 3.4 V less 0.4 V at the most and 0.2 V at the least; what the setting says of another pin changes nothing. */
    @ParameterizedTest(name = "from {0} to {1}, diode before {2}: {3}")
    @CsvSource(
            textBlock =
                    """
            2.8 V,   3.2 V,   VCC, ''
            2.801 V, 3.2 V,   VCC, parts.supply_too_low.end
            2.8 V,   3.199 V, VCC, parts.supply_too_high.outside
            2.801 V, 3.4 V,   VIO, ''
            """)
    void aDiodeInTheFeedLeavesLess(String least, String most, String pin, String expected) {
        List<String> sentences = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .setting("radio", "diode", pin)
                .figure("radio", "supply/VCC/min", least)
                .figure("radio", "supply/VCC/max", most)
                .assess()
                .findings()
                .stream()
                .map(finding -> finding.sentence().key())
                .filter(key -> key.startsWith("parts.supply_"))
                .toList();
        assertEquals(expected.isEmpty() ? List.of() : List.of(expected), sentences);
    }

    @Test
    void whatIsLeftBehindADiodeIsComputed() {
        Finding finding = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .setting("radio", "diode", "VCC")
                .figure("radio", "supply/VCC/min", "3.1 V")
                .findings("parts.supply_too_low")
                .get(0);
        assertEquals(2.8, finding.evidence().get(0).value().si(), 1e-9);
        assertEquals(Source.COMPUTED, finding.evidence().get(0).source());
    }

    @Test
    void theNumbersAreThoseOfTheArithmetic() {
        Finding finding = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.5V")
                .findings("parts.supply_too_high")
                .get(0);
        // Port up to 5.25 V, radio up to 3.6 V: 1.65 V too much.
        assertEquals(5.25, finding.evidence().get(0).value().si(), 1e-9);
        assertEquals(3.6, finding.evidence().get(1).value().si(), 1e-9);
        assertEquals(1.65, finding.evidence().get(3).value().si(), 1e-9);
    }

    @Test
    void everyWayOutFeedsThePartWithinItsRange() throws EditRefused {
        Build build =
                Builds.classic().part("radio", "packet-radio", "VCC=board.5V").build();
        List<Fix> fixes = Builds.of(Assessment.assess(build, Builds.CATALOG), "parts.supply_too_high")
                .get(0)
                .fixes();
        assertTrue(fixes.size() >= 2, "the board's own 3.3 V rail, and a regulator");
        for (Fix fix : fixes) {
            Assessment after = Assessment.assess(fix.apply(build), Builds.CATALOG);
            assertTrue(
                    after.findings().stream()
                            .noneMatch(finding -> finding.code().startsWith("parts.")),
                    fix.id());
            assertTrue(
                    after.findings().stream()
                            .filter(finding -> finding.severity() != Severity.NOTE)
                            .noneMatch(finding -> finding.code().startsWith("power.")),
                    fix.id());
        }
        assertEquals("feed-VCC-from-board.3V3", fixes.get(0).id(), "a rail that is there comes first");
    }

    @Test
    void aPartWithoutASupplySaysSo() {
        assertEquals(
                1,
                Builds.classic()
                        .part("radio", "packet-radio")
                        .findings("parts.no_supply")
                        .size());
        assertEquals(List.of(), Builds.classic().findings("parts.no_supply"), "one way into the board is enough");
    }

    private static final String NO_SUPPLY = "parts.no_supply";

    private static List<Object> waiting(Finding finding) {
        return List.copyOf((List<?>) finding.sentence().values().get("waiting"));
    }

    /** One cause, one finding: the regulator wants its supply, and the radio only waits for it. */
    @Test
    void whatHangsOnARailThatIsNotFedWaitsForIt() throws Exception {
        Builds table = Builds.classic()
                .part("reg", "regulator-linear-3v3")
                .part("radio", "packet-radio", "VCC=reg.OUT")
                .part("later", "light-sensor", "VCC=reg.OUT")
                .setting("later", "later", "yes");
        Finding finding = RuleKit.firesAt(table, NO_SUPPLY, "reg");
        assertEquals("parts.no_supply.behind", finding.sentence().key());
        assertEquals(List.of("radio"), waiting(finding));
        RuleKit.everyWayOut(table, NO_SUPPLY);
    }

    @Test
    void aBoardWithSeveralWaysInWantsOne() throws Exception {
        Builds table = Builds.on("board-classic-3v3")
                .boardUnfed()
                .part("colour", "colour-i2c", "VIN=board.3V3")
                .part("tilt", "accelerometer-digital", "VCC=board.3V3");
        Finding finding = RuleKit.firesAt(table, NO_SUPPLY, "board");
        assertEquals("parts.no_supply.ways_and_behind", finding.sentence().key());
        assertEquals(List.of("colour", "tilt"), waiting(finding));
        RuleKit.everyWayOut(table, NO_SUPPLY);
    }

    /** A chip's second supply pin goes with the first. */
    @Test
    void aPinThatGoesWithAnotherIsNotToldBesideIt() throws Exception {
        Builds chip = Builds.on("chip-28pin").boardUnfed();
        assertEquals(
                "parts.no_supply",
                RuleKit.firesAt(chip, NO_SUPPLY, "board").sentence().key());
        RuleKit.everyWayOut(chip, NO_SUPPLY);
    }

    /** 2 × 3 V at the least and 2 × 4.2 V at the most: a third cell does for what works from 6.5 V to 24 V, not for 8.4 V at most. */
    @Test
    void oneCellMoreIsOfferedWhereNothingGetsTooMuchOfIt() throws Exception {
        Builds pack = Builds.classic().part("pack", "battery-lithium-two").part("down", "regulator-down", "IN+=pack.+");
        Fix cell = RuleKit.firesAt(pack, "parts.supply_too_low", "down").fixes().get(0);
        assertEquals(List.of(new SetSetting(Builds.NODE, "pack", Settings.CELLS, "3")), cell.edits());
        RuleKit.waysOut(pack, "parts.supply_too_low", "cells", "add-wall-supply-12v");
        Builds arm = pack.part("arm", "servo-large", "V+=pack.+");
        assertTrue(
                RuleKit.firesAt(arm, "parts.supply_too_low", "down").fixes().stream()
                        .noneMatch(fix -> fix.id().equals("cells")),
                "the arm has too much already");
        Builds motor = pack.part("screw", "motor-small", "V+=pack.+").figure("screw", "supply/V+/max", "9 V");
        assertTrue(RuleKit.firesAt(motor, "parts.supply_too_low", "down").fixes().stream()
                .noneMatch(fix -> fix.id().equals("cells")));
        Builds block = Builds.classic().part("block", "battery-9v").boardOnly("VIN", "block.+");
        assertTrue(
                RuleKit.firesAt(block, "parts.supply_too_low", "board").fixes().stream()
                        .noneMatch(fix -> fix.id().equals("cells")),
                "a block has the cells it has");
        Builds port = Builds.classic().part("screen", "display-4x20-i2c", "VCC=board.3V3");
        assertTrue(RuleKit.firesAt(port, "parts.supply_too_low", "screen").fixes().stream()
                .noneMatch(fix -> fix.id().equals("cells")));
    }

    /** A second pin that hangs on a rail of its own is judged by itself. */
    @Test
    void aPinThatGoesWithAnotherIsToldWhereItIsFedApart() {
        Builds chip = Builds.on("chip-28pin").boardOnly("VCC", "usb.5V").boardAlso("AVCC", "low.+");
        Builds low = chip.part("low", "bench-supply").setting("low", "volts", "3.3 V");
        assertEquals(
                "AVCC",
                RuleKit.firesAt(low, "parts.supply_too_low", "board")
                        .sentence()
                        .values()
                        .get("pin"));
    }

    /** Nothing needs a charger's cell until something hangs on it. */
    @Test
    void whatMayStayUnfedIsAskedForOnceSomethingHangsOnIt() throws Exception {
        RuleKit.quiet(Builds.classic().part("relay", "relay-one", "VCC=board.5V"), NO_SUPPLY);
        Builds behind =
                Builds.classic().part("relay", "relay-one", "VCC=board.5V").part("fan", "fan-12v", "V+=relay.NO");
        Finding finding = RuleKit.firesAt(behind, NO_SUPPLY, "relay");
        assertEquals("COM", finding.sentence().values().get("pin"));
        assertEquals(List.of("fan"), waiting(finding));
        RuleKit.everyWayOut(behind, NO_SUPPLY);
    }

    /** Two that feed each other wait for nothing that could be fed: both are told. */
    @Test
    void aCircleIsToldOfAll() {
        List<Finding> findings = Builds.classic()
                .part("up", "regulator-up", "IN+=down.OUT+")
                .part("down", "regulator-down", "IN+=up.OUT+")
                .findings(NO_SUPPLY);
        assertEquals(
                List.of("up", "down"),
                findings.stream().map(finding -> finding.place().part()).toList());
    }

    /** What lies there for later is fed by nobody, so what hangs on it has no other to wait for. */
    @Test
    void nobodyWaitsForWhatIsForLater() {
        Builds table = Builds.classic()
                .part("reg", "regulator-linear-3v3")
                .setting("reg", "later", "yes")
                .part("radio", "packet-radio", "VCC=reg.OUT");
        RuleKit.firesAt(table, NO_SUPPLY, "radio");
    }

    /** The board gets its supply too: parts are offered the rail that it will have, not one that must be bought. */
    @Test
    void aRailThatWaitsForItsSupplyIsOfferedAsWell() throws Exception {
        Builds table = Builds.on("board-wireless-3v3").boardUnfed().part("air", "climate-i2c");
        Finding air = table.findings(NO_SUPPLY).stream()
                .filter(finding -> "air".equals(finding.place().part()))
                .findFirst()
                .orElseThrow();
        assertEquals("feed-VIN-from-board.3V3", air.fixes().get(0).id());
    }

    /** A board's own current is part of what a rail must give: 15 mA of a coin cell are no supply for it. */
    @Test
    void aRailThatCannotCarryTheBoardIsNotOffered() throws Exception {
        Builds table = Builds.on("board-dual-core-3v3").boardUnfed().part("coin", "battery-coin");
        Finding board = RuleKit.firesAt(table, NO_SUPPLY, "board");
        assertTrue(
                board.fixes().stream().noneMatch(fix -> fix.id().contains("coin")),
                board.fixes().toString());
        RuleKit.everyWayOut(table, NO_SUPPLY);
    }

    /** A servo that gets nothing is not put on the board, unless that is its builder's habit. */
    @Test
    void aServoIsOfferedARailOfTheBoardByHabitOnly() {
        Builds table = Builds.on("board-big-5v")
                .part("wall", "wall-supply-9v")
                .boardOnly("VIN", "wall.+")
                .part("arm", "servo-micro");
        assertFalse(table.findings(NO_SUPPLY).get(0).fixes().get(0).id().contains("board"));
        Builds by = table.habit(Habit.SERVO_SUPPLY, Habit.ServoSupply.BOARD);
        assertEquals(
                "feed-V+-from-board.5V",
                by.findings(NO_SUPPLY).get(0).fixes().get(0).id());
    }

    /** No wire reaches a plug that sits in the board's socket; behind its diode the board gives too little at its worst. */
    @Test
    void nobodyIsFedFromThePlugOfTheBoard() {
        Finding screen = Builds.on("board-small-5v")
                .part("usb", "usb-port")
                .boardOnly("USB", "usb.5V")
                .part("screen", "display-4x20-i2c")
                .findings(NO_SUPPLY)
                .get(0);
        assertTrue(screen.fixes().stream().noneMatch(fix -> fix.id().contains("usb.5V")));
    }

    private static Builds charger(String... feeds) {
        return Builds.dualCore().part("cell", "battery-lithium").part("charger", "charger-lithium", feeds);
    }

    /** What is charged is a cell; a board's rail there is looked at while nothing charges, and stopped for else. */
    @Test
    void whatIsChargedIsACell() throws Exception {
        String code = "parts.not_a_cell";
        assertEquals(
                Severity.STOP,
                RuleKit.firesAt(charger("IN+=usb.5V", "B+=board.3V3"), code, "charger")
                        .severity());
        assertEquals(
                Severity.LOOK,
                RuleKit.firesAt(charger("B+=board.3V3"), code, "charger").severity());
        RuleKit.quiet(charger("IN+=usb.5V", "B+=cell.+"), code);
        RuleKit.quiet(charger("IN+=usb.5V"), code);
        RuleKit.quiet(
                charger("IN+=usb.5V", "B+=monitor.VIN-")
                        .part("monitor", "current-monitor", "VCC=board.3V3", "VIN+=cell.+"),
                code);
        RuleKit.firesAt(
                charger("IN+=usb.5V", "B+=monitor.VIN-")
                        .part("monitor", "current-monitor", "VCC=board.3V3", "VIN+=board.3V3"),
                code,
                "charger");
        RuleKit.everyWayOut(charger("IN+=usb.5V", "B+=board.3V3"), code);
    }

    /** Neither put there when a charger comes to the table, nor offered, nor allowed to be dragged there. */
    @Test
    void nobodyPutsARailWhereACellBelongs() throws Exception {
        List<Fix> ways = Builds.dualCore()
                .part("charger", "charger-lithium")
                .findings("parts.no_supply")
                .get(0)
                .fixes();
        assertEquals(List.of("add-battery-lithium"), ways.stream().map(Fix::id).toList());
        NodeCircuit node = charger().circuit();
        Placed charger = node.part("charger").orElseThrow();
        Supply cell = charger.cls().supply("B+").orElseThrow();
        assertEquals(
                FeedCheck.NO_CELL,
                FeedCheck.of(
                        node, charger, cell, node.rail(Builds.end("board.3V3")).orElseThrow()));
        assertEquals(
                FeedCheck.FITS,
                FeedCheck.of(
                        node, charger, cell, node.rail(Builds.end("cell.+")).orElseThrow()));
    }

    /** A charger that is to pass on a cell and has none wants the cell, and no rail of the board. */
    @Test
    void whatPassesACellOnWantsTheCell() {
        Builds table = Builds.dualCore()
                .part("charger", "charger-lithium", "IN+=usb.5V")
                .part("light", "light-sensor", "VCC=charger.OUT+");
        for (Finding unfed : table.findings("parts.no_supply")) {
            assertEquals(
                    List.of(),
                    unfed.fixes().stream()
                            .filter(fix -> fix.id().startsWith("feed-charger-B+-from-board"))
                            .toList());
        }
    }
}
