package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.boards.BoardTrials;
import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.kit.TwoBoards;
import inkel.core.levels.BoardLink;
import inkel.core.remedy.JoinNodes;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** An I2C bus from board to board: A4 and A5 of the classic board, D21 and D22 of the wireless one, GP4 and GP5 of the dual core. */
class BoardsByBusTest {
    private static final String DUAL = "board-dual-core-3v3";
    private static final String[] CLASSICS = {"one.A4 > two.A4", "one.A5 > two.A5"};
    private static final String[] TO_WIRELESS = {"one.A4 > two.D21", "one.A5 > two.D22"};
    private static final String[] LOW = {"one.GP4 > two.D21", "one.GP5 > two.D22"};

    private static List<Finding> findings(Build build, String code) {
        return Builds.of(Assessment.assess(build, CATALOG), code);
    }

    /** A board with a pressure sensor on its bus, which has 10 kΩ to its own supply. */
    private static Builds sensing(String board, String rail, String sda, String scl) {
        return Builds.powered(CATALOG.get(board))
                .part("air", "pressure", "VCC=board." + rail)
                .wire("air.SDA", "board." + sda)
                .wire("air.SCL", "board." + scl);
    }

    private static Build low(String... wires) throws Exception {
        return TwoBoards.joined(
                sensing(DUAL, "3V3", "GP4", "GP5"), Builds.powered(CATALOG.get(TwoBoards.WIRELESS)), wires);
    }

    /** A text display at 5 V with pull-ups to that, on the bus of the classic board. */
    private static Build mixed(String... wires) throws Exception {
        Builds classic = Builds.classic()
                .part("text", "display-4x20-i2c", "VCC=board.5V")
                .wire("text.SDA", "board.A4")
                .wire("text.SCL", "board.A5");
        return TwoBoards.joined(classic, Builds.powered(CATALOG.get(TwoBoards.WIRELESS)), wires);
    }

