package inkel.core.power;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Every power code: it appears with numbers worked by hand, and each of its own ways out makes it vanish. */
class PowerFixesTest {
    private static Finding only(Builds build, String code) {
        List<Finding> findings = build.findings(code);
        assertEquals(1, findings.size(), findings.toString());
        return findings.get(0);
    }

    private static Fix fix(Finding finding, String start) {
        return finding.fixes().stream()
                .filter(way -> way.id().startsWith(start))
                .findFirst()
                .orElseThrow(() -> new AssertionError(
                        finding.fixes().stream().map(Fix::id).toList().toString()));
    }

    private static Moment moment(String id, String part, String mode) {
        return new Moment(
                id,
                id,
                List.of(new Moment.Raise(part, mode)),
                TimeSpan.ofSeconds(0.1),
                Optional.empty(),
                Optional.empty(),
                Set.of(),
                Extras.NONE);
    }

    @Test
    void dropout() throws Exception {
        // The 5 V regulator wants its dropout above 5 V; a port may give 4.75 V.
        Builds build = Builds.classic().part("reg", "regulator-linear-5v", "IN=board.5V");
        double dropout = CATALOG.get("regulator-linear-5v")
                .outputs()
                .get(0)
                .regulator()
                .dropout()
                .orElseThrow()
                .volts();
        Finding finding = only(build, "power.dropout");
        assertEquals(4.75, RuleKit.si(finding, "input_lowest"), 1e-9);
        assertEquals(5 + dropout, RuleKit.si(finding, "needs"), 1e-9);
        RuleKit.waysOut(build, "power.dropout", "add-wall-supply-9v");
        assertEquals(
                4.75 - dropout,
                build.circuit()
                        .rail(end("reg.OUT"))
                        .orElseThrow()
                        .volts()
                        .orElseThrow()
                        .lowest()
                        .volts(),
                1e-9,
                "below its dropout it gives what comes in less the dropout");
    }

    @Test
    void regulatorHot() throws Exception {
        // On 12 V the classic board's regulator drops 12.4 − 4.8 = 7.6 V. Through it run the board's 60 mA, the small
        // regulator's 1 mA and 20 mA for each level sensor; 12.4 V · 6 mA more; 65 °C/W and 40 °C around it. Four
        // sensors, 141 mA: 114.5 °C. Twelve, 301 mA: 193.5 °C.
        assertEquals(List.of(), on12Volts(4).findings("power.regulator_hot"));
        Finding finding = only(on12Volts(12), "power.regulator_hot");
        assertEquals(7.6 * 0.301 + 12.4 * 0.006, RuleKit.si(finding, "loss"), 1e-9);
        assertEquals(40 + 65 * (7.6 * 0.301 + 12.4 * 0.006), RuleKit.si(finding, "junction"), 1e-6);
    }

    private static Builds on12Volts(int sensors) {
        Builds build = Builds.classic().part("wall", "wall-supply-12v").boardOnly("VIN", "wall.+");
        for (int i = 1; i <= sensors; i++) {
            build.part("level-" + i, "water-level", "+=board.5V");
        }
        return build;
    }

    @Test
    void regulatorHotHasAWayOutForOneLargeLoad() throws Exception {
        // Two strips and the board through the same drop. A strip can be fed from elsewhere.
        Builds build = Builds.classic()
                .part("wall", "wall-supply-12v")
                .boardOnly("VIN", "wall.+")
                .part("pixels", "led-addressable", "V+=board.5V")
                .part("pixels-2", "led-addressable", "V+=board.5V");
        double average = CATALOG.get("led-addressable").average("V+").amperes() * 2;
        Finding finding = only(build, "power.regulator_hot");
        assertEquals(40 + 65 * (7.6 * (average + 0.061) + 12.4 * 0.006), RuleKit.si(finding, "junction"), 1e-6);
        RuleKit.waysOut(
                build,
                "power.regulator_hot",
                "add-wall-supply-5v-instead",
                "add-regulator-down-instead",
                "add-regulator-linear-5v-pixels",
                "add-regulator-down-pixels",
                "add-regulator-linear-5v-pixels-2",
                "add-regulator-down-pixels-2");
    }

