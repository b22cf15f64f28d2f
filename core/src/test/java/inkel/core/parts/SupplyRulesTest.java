package inkel.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Supply;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
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

    @Test
    void aRailThatIsNotFedFeedsNobody() {
        List<Finding> findings = Builds.classic()
                .part("reg", "regulator-linear-3v3")
                .part("radio", "packet-radio", "VCC=reg.OUT")
                .findings("parts.no_supply");
        assertEquals(2, findings.size());
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
