package inkel.core.power;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What findings about currents say word for word, and what their ways out put where. */
class WaysSaidTest {
    private static List<String> settings(Fix fix) {
        return fix.edits().stream()
                .map(SetSetting.class::cast)
                .map(edit -> edit.setting().key() + "=" + edit.value())
                .toList();
    }

    @Test
    void servosOnABoardLeaveItTogether() throws Exception {
        Builds pair = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("left", "servo-micro", "V+=board.5V")
                .part("right", "servo-micro", "V+=board.5V");
        Finding finding = RuleKit.fires(pair, "power.servo_from_board");
        Build after = RuleKit.way(finding, "feed-V+-from-six").apply(pair.build());
        for (String servo : List.of("left", "right")) {
            assertEquals(
                    end("six.+"),
                    after.nodes().get(0).part(servo).orElseThrow().feeds().get("V+"));
        }
        assertTrue(finding.fixes().stream().noneMatch(fix -> fix.id().contains("board")), "no other rail of the board");
    }

    @Test
    void aGroundThatOnlyASignalAsksFor() {
        // A lamp hangs on no rail: the pin that lights it is all that joins it to the board.
        Builds lamp = Builds.classic()
                .part("lamp", "led")
                .wire("lamp.A", "board.D7")
                .between(new Between.Series(end("lamp.A"), Resistance.ofOhms(1000), Extras.NONE));
        RuleKit.quiet(lamp, "power.no_common_ground");
        assertEquals(
                "board",
                PowerReport.of(Circuit.of(lamp.groundApart("lamp").build(), CATALOG))
                        .apartGrounds()
                        .get(0)
                        .other()
                        .id());
    }

    @Test
    void aThickerWireSaysWhatIsLostThen() throws Exception {
        // 4 m there and back of 26 gauge lose too much; of 24 gauge 8 m·1.724e-8/2.047e-7 m² = 0.674 Ω and four
        // contacts of
        // 15 mΩ at 320 mA: 0.235 V. Soldered the contacts fall away: 0.216 V.
        Builds matrix =
                Builds.classic().part("matrix", "matrix-driver", "VCC=board.5V").setting("matrix", "length", "4 m");
        Finding finding = RuleKit.fires(matrix, "power.wire_drop");
        RuleKit.waysOut(matrix, "power.wire_drop", "thicker", "solder");
        Fix plugged = RuleKit.way(finding, "thicker");
        Fix soldered = RuleKit.way(finding, "solder");
        assertEquals(List.of("gauge=24"), settings(plugged));
        assertEquals(List.of("gauge=24", "contact=solder"), settings(soldered));
        assertEquals("fix.solder_thicker", soldered.title().key());
        double diameter = 0.127e-3 * Math.pow(92, 12.0 / 39);
        double wire = 8 * 1.724e-8 / (Math.PI / 4 * diameter * diameter);
        assertEquals((wire + 0.060) * 0.320, lost(plugged), 1e-9);
        assertEquals(wire * 0.320, lost(soldered), 1e-9);
    }

    private static double lost(Fix fix) {
        return ((Voltage) fix.cost().values().get("drop")).volts();
    }

    @Test
    void aWireThatIsThickEnoughIsOnlySoldered() {
        // 2.7 A of a large servo burn plugs, not a wire of 18 gauge; a thinner one would do too, and is not asked for.
        Builds servo = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("servo", "servo-large", "V+=six.+")
                .setting("servo", "gauge", "18");
        Fix only = RuleKit.fires(servo, "power.wire_drop").fixes().get(0);
        assertEquals("fix.solder", only.title().key());
        assertEquals(List.of("contact=solder"), settings(only));
    }

    @Test
    void whatComesByACableIsNoWireOfTheTable() {
        // The computer takes more than a plug of a jumper bears, by the plug of its own cable.
        Builds computer = Builds.powered(CATALOG.get("computer-40pin")).figure("board", "current/USB/peak", "2 A");
        assertEquals(List.of(), computer.findings("power.wire_drop"));
    }

    @Test
    void everyLampGetsItsShareOfThePackage() {
        // 11 · 3.45 V/180 Ω = 211 mA of 200 mA: 18.2 mA each are 3.45 V/18.2 mA = 189.8 Ω, sold as 220 Ω.
        Builds lamps = Builds.classic();
        for (int i = 1; i <= 11; i++) {
            lamps.part("lamp-" + i, "led")
                    .wire("lamp-" + i + ".A", "board.D" + (i + 1))
                    .between(new Between.Series(end("lamp-" + i + ".A"), Resistance.ofOhms(180), Extras.NONE));
        }
        Fix dim = RuleKit.fires(lamps, "power.pin_current").fixes().get(0);
        assertEquals("dim", dim.id());
        assertEquals(11, dim.edits().size());
        for (Edit edit : dim.edits()) {
            Between.Series series = (Between.Series) ((Insert) edit).between();
            assertEquals(Resistance.ofOhms(220), series.resistance());
        }
    }