    @Test
    void burstDroop() throws Exception {
        // A modem on a 4 V supply of 1.5 A: 2 A bursts of 577 µs leave 0.5 A. From 3.9 V to 3.4 V is 0.5 V:
        // C = 0.5 A·577 µs/(0.5 V − 0.5 A·0.05 Ω) = 607 µF, sold as 680 µF.
        Builds build = Builds.classic()
                .part("four", "wall-supply-4v")
                .figure("four", "rail/+/rating", "1.5 A")
                .figure("four", "rail/+/volts", "3.9 V")
                .part("modem", "text-modem", "VCC=four.+")
                .setting("modem", "contact", "solder")
                .setting("modem", "gauge", "16");
        Finding finding = only(build, "power.burst_droop");
        assertEquals(0.5, RuleKit.si(finding, "excess"), 1e-9);
        assertEquals(0.5, RuleKit.si(finding, "may_fall"), 1e-9);
        Build after = fix(finding, "capacitor").apply(build.build());
        assertEquals(
                "680 µF",
                after.nodes()
                        .get(0)
                        .part("modem")
                        .orElseThrow()
                        .typed(Settings.CAPACITOR)
                        .orElseThrow());
        RuleKit.waysOut(build, "power.burst_droop", "capacitor-modem", "add-wall-supply-4v");
        assertEquals(
                List.of(),
                Builds.of(Assessment.assess(after, CATALOG), "power.source_over"),
                "what a capacitor carries no longer loads the supply");

        Builds small = build.setting("modem", "capacitor", "100 µF");
        Finding deep = only(small, "power.burst_droop");
        assertEquals(0.5 * (0.05 + 577e-6 / 100e-6), RuleKit.si(deep, "falls"), 1e-9);
        RuleKit.everyWayOut(small, "power.burst_droop");
    }

    @Test
    void wireDropByLength() throws Exception {
        // 2 m of gauge 26 both ways: 4 m·1.724e-8/1.288e-7 m² = 0.5353 Ω, and four contacts of 15 mΩ: 0.595 Ω at 320 mA
        // lose 0.19 V. A port's 4.75 V fall to 4.56 V; the matrix works from 4.5 V, but 0.19 V is under 5 % of 5 V.
        // At 4 m it is 0.362 V: too much.
        assertEquals(List.of(), matrix("2 m").findings("power.wire_drop"));
        Builds build = matrix("4 m");
        Finding finding = only(build, "power.wire_drop");
        double diameter = 0.127e-3 * Math.pow(92, 10.0 / 39);
        double area = Math.PI / 4 * diameter * diameter;
        assertEquals((8 * 1.724e-8 / area + 0.060) * 0.320, RuleKit.si(finding, "drop"), 1e-9);
        RuleKit.waysOut(build, "power.wire_drop", "thicker", "solder");
    }

    private static Builds matrix(String length) {
        return Builds.classic().part("matrix", "matrix-driver", "VCC=board.5V").setting("matrix", "length", length);
    }

    @Test
    void wireDropByContacts() throws Exception {
        // 2.7 A through contacts made for 1 A.
        Builds build = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("servo", "servo-large", "V+=six.+")
                .setting("servo", "gauge", "18");
        Finding finding = only(build, "power.wire_drop");
        assertTrue(finding.sentence().key().endsWith(".contact"));
        RuleKit.waysOut(build, "power.wire_drop", "solder");
    }