    @Test
    void bothLinesStayOnTheBusBesideWhatIsThere() throws Exception {
        Build planned = TwoBoards.planned(low(LOW));
        assertEquals(List.of(LOW), TwoBoards.links(planned));
        assertEquals(
                "board.GP4",
                planned.node("one").orElseThrow().wires().stream()
                        .filter(wire -> wire.from().equals(new Endpoint("air", "SDA")))
                        .findFirst()
                        .orElseThrow()
                        .to()
                        .toString());
        assertEquals(List.of(), findings(planned, "pins.two_drivers"));
        assertEquals(
                List.of(CLASSICS),
                TwoBoards.links(TwoBoards.planned(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, CLASSICS))));
    }

    @Test
    void oneOfTheTwoLinesAloneIsAPlainWire() throws Exception {
        Build alone = low(LOW[0]);
        // Then the display and the wire want one pin.
        assertEquals(1, findings(alone, "pins.two_drivers").size());
        assertTrue(TwoBoards.links(TwoBoards.planned(alone)).stream().noneMatch(LOW[0]::equals));
    }

    @Test
    void pullUpsOnEitherTableDo() throws Exception {
        Build healthy = low(LOW);
        for (String code : List.of("i2c.no_pullup", "levels.harms", "levels.not_read", "levels.back_power")) {
            assertEquals(List.of(), findings(healthy, code), code);
        }
        // Pulled to the 3.3 V of the first table: what either hears is that, and both ways are judged.
        List<BoardLink> hops =
                BoardLink.of(Circuit.of(healthy, CATALOG), healthy.links().get(0));
        assertEquals(2, hops.size());
        double highest = Circuit.of(healthy, CATALOG)
                .ioVolts(Place.of("one", new Endpoint("board", "GP4")))
                .orElseThrow()
                .highest()
                .volts();
        hops.forEach(hop -> assertEquals(highest, hop.said().highest().volts(), 1e-9));
        assertEquals(
                List.of("GP4", "D21"),
                hops.stream().map(hop -> hop.says().pin()).toList(),
                "there and back");
    }

    @Test
    void withoutAnyOnlyTheWeakOnesInsideHoldIt() throws Exception {
        Build bare = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, CLASSICS);
        Finding finding = findings(bare, "i2c.no_pullup").get(0);
        assertEquals(1, findings(bare, "i2c.no_pullup").size());
        assertEquals(Severity.LOOK, finding.severity());
        RuleKit.waysOut(bare, finding, "add-pull-ups");
        // The pair goes to the lower of two voltages, which both boards bear.
        Build unlike = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, TO_WIRELESS);
        Build after = findings(unlike, "i2c.no_pullup").get(0).fixes().get(0).apply(unlike);
        assertEquals(
                Map.of("add_pull_ups", "4.7 kΩ"),
                after.node("two").orElseThrow().board().settings());
        assertEquals(List.of(), findings(after, "levels.harms"));
    }

    @Test
    void whatPullsAboveTheOtherBoardIsOneFindingWithAShifterAsItsWayOut() throws Exception {
        // The port's 5.25 V at most, and 3.6 V of the wireless board.
        Build harmed = mixed(TO_WIRELESS);
        Finding finding = findings(harmed, "levels.harms").get(0);
        assertEquals(1, findings(harmed, "levels.harms").size());
        assertEquals(2, finding.places().size());
        assertEquals(Severity.STOP, finding.severity());
        assertEquals(5.25, RuleKit.si(finding, "highest_output"), 1e-9);
        RuleKit.waysOut(harmed, finding, "shift-bus-new", "link-off");
        Build shifted = finding.fixes().get(0).apply(harmed);
        assertEquals(
                List.of(),
                Assessment.assess(shifted, CATALOG).findings().stream()
                        .filter(left ->
                                left.severity() == Severity.STOP && left.code().startsWith("levels."))
                        .toList());
        assertEquals(List.of(TO_WIRELESS), TwoBoards.links(TwoBoards.planned(shifted)));
        assertEquals(List.of(), finding.fixes().get(1).apply(harmed).links(), "half a bus is none");
        assertEquals(
                4,
                BoardLink.of(Circuit.of(shifted, CATALOG), shifted.links().get(0))
                        .size());
    }

    @Test
    void aShifterOfTheTableIsTakenWhereItHasTwoWaysToSpare() throws Exception {
        Builds classic = Builds.classic()
                .part("text", "display-4x20-i2c", "VCC=board.5V")
                .wire("text.SDA", "board.A4")
                .wire("text.SCL", "board.A5")
                .part("between", "shifter-4", "LV=board.3V3", "HV=board.5V");
        Build harmed = TwoBoards.joined(classic, Builds.powered(CATALOG.get(TwoBoards.WIRELESS)), TO_WIRELESS);
        RuleKit.waysOut(harmed, findings(harmed, "levels.harms").get(0), "shift-bus-between", "link-off");
        // With two of its four ways taken the other two are enough; with three a new one comes.
        classic.part("reader", "tag-reader-spi", "3.3V=board.3V3");
        int way = 0;
        for (String wire : List.of("SCK=D13", "MOSI=D11", "RST=D9")) {
            String[] ends = wire.split("=");
            Endpoint signal = Builds.end("reader." + ends[0]);
            classic.wire("reader." + ends[0], "board." + ends[1])
                    .between(new Between.ShifterWay(signal, "between", ++way, Extras.NONE));
            Build taken = TwoBoards.joined(classic, Builds.powered(CATALOG.get(TwoBoards.WIRELESS)), TO_WIRELESS);
            Finding left = findings(taken, "levels.harms").stream()
                    .filter(finding -> finding.places().size() == 2)
                    .findFirst()
                    .orElseThrow();
            assertEquals(
                    way <= 2 ? "shift-bus-between" : "shift-bus-new",
                    left.fixes().get(0).id());
        }
        assertEquals(
                "fix.bus_off",
                RuleKit.way(findings(harmed, "levels.harms").get(0), "link-off")
                        .title()
                        .key());
    }

    @Test
    void twoBoardsThatDriveOnePinAreTold() throws Exception {
        Build two = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "two.D5 > one.D3", "two.D6 > one.D3");
        Finding finding = findings(two, "pins.two_drivers").get(0);
        assertEquals(1, findings(two, "pins.two_drivers").size());
        RuleKit.everyWayOut(two, finding);
        Build heard = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D3 > two.D5", "one.D3 > two.D6");
        assertEquals(List.of(), findings(heard, "pins.two_drivers"), "one that sends may be heard twice");
    }

    @Test
    void aBusIsMadeByOnePress() throws Exception {
        Build apart = low();
        List<Edit> edits = JoinNodes.bus(Circuit.of(apart, CATALOG), "one", "two");
        Build joined = Edit.applyAll(apart, edits);
        assertEquals(List.of(LOW), TwoBoards.links(joined));
        assertEquals(
                List.of(true, false),
                joined.links().stream().map(link -> link.groundJoined()).toList());
        assertEquals(List.of(), JoinNodes.bus(Circuit.of(joined, CATALOG), "one", "two"), "they are joined");
        Builds knob = Builds.classic().part("knob", "knob", "VCC=board.5V").wire("knob.OUT", "board.A4");
        Build taken = TwoBoards.joined(knob, Builds.classic());
        assertEquals(List.of(), JoinNodes.bus(Circuit.of(taken, CATALOG), "one", "two"), "a knob is on A4");
    }

    /** The pressure sensor answers to 0x76 or, by its strap, to 0x77. */
    @Test
    void anAddressIsTakenOnAllTablesOfABus() throws Exception {
        Builds far = sensing(TwoBoards.WIRELESS, "3V3", "D21", "D22");
        Build both = TwoBoards.joined(sensing(DUAL, "3V3", "GP4", "GP5"), far, LOW);
        Finding clash = findings(both, "i2c.address_clash").get(0);
        assertEquals(1, findings(both, "i2c.address_clash").size());
        assertEquals("i2c.address_clash.boards", clash.sentence().key());
        RuleKit.waysOut(both, clash, "strap-air-0x77-on-two", "strap-air-0x77-on-one", "leave-out-air");
        Build apart = TwoBoards.joined(sensing(DUAL, "3V3", "GP4", "GP5"), far);
        assertEquals(List.of(), findings(apart, "i2c.address_clash"), "two buses");
        // Shared out, one of the two gets the other address.
        assertEquals(List.of(), findings(TwoBoards.planned(both), "i2c.address_clash"));
    }

    @Test
    void dataAndClockThatChangePlacesAreSetStraight() throws Exception {
        Build crossed = low("one.GP4 > two.D22", "one.GP5 > two.D21");
        Finding finding = findings(crossed, "i2c.boards_crossed").get(0);
        assertEquals(1, findings(crossed, "i2c.boards_crossed").size());
        assertEquals(2, finding.places().size());
        assertEquals(List.of(), findings(crossed, "pins.two_drivers"), "the sensor is on the bus all the same");
        RuleKit.waysOut(crossed, finding, "straight");
        assertEquals(List.of(LOW), TwoBoards.links(finding.fixes().get(0).apply(crossed)));
        assertEquals(List.of(LOW), TwoBoards.links(TwoBoards.planned(crossed)));
        // Whichever board each of them begins at.
        Build back = low("one.GP4 > two.D22", "two.D21 > one.GP5");
        Finding there = findings(back, "i2c.boards_crossed").get(0);
        assertEquals(
                List.of("one.GP4 > two.D21", "two.D22 > one.GP5"),
                TwoBoards.links(there.fixes().get(0).apply(back)));
        assertEquals(List.of(), findings(low(LOW), "i2c.boards_crossed"));
        // One alone says nothing of a bus.
        assertEquals(List.of(), findings(low("one.GP4 > two.D22"), "i2c.boards_crossed"));
    }

    @Test
    void aPlainWireTakesPinsThatCanDoLeastBesides() throws Exception {
        // D2 and D3 of the classic board call, D3, D5, D6, D9 to D11 pulse, D10 to D13 are SPI: D4, D7 or D8 do
        // neither.
        Circuit two = Circuit.of(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS), CATALOG);
        NodeWire plain = ((AddNodeWire) JoinNodes.of(two, "one", "two").orElseThrow()).wire();
        assertTrue(List.of("D4", "D7", "D8").contains(plain.from().pin()), plain.toString());
        Pin listens = two.node("two").orElseThrow().pin(plain.to().endpoint()).orElseThrow();
        assertFalse(listens.can(Ability.Kind.STRAP) || listens.can(Ability.Kind.INPUT_ONLY), plain.toString());
    }

    @Test
    void anotherBoardIsOnTheBusAsWell() throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, CLASSICS);
        Build after = new BoardTrials(build, CATALOG, "two", () -> false)
                .of(CATALOG.get(TwoBoards.WIRELESS))
                .edit()
                .orElseThrow()
                .apply(build);
        assertEquals(List.of(TO_WIRELESS), TwoBoards.links(after));
    }

    /** A sensor that bears 3.5 V on one table, a text display with 4.7 kΩ to 5 V on the other. */
    private static Build apart(String... wires) throws Exception {
        return TwoBoards.joined(
                sensing(TwoBoards.CLASSIC, "3V3", "A4", "A5"),
                Builds.classic()
                        .part("text", "display-4x20-i2c", "VCC=board.5V")
                        .wire("text.SDA", "board.A4")
                        .wire("text.SCL", "board.A5"),
                wires);
    }

    @Test
    void aPullUpOfAnotherTableHarmsAPartOfThisOne() throws Exception {
        assertEquals(List.of(), findings(apart(), "levels.pullup_harms"), "nothing joins them");
        Build joined = apart(CLASSICS);
        List<Finding> told = findings(joined, "levels.pullup_harms");
        assertEquals(1, told.size());
        Finding finding = told.get(0);
        assertEquals("one", finding.place().node());
        assertTrue(
                finding.sentence().key().startsWith("levels.pullup_harms.far"),
                finding.sentence().key());
        assertEquals("two", finding.sentence().values().get("node") + "", "whose it is");
        // 4.7 kΩ to 5.25 V and 10 kΩ to 3.45 V: (1.117 + 0.345) mA through 3197 Ω.
        double highest = highest(joined);
        assertEquals(
                (5.25 / 4_700 + highest / 10_000) / (1.0 / 4_700 + 1.0 / 10_000),
                RuleKit.si(finding, "highest_output"),
                1e-6);
        List<String> ways = finding.fixes().stream().map(Fix::id).toList();
        assertEquals(List.of("module-shift", "pull-ups-off-text"), ways.subList(0, 2));
        RuleKit.wayOut(joined, finding, finding.fixes().get(1));
        // The shifter has its own 5 V, and bears 0.3 V more: two ports at their ends are further apart.
        List<Finding> left = findings(finding.fixes().get(0).apply(joined), "levels.pullup_harms");
        assertTrue(left.stream().allMatch(found -> found.severity() == Severity.LOOK), () -> "" + left);
    }

    private static double highest(Build build) {
        return Circuit.of(build, CATALOG)
                .node("one")
                .flatMap(node -> node.rail(new Endpoint("board", "3V3")))
                .flatMap(rail -> rail.volts())
                .orElseThrow()
                .highest()
                .volts();
    }

    @Test
    void theirPullUpsAndWiresCountTogether() throws Exception {
        Build joined = apart(CLASSICS);
        I2cBus bus = bus(joined, "one");
        // 10 kΩ beside 4.7 kΩ.
        assertEquals(1 / (1 / 10_000.0 + 1 / 4_700.0), bus.pull().orElseThrow().ohms(), 1e-6);
        assertEquals(2, bus.pullCount());
        // Four devices, three wires of 0.2 m at 50 pF a metre, four rows of 3 pF.
        assertEquals(40e-12 + 30e-12 + 12e-12, bus.capacitance().farads(), 1e-15);
        I2cBus alone = bus(apart(), "one");
        assertEquals(10_000, alone.pull().orElseThrow().ohms(), 1e-6);
        assertEquals(20e-12 + 10e-12 + 6e-12, alone.capacitance().farads(), 1e-15);
    }

    private static I2cBus bus(Build build, String node) {
        return PinReport.of(Circuit.of(build, CATALOG)).i2cBuses().stream()
                .filter(bus -> bus.node().node().id().equals(node))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void togetherTooStrongIsToldOnceAndCutOffWhereItIs() throws Exception {
        // 1.5 kΩ on either table alone may be pulled low by 3 mA; both together are 750 Ω.
        Builds one = sensing(TwoBoards.CLASSIC, "3V3", "A4", "A5")
                .setting("air", "pull_ups", "off")
                .setting("air", "add_pull_ups", "1.5 kΩ");
        Builds two = sensing(TwoBoards.CLASSIC, "3V3", "A4", "A5")
                .setting("air", "pull_ups", "off")
                .setting("air", "add_pull_ups", "1.5 kΩ");
        Build joined = TwoBoards.joined(one, two, CLASSICS);
        assertEquals(1, findings(joined, "i2c.pullup_strong").size());
        assertEquals(750, RuleKit.si(findings(joined, "i2c.pullup_strong").get(0), "pull"), 1e-6);
        Build apart = TwoBoards.joined(one, two);
        assertEquals(List.of(), findings(apart, "i2c.pullup_strong"));
    }
}