    @Test
    void capacitorsThatAreWantedAreNamedWithTheirPins() {
        Builds one = Builds.classic().part("radio", "packet-radio", "VCC=board.3V3");
        Finding alone = RuleKit.fires(one, "power.decoupling");
        assertEquals("radio", alone.sentence().values().get("part"));
        List<Fact> values = facts(alone);
        assertFalse(values.isEmpty());
        values.forEach(value -> {
            assertEquals("decoupling.at", value.key());
            assertEquals("VCC", value.values().get("pin"));
        });
        assertEquals(
                CATALOG.get("packet-radio").decoupling().stream()
                        .map(wanted -> wanted.value())
                        .toList(),
                alone.evidence().stream()
                        .filter(evidence -> evidence.key().equals("wanted"))
                        .map(evidence -> (Capacitance) evidence.value())
                        .toList());
        Finding both = RuleKit.fires(one.part("other", "packet-radio", "VCC=board.3V3"), "power.decoupling");
        assertEquals("power.decoupling.several", both.sentence().key());
        assertEquals(
                List.of("radio", "other"),
                facts(both).stream().map(of -> of.values().get("part")).toList());
    }

    @SuppressWarnings("unchecked")
    private static List<Fact> facts(Finding finding) {
        return (List<Fact>) finding.sentence().values().get("values");
    }

    @Test
    void aBatteryThatIsSoonEmptyMayGiveUpWhatHangsOnIt() {
        Builds block = Builds.classic().part("block", "battery-9v").boardOnly("VIN", "block.+");
        List<String> ways = RuleKit.fires(block, "power.battery_short").fixes().stream()
                .map(Fix::id)
                .toList();
        assertEquals("hours", ways.get(0));
        assertTrue(ways.stream().anyMatch(id -> id.endsWith("-board")), ways.toString());
    }

    @Test
    void aCapacitorThatIsThereIsNotOfferedAgain() throws Exception {
        Builds modem = Builds.classic()
                .part("four", "wall-supply-4v")
                .figure("four", "rail/+/rating", "1.8 A")
                .part("modem", "text-modem", "VCC=four.+");
        assertEquals(
                "capacitor-modem",
                RuleKit.firesAt(modem, "power.source_over", "four.+")
                        .fixes()
                        .get(0)
                        .id());
        Builds held = modem.setting("modem", "capacitor", "1000 µF").figure("four", "rail/+/rating", "300 mA");
        assertTrue(RuleKit.firesAt(held, "power.source_over", "four.+").fixes().stream()
                .noneMatch(fix -> fix.id().startsWith("capacitor")));
    }

    @Test
    void whatARailCannotGiveOfABurst() {
        Builds modem = Builds.classic().part("four", "wall-supply-4v").part("modem", "text-modem", "VCC=four.+");
        // 2 A of 1.5 A, of 2 A, and of nothing at all beside a load that takes more than there is.
        assertEquals(0.5, excess(modem.figure("four", "rail/+/rating", "1.5 A")), 1e-9);
        assertEquals(0, excess(modem.figure("four", "rail/+/rating", "2 A")), 1e-9);
        assertEquals(0, excess(modem.figure("four", "rail/+/rating", "3 A")), 1e-9);
        Builds crowded = modem.figure("four", "rail/+/rating", "100 mA").part("other", "text-modem", "VCC=four.+");
        assertEquals(2, excess(crowded), 1e-9, "it gives none, not less than none");
    }

    private static double excess(Builds build) {
        return PowerReport.of(Circuit.of(build.build(), CATALOG)).bursts().stream()
                .filter(burst -> burst.placed().id().equals("modem"))
                .map(BurstReport::excess)
                .mapToDouble(Current::amperes)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aLeadThatNothingIsSaidOf() {
        Builds unsaid = Builds.classic().part("lead", "rail-lead").part("servo", "servo-micro", "V+=lead.+");
        assertEquals(
                "power.lead_nowhere.unsaid",
                RuleKit.fires(unsaid, "power.lead_nowhere").sentence().key());
        // A supply that is made from what is not fed has no voltage either, and is no lead.
        Builds starved = Builds.classic().part("down", "regulator-down").part("servo", "servo-micro", "V+=down.OUT+");
        RuleKit.quiet(starved, "power.lead_nowhere");
    }

    @Test
    void aSupplyOfTheTableIsTheWayOutOfADropout() throws Exception {
        Builds dropout =
                Builds.classic().part("nine", "wall-supply-9v").part("reg", "regulator-linear-5v", "IN=board.5V");
        RuleKit.waysOut(dropout, "power.dropout", "feed-IN-from-nine.+");
    }
}