    @Test
    void servoFromBoard() throws Exception {
        // The port's 500 mA less the board's own rail load: nothing else on 5 V, so 500 mA spare on the rail and 250 mA
        // for
        // servos. One micro servo may take 750 mA.
        Builds build = Builds.classic().part("servo", "servo-micro", "V+=board.5V");
        Finding finding = only(build, "power.servo_from_board");
        assertEquals(0.750, RuleKit.si(finding, "servos_take"), 1e-9);
        assertEquals(0.500, RuleKit.si(finding, "spare"), 1e-9);
        assertEquals(0.250, RuleKit.si(finding, "servo_limit"), 1e-9);
        RuleKit.waysOut(build, "power.servo_from_board", "add-wall-supply-5v");
        Builds light = Builds.classic()
                .part("servo", "servo-micro", "V+=board.5V")
                .figure("servo", "current/V+/peak", "250 mA");
        assertEquals(List.of(), light.findings("power.servo_from_board"), "just half is allowed: the other school");
    }

    /** Three cells at 3 V: a step-up would let the sensor speak with 5 V to a chip that then has 3 V. */
    @Test
    void aStarvedSensorIsNotFedAboveTheChipThatReadsIt() {
        Builds mast = Builds.on("chip-40pin")
                .boardUnfed()
                .setting("board", "clock", "inner 8 MHz")
                .part("cells", "battery-aa-3")
                .boardOnly("VCC", "cells.+")
                .part("wind", "hall-switch", "VCC=cells.+");
        Finding alone = only(mast, "power.battery_short");
        assertTrue(alone.fixes().stream().anyMatch(fix -> fix.id().equals("add-regulator-up")), "nobody reads it");
        Finding read = only(mast.wire("wind.OUT", "board.PD2"), "power.battery_short");
        assertEquals(List.of(), read.fixes());
    }

    /** A row of lamps is one finding and one press; the one that has its resistor keeps it. */
    @Test
    void lampsWithoutResistorsAreOneFinding() throws Exception {
        Builds row = Builds.classic()
                .part("one", "led")
                .wire("one.A", "board.D4")
                .part("two", "led")
                .wire("two.A", "board.D5")
                .part("three", "led")
                .wire("three.A", "board.D6")
                .between(new Between.Series(end("three.A"), Resistance.ofOhms(1000), Extras.NONE));
        Finding finding = only(row, "power.pin_current");
        assertEquals(List.of("one", "two"), finding.sentence().values().get("parts"));
        Fix all = finding.fixes().get(0);
        assertEquals("resistors", all.id());
        assertEquals(
                List.of(end("one.A"), end("two.A")),
                all.edits().stream()
                        .map(edit -> ((Insert) edit).between().signal())
                        .toList());
        RuleKit.everyWayOut(row.build(), finding);
    }

    @Test
    void pinCurrentWithoutResistor() throws Exception {
        // (5.25 V − 1.8 V)/5 mA = 690 Ω, sold as 820 Ω: 4.2 mA.
        Builds build = Builds.classic().part("lamp", "led").wire("lamp.A", "board.D7");
        Finding finding = only(build, "power.pin_current");
        assertTrue(finding.sentence().key().endsWith(".no_resistor"));
        Build after = finding.fixes().get(0).apply(build.build());
        Between.Series series =
                (Between.Series) after.nodes().get(0).between(end("lamp.A")).orElseThrow();
        assertEquals(Resistance.ofOhms(820), series.resistance());
        RuleKit.waysOut(build, "power.pin_current", "resistor-lamp.A");
    }

    @Test
    void pinCurrentWithTooSmallAResistor() throws Exception {
        // (5.25 V − 1.8 V)/100 Ω = 34.5 mA of 20 mA.
        Builds build = lamps(1, 100);
        Finding finding = only(build, "power.pin_current");
        assertEquals(0.0345, RuleKit.si(finding, "current"), 1e-9);
        RuleKit.waysOut(build, "power.pin_current", "resistor-lamp-1.A");
    }

    @Test
    void pinCurrentOfTheWholePackage() throws Exception {
        // (5.25 − 1.8)/180 = 19.2 mA each, allowed one by one; eleven make 211 mA of 200 mA.
        assertEquals(List.of(), lamps(10, 180).findings("power.pin_current"));
        Builds build = lamps(11, 180);
        Finding finding = only(build, "power.pin_current");
        assertEquals(11 * 3.45 / 180, RuleKit.si(finding, "sum"), 1e-9);
        RuleKit.waysOut(build, "power.pin_current", "dim");
    }

    private static Builds lamps(int count, double ohms) {
        Builds build = Builds.classic();
        for (int i = 1; i <= count; i++) {
            build.part("lamp-" + i, "led")
                    .wire("lamp-" + i + ".A", "board.D" + (i + 1))
                    .between(new Between.Series(end("lamp-" + i + ".A"), Resistance.ofOhms(ohms), Extras.NONE));
        }
        return build;
    }

    @Test
    void coilDrive() throws Exception {
        // Lowest high of the pin: 4.75 − 0.3 = 4.45 V; (4.45 − 0.7) V/(80 mA/20) = 937 Ω, sold as 820 Ω. The pin then
        // gives at most (5.25 − 0.7)/820 = 5.5 mA, well under its 20 mA.
        Builds build =
                Builds.classic().part("relay", "relay-coil", "V+=board.5V").wire("relay.IN", "board.D7");
        Finding finding = only(build, "power.coil_drive");
        assertEquals(0.080, RuleKit.si(finding, "coil_current"), 1e-9);
        Build after = finding.fixes().get(0).apply(build.build());
        Between.CoilDriver driver = (Between.CoilDriver)
                after.nodes().get(0).between(end("relay.IN")).orElseThrow();
        assertEquals(Resistance.ofOhms(820), driver.base());
        RuleKit.waysOut(build, "power.coil_drive", "driver", "switch-board");
        assertEquals(List.of(), Builds.of(Assessment.assess(after, CATALOG), "power.pin_current"));
    }

    @Test
    void twoSources() throws Exception {
        Builds build = Builds.classic().part("wall", "wall-supply-5v").boardAlso("5V", "wall.+");
        Finding finding = only(build, "power.two_sources");
        assertEquals(
                List.of("take-off-5V", "take-off-USB"),
                finding.fixes().stream().map(Fix::id).toList(),
                "behind a diode neither way in has enough left: 4.9 and 4.75 V, less 0.4 V, for 4.75 and 4.4 V");
        RuleKit.waysOut(build, "power.two_sources", "take-off-5V", "take-off-USB");
        assertEquals(
                List.of(),
                Builds.classic()
                        .part("wall", "wall-supply-9v")
                        .boardAlso("VIN", "wall.+")
                        .findings("power.two_sources"),
                "a regulator stands between the two");
    }

    /** 4.9 V of the wall and 4.75 V of the port, each less 0.4 V. */
    @ParameterizedTest
    @CsvSource({"4.5 V, 4.4 V, diode-5V", "4.501 V, 4.351 V, ''", "4.501 V, 4.35 V, diode-USB"})
    void aDiodeIsOfferedWhereEnoughIsLeftBehindIt(String straight, String port, String offered) throws Exception {
        Builds build = Builds.classic()
                .part("wall", "wall-supply-5v")
                .boardAlso("5V", "wall.+")
                .figure("board", "supply/5V/min", straight)
                .figure("board", "supply/USB/min", port);
        Finding finding = only(build, "power.two_sources");
        assertEquals(
                offered,
                finding.fixes().stream()
                        .map(Fix::id)
                        .filter(id -> id.startsWith("diode"))
                        .collect(Collectors.joining()));
        RuleKit.everyWayOut(build, "power.two_sources");
    }

    @Test
    void decouplingAndMains() throws Exception {
        RuleKit.waysOut(Builds.classic().part("radio", "packet-radio", "VCC=board.3V3"), "power.decoupling", "fitted");
        RuleKit.waysOut(Builds.classic().part("relay", "relay-one", "VCC=board.5V"), "power.mains_care", "low-voltage");
    }

    @Test
    void batteryShort() throws Exception {
        // Board 60 mA and the small regulator 1 mA from a 9 V block of 0.5 Ah, 80 % of it: 0.4 Ah/67 mA = 5.97 h, with
        // the
        // 6 mA that the board's 5 V regulator takes itself.
        Builds build = Builds.classic().part("block", "battery-9v").boardOnly("VIN", "block.+");
        Finding finding = only(build, "power.battery_short");
        double amperes = 0.060 + 0.006 + 0.001;
        assertEquals(amperes, RuleKit.si(finding, "average"), 1e-9);
        assertEquals(0.4 / amperes * 3600, RuleKit.si(finding, "lasts"), 1e-6);
        assertEquals(8 * 3600, RuleKit.si(finding, "should_last"), 1e-9);
        Build after = fix(finding, "hours").apply(build.build());
        assertEquals(List.of(), Builds.of(Assessment.assess(after, CATALOG), "power.battery_short"));
    }

    @Test
    void batterySag() throws Exception {
        // Four cells at the end of their charge: 4 V. A part that works from 3.8 V and takes 400 mA: 0.8 Ω · 0.4 A =
        // 0.32 V.
        Builds build = Builds.classic()
                .part("cells", "battery-aa-4")
                .part("pump", "pump-transistor", "V+=cells.+")
                .figure("pump", "supply/V+/min", "3.8 V")
                .figure("pump", "supply/V+/max", "6.5 V")
                .figure("pump", "current/V+/peak", "400 mA");
        Finding finding = build.findings("power.battery_short").stream()
                .filter(one -> one.sentence().key().endsWith(".sag"))
                .findFirst()
                .orElseThrow();
        assertEquals(0.32, RuleKit.si(finding, "sag"), 1e-9);
        assertEquals(3.68, RuleKit.si(finding, "lowest"), 1e-9);
        for (Fix fix : finding.fixes()) {
            assertTrue(Builds.of(Assessment.assess(fix.apply(build.build()), CATALOG), "power.battery_short").stream()
                    .noneMatch(one -> one.sentence().key().endsWith(".sag")));
        }
    }

    @Test
    void aPeakIsMendedByMomentsThatNeverMeet() throws Exception {
        // 3.3 V rail of 50 mA: two long-range radios that may send at any time make more, one does not.
        Builds build = Builds.classic()
                .part("one", "packet-radio", "VCC=board.3V3")
                .figure("one", "current/VCC/peak", "40 mA")
                .part("two", "packet-radio", "VCC=board.3V3")
                .figure("two", "current/VCC/peak", "40 mA")
                .moment(moment("first", "one", "peak"))
                .moment(moment("second", "two", "peak"));
        Finding finding = only(build, "power.rail_peak");
        assertEquals(0.080, RuleKit.si(finding, "peak"), 1e-9);
        assertEquals("apart-first-second", finding.fixes().get(0).id(), "a rule in the sketch costs nothing");
        Build after = finding.fixes().get(0).apply(build.build());
        Assessment assessed = Assessment.assess(after, CATALOG);
        assertEquals(List.of(), Builds.of(assessed, "power.rail_peak"));
        // One at its peak, the other at rest: 40 mA and 320 µA.
        assertEquals(
                0.04032,
                assessed.circuit(Builds.NODE)
                        .orElseThrow()
                        .rail(end("board.3V3"))
                        .orElseThrow()
                        .peak()
                        .amperes(),
                1e-9);
    }

    @Test
    void aPeakIsMendedByTurningARadioDown() throws Exception {
        // 125 mA on the 3.3 V rail of 150 mA with a 40 mA part; 60 mA after turning down.
        Builds build = Builds.classic()
                .figure("board", "rail/3V3/rating", "150 mA")
                .part("radio", "packet-radio-boosted", "VCC=board.3V3")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .figure("reader", "current/3.3V/peak", "40 mA");
        Finding finding = only(build, "power.rail_peak");
        assertEquals(0.165, RuleKit.si(finding, "peak"), 1e-9);
        Fix down = fix(finding, "turn-down");
        Assessment after = Assessment.assess(down.apply(build.build()), CATALOG);
        assertEquals(List.of(), Builds.of(after, "power.rail_peak"));
    }

    @Test
    void aPackOfAnotherNumberOfCells() {
        // Three cells give 3 to 4.8 V and have 0.6 Ω; five give 5 to 8 V and have 1 Ω, with the same charge.
        Builds build = Builds.classic()
                .part("cells", "battery-aa-3")
                .setting("cells", "cells", "5")
                .part("pump", "pump-transistor", "V+=cells.+");
        var rail = build.circuit().rail(end("cells.+")).orElseThrow();
        assertEquals(5, rail.volts().orElseThrow().lowest().volts(), 1e-9);
        assertEquals(8, rail.volts().orElseThrow().highest().volts(), 1e-9);
        var battery = rail.output().battery().orElseThrow();
        assertEquals(1.0, battery.inner().ohms(), 1e-9);
        assertEquals(2.0, battery.capacity().ampereHours(), 1e-9);
    }

    private static void theFirstWayOutHelps(Builds build, String code, String place) throws Exception {
        Finding finding = build.findings(code).stream()
                .filter(one -> one.place().toString().equals("bench/" + place))
                .findFirst()
                .orElseThrow(() -> new AssertionError(build.findings(code).toString()));
        Build after = finding.fixes().get(0).apply(build.build());
        assertEquals(
                List.of(),
                Builds.of(Assessment.assess(after, CATALOG), code).stream()
                        .filter(left -> left.place().equals(finding.place()))
                        .toList());
    }

    @Test
    void railsAndSources() throws Exception {
        // 100 mA on the 50 mA rail; a pixel strip of 480 mA and the board on a port of 500 mA; the same strip at work.
        theFirstWayOutHelps(
                Builds.classic().part("reader", "tag-reader-spi", "3.3V=board.3V3"), "power.rail_peak", "board.3V3");
        Builds strip = Builds.classic().part("pixels", "led-addressable", "V+=board.5V");
        theFirstWayOutHelps(strip, "power.source_over", "usb.5V");
        Builds busy = Builds.classic()
                .part("pixels", "led-addressable", "V+=board.5V")
                .figure("pixels", "current/V+/idle", "450 mA")
                .figure("pixels", "current/V+/active", "450 mA")
                .figure("pixels", "current/V+/peak", "450 mA");
        theFirstWayOutHelps(busy, "power.rail_average", "board.5V");
    }

    @Test
    void grounds() throws Exception {
        Builds build = Builds.classic()
                .part("six", "wall-supply-6v")
                .groundApart("six")
                .part("servo", "servo-micro", "V+=six.+")
                .wire("servo.SIG", "board.D9");
        RuleKit.waysOut(build, "power.no_common_ground", "join-ground");
    }

    /** A pack of two at 20 A: 6 V − 20 A · 0.03 Ω = 5.4 V, and the controller wants 6 V; another such pack would not do. */
    @Test
    void aPackThatSagsGetsACellMore() throws Exception {
        Builds pack =
                Builds.classic().part("pack", "battery-lithium-two").part("motor", "speed-controller", "V+=pack.+");
        Finding sag = pack.findings("power.battery_short").stream()
                .filter(finding -> finding.sentence().key().endsWith(".sag"))
                .findFirst()
                .orElseThrow();
        assertEquals(5.4, RuleKit.si(sag, "lowest"), 1e-3);
        assertEquals(List.of("cells"), sag.fixes().stream().map(Fix::id).toList());
        NodeCircuit three = Circuit.of(sag.fixes().get(0).apply(pack.build()), CATALOG)
                .nodes()
                .get(0);
        assertEquals(
                9,
                three.rail(end("pack.+"))
                        .orElseThrow()
                        .volts()
                        .orElseThrow()
                        .lowest()
                        .volts(),
                1e-9);
    }
}
