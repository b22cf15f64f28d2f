package inkel.core.checks;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.OwnClass;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Evidence;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What a finding says besides that it is there: its figures with where they come from, and its ways out by name. */
class RuleDetailsTest {
    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    private static Evidence number(Finding finding, String key) {
        return finding.evidence().stream()
                .filter(evidence -> evidence.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static Builds sensor() {
        return Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("air", "pressure", "VCC=reg.OUT")
                .wire("air.SDA", "board.A4");
    }

    private static Between divider(String signal) {
        return new Between.Divider(end(signal), Resistance.ofOhms(1000), Resistance.ofOhms(2000), Extras.NONE);
    }

    private static Between way(String signal, String part) {
        return new Between.ShifterWay(end(signal), part, 1, Extras.NONE);
    }

    @Test
    void whatStandsInATwoWayWire() throws Exception {
        Finding divided = RuleKit.fires(sensor().between(divider("air.SDA")), "levels.divider_two_way");
        assertEquals("levels.divider_two_way", divided.sentence().key());
        assertEquals(List.of("take-out"), ids(divided));
        Builds buffered = sensor().part("buf", "buffer-8", "VCC=reg.OUT").between(way("air.SDA", "buf"));
        assertEquals(
                "levels.divider_two_way.buffer",
                RuleKit.fires(buffered, "levels.divider_two_way").sentence().key());
        RuleKit.waysOut(buffered, "levels.divider_two_way", "take-out");
        RuleKit.quiet(
                sensor().part("sh", "shifter-4", "LV=reg.OUT", "HV=board.5V").between(way("air.SDA", "sh")),
                "levels.divider_two_way");
        RuleKit.quiet(
                Builds.classic()
                        .part("radio", "packet-radio", "VCC=board.3V3")
                        .wire("radio.MOSI", "board.D11")
                        .between(divider("radio.MOSI")),
                "levels.divider_two_way");
    }

    @Test
    void pulsesThatTheProgramMakes() {
        // 8 µs of 2.5 ms − 0.5 ms: 0.4 % of the whole way.
        Finding finding = RuleKit.fires(
                Builds.classic()
                        .part("servo", "servo-micro", "V+=board.5V")
                        .setting("servo", "claims", "none")
                        .wire("servo.SIG", "board.D7"),
                "pwm.software_jitter");
        RuleKit.quiet(
                Builds.classic().part("servo", "servo-micro", "V+=board.5V").wire("servo.SIG", "board.D7"),
                "pwm.software_jitter");
        assertEquals("pwm.software_jitter", finding.sentence().key());
        assertEquals(8e-6, number(finding, "jitter").value().si(), 1e-12);
        assertEquals(2e-3, number(finding, "pulse_range").value().si(), 1e-12);
        assertEquals(0.004, number(finding, "wander").value().si(), 1e-12);
        // D5 and D6 are on the timer that keeps the program's time.
        assertEquals(
                Set.of("move-servo.SIG-to-board.D9", "move-servo.SIG-to-board.D10", "move-servo.SIG-to-board.D11"),
                ids(finding).stream().filter(id -> id.startsWith("move-")).collect(Collectors.toSet()));
        assertTrue(
                ids(finding).stream().anyMatch(id -> id.contains("servo-driver-16")),
                ids(finding).toString());
    }

    @Test
    void pulsesOfOneLengthHaveNoWayToWanderOver() throws Exception {
        // A class whose pulse never changes its length: 1.5 ms at all times.
        String json = new String(
                RuleDetailsTest.class
                        .getResourceAsStream("/inkel/core/catalog/servo-micro.json")
                        .readAllBytes(),
                java.nio.charset.StandardCharsets.UTF_8);
        var beacon = CatalogReader.read(
                Path.of("beacon.json"),
                json.replace("\"servo-micro\"", "\"beacon\"")
                        .replace(
                                "{\"min\": \"0.5 ms\", \"typ\": \"1.5 ms\", \"max\": \"2.5 ms\"}",
                                "{\"typ\": \"1.5 ms\"}"));
        Build build = Builds.classic()
                .part("beacon", "beacon", "V+=board.5V")
                .setting("beacon", "claims", "none")
                .wire("beacon.SIG", "board.D7")
                .build();
        List<Finding> found = Builds.of(
                Assessment.assess(build, Builds.CATALOG.with(List.of(new OwnClass(beacon, "")))),
                "pwm.software_jitter");
        assertEquals(1, found.size());
        assertEquals("pwm.software_jitter.plain", found.get(0).sentence().key());
    }

    @Test
    void anInputThatFloatsIsTiedFirst() {
        Finding finding = RuleKit.firesAt(
                Builds.on("board-classic-3v3").part("reader", "tag-reader-spi", "3.3V=board.3V3"),
                "pins.input_floats",
                "reader.RST");
        assertEquals("tie-reader.RST", ids(finding).get(0));
        assertEquals("fix.tie", finding.fixes().get(0).title().key());
        assertEquals(
                3, ids(finding).stream().filter(id -> id.startsWith("move-")).count());
        Finding high = RuleKit.firesAt(
                Builds.classic().part("reader", "tag-reader-spi", "3.3V=board.3V3"), "pins.input_floats", "reader.RST");
        assertEquals(List.of("tie-reader.RST"), ids(high), "no pin of 5 V for what bears 3.6 V");
        Finding low = RuleKit.firesAt(
                Builds.classic().part("buffer", "buffer-8", "VCC=board.3V3"), "pins.input_floats", "buffer.OE1");
        assertEquals("fix.tie_to_ground", low.fixes().get(0).title().key());
        Finding unfed =
                RuleKit.firesAt(Builds.classic().part("reader", "tag-reader-spi"), "pins.input_floats", "reader.RST");
        assertTrue(ids(unfed).stream().noneMatch(id -> id.startsWith("tie")), "there is nothing to tie it to");
    }

    @Test
    void aPartThatHoldsMisoNamesTheOthers() throws Exception {
        Builds build = Builds.classic()
                .part("card", "memory-card-5v", "VCC=board.5V")
                .part("radio", "packet-radio", "VCC=board.3V3");
        for (String part : List.of("card", "radio")) {
            build.wire(part + ".MISO", "board.D12")
                    .wire(part + ".MOSI", "board.D11")
                    .wire(part + ".SCK", "board.D13");
        }
        Finding finding = RuleKit.fires(build, "spi.miso_held");
        assertEquals(List.of("radio"), finding.sentence().values().get("others"));
        assertEquals(List.of("own-bus", "leave-out-card"), ids(finding));
        assertEquals(4, finding.fixes().get(0).edits().size(), "the program drives it, on three pins");
        RuleKit.waysOut(build, "spi.miso_held", "own-bus", "leave-out-card");
    }

    @Test
    void aWireThatLosesSaysWhoseFiguresItUses() {
        Builds matrix = Builds.classic().part("matrix", "matrix-driver", "VCC=board.5V");
        RuleKit.quiet(matrix, "power.wire_drop");
        Finding told = RuleKit.fires(matrix.setting("matrix", "length", "4 m"), "power.wire_drop");
        assertEquals(Source.YOURS, number(told, "resistance").source());
        assertEquals("power.wire_drop", told.sentence().key());
        assertTrue(ids(told).contains("thicker"), ids(told).toString());
    }

    @Test
    void whoIsAskedToLeaveASharedPin() {
        // The held one stays; of two that are not, the one with more places to go moves.
        Builds two = Builds.classic()
                .part("handset", "infrared-receiver", "VS=board.5V")
                .part("beam", "infrared-receiver", "VS=board.5V")
                .hold("handset.OUT", "board.D7")
                .wire("beam.OUT", "board.D7");
        Finding finding = RuleKit.fires(two, "pins.two_drivers");
        assertEquals(Builds.place("beam.OUT"), finding.place());
        assertEquals("D7", finding.sentence().values().get("pin"));
    }

    @Test
    void servosThatHangOnTheBoard() {
        // 500 mA of the port for the 5 V rail, 16 mA for a level sensor at most... only servos of that rail are
        // counted.
        Builds build = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("own", "servo-micro", "V+=six.+")
                .part("one", "servo-micro", "V+=board.5V")
                .part("level", "water-level", "+=board.5V");
        Finding finding = RuleKit.fires(build, "power.servo_from_board");
        assertEquals(0.750, number(finding, "servos_take").value().si(), 1e-9);
        double level = Builds.CATALOG.get("water-level").peak("+").amperes();
        assertEquals(0.500 - level, number(finding, "spare").value().si(), 1e-9);
        assertEquals((0.500 - level) / 2, number(finding, "servo_limit").value().si(), 1e-9);
        RuleKit.quiet(
                Builds.classic().part("six", "wall-supply-6v").part("own", "servo-micro", "V+=six.+"),
                "power.servo_from_board");
    }

    private static Build linked(String from, String to) throws Exception {
        Build one = Builds.classic().build();
        Build two = new CopyNode(Builds.NODE, "twin", "Twin").apply(one);
        Build mixed = new inkel.core.document.edit.Exchange(
                        "twin",
                        "board",
                        Builds.CATALOG.find("board-classic-3v3").orElseThrow())
                .apply(two);
        return new AddNodeWire(
                        new NodeWire(Place.of(Builds.NODE, end(from)), Place.of("twin", end(to)), true, Extras.NONE))
                .apply(mixed);
    }

    @Test
    void aWireBetweenBoardsNamesBothAndWhatEachBears() throws Exception {
        // 5.25 V at most into a 3.3 V board that bears its 3.2 V and 0.5 V more.
        Finding finding = RuleKit.fires(linked("board.D7", "board.D4"), "levels.harms");
        assertEquals(5.25, number(finding, "highest_output").value().si(), 1e-9);
        assertEquals(3.7, number(finding, "tolerated").value().si(), 1e-9);
        assertEquals(Source.CLASS, number(finding, "tolerated").source());
        assertEquals(
                "Bench",
                ((inkel.core.quantity.Fact) finding.sentence().values().get("from"))
                        .values()
                        .get("node"));
        assertEquals(
                "Twin",
                ((inkel.core.quantity.Fact) finding.sentence().values().get("to"))
                        .values()
                        .get("node"));
        assertEquals(List.of("divide", "buffer-new", "link-off"), ids(finding), "no pin of that board bears 5 V");
        RuleKit.everyWayOut(linked("board.D7", "board.D4"), finding);
    }

    @Test
    void noPinLeftNamesWhoseAndWhoMayGo() {
        Builds full = Builds.classic();
        for (int i = 0; i < 20; i++) {
            full.part("handset-" + i, "infrared-receiver", "VS=board.5V");
            if (i < 18) {
                full.wire("handset-" + i + ".OUT", "board." + (i < 6 ? "A" + i : "D" + (i - 4)));
            }
        }
        Finding finding = RuleKit.fires(full, "pins.not_enough");
        assertEquals(2, finding.sentence().values().get("count"));
        assertEquals(Builds.place("handset-18.OUT"), finding.place());
        assertTrue(
                ids(finding).containsAll(List.of("leave-out-handset-18", "leave-out-handset-19")),
                ids(finding).toString());
    }

    @Test
    void aShifterThatIsTooSlowIsClockedSlower() {
        // 792 ns of rise allow 0.3/792 ns = 379 kbaud: of the part's and the usual rates 115200 is the fastest.
        Builds serial = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V")
                .part("bridge", "bridge-wifi", "VCC=reg.OUT")
                .setting("bridge", "baud", "500000")
                .wire("bridge.RX", "board.D5")
                .between(way("bridge.RX", "shifter"));
        Finding finding = RuleKit.fires(serial, "levels.shifter_slow");
        SetSetting edit = (SetSetting) finding.fixes().get(0).edits().get(0);
        assertEquals("baud 115200", edit.setting().key() + " " + edit.value().replace(" kHz", "000"));
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
    void aLampSaysWhatItsPinBearsAndWhatFlowsThen() {
        Finding bare =
                RuleKit.fires(Builds.classic().part("lamp", "led").wire("lamp.A", "board.D7"), "power.pin_current");
        assertEquals(0.020, number(bare, "pin_limit").value().si(), 1e-12);
        // 3.45 V over 820 Ω.
        var flows = (inkel.core.quantity.Current)
                bare.fixes().get(0).cost().values().get("current");
        assertEquals(3.45 / 820, flows.amperes(), 1e-9);
    }

    @Test
    void allLampsAreDimmedToWhatThePackageBears() throws Exception {
        // 11 · 3.45 V/180 Ω = 211 mA of 200 mA: 18.2 mA each are 190 Ω, sold as 220 Ω.
        Finding finding = RuleKit.fires(lamps(11, 180), "power.pin_current");
        assertEquals(11, finding.sentence().values().get("count"));
        assertEquals(0.200, number(finding, "package_limit").value().si(), 1e-12);
        Build after = finding.fixes().get(0).apply(lamps(11, 180).build());
        assertEquals(11, finding.fixes().get(0).edits().size());
        for (Between between : after.nodes().get(0).between()) {
            assertEquals(Resistance.ofOhms(220), ((Between.Series) between).resistance());
        }
        // A lamp on an expander's pin does not load the board's package.
        Builds elsewhere = lamps(10, 180)
                .part("more", "port-expander", "VCC=board.5V")
                .part("lamp-x", "led")
                .wire("lamp-x.A", "more.P0")
                .between(new Between.Series(end("lamp-x.A"), Resistance.ofOhms(180), Extras.NONE));
        assertEquals(
                List.of(),
                elsewhere.findings("power.pin_current").stream()
                        .filter(one -> one.place().part().equals("board"))
                        .toList());
    }

    @Test
    void wiresThatAreSolderedCanOnlyBecomeThicker() throws Exception {
        Builds matrix = Builds.classic()
                .part("matrix", "matrix-driver", "VCC=board.5V")
                .setting("matrix", "length", "4 m")
                .setting("matrix", "contact", "solder")
                .setting("matrix", "gauge", "28");
        Finding finding = RuleKit.fires(matrix, "power.wire_drop");
        assertEquals(List.of("thicker"), ids(finding));
        RuleKit.waysOut(matrix, "power.wire_drop", "thicker");
    }

    @Test
    void oneFigureOfAWireIsEnoughToBeTheBuilders() {
        // 0.4 m of gauge 38, 0.101 mm thick: 0.866 Ω, and 60 mΩ of contacts; 320 mA lose 0.30 V of 5 V.
        Builds thin =
                Builds.classic().part("matrix", "matrix-driver", "VCC=board.5V").setting("matrix", "gauge", "38");
        assertEquals(
                Source.YOURS,
                number(RuleKit.fires(thin, "power.wire_drop"), "resistance").source());
    }

    @Test
    void aGroundThatIsApartIsMissedBySignalsToo() {
        // The radio has cells of its own, and nothing but its signals leads to the board.
        Builds apart = Builds.classic()
                .part("cells", "battery-aa-3")
                .part("handset", "infrared-receiver", "VS=cells.+")
                .groundApart("handset")
                .wire("handset.OUT", "board.D4");
        List<Finding> findings = apart.findings("power.no_common_ground");
        assertEquals(1, findings.size());
        assertEquals("handset", findings.get(0).place().part());
        Builds driven = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("driver", "servo-driver-16", "VCC=six.+", "V+=six.+")
                .part("servo", "servo-micro", "V+=six.+")
                .groundApart("driver")
                .wire("servo.SIG", "driver.CH0");
        assertEquals(
                List.of("driver"),
                driven.findings("power.no_common_ground").stream()
                        .map(finding -> finding.place().part())
                        .toList());
        RuleKit.quiet(Builds.classic().part("cells", "battery-aa-3").groundApart("cells"), "power.no_common_ground");
    }

    @Test
    void whatARailTakesWhereNothingElseIsSaid() throws Exception {
        // Only what hangs on the overloaded rail is offered to move, and only what takes something.
        Builds build = Builds.classic()
                .part("six", "wall-supply-6v")
                .part("own", "servo-micro", "V+=six.+")
                .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("pixels", "led-addressable", "V+=board.5V");
        Finding finding = RuleKit.firesAt(build, "power.source_over", "usb.5V");
        assertTrue(
                ids(finding).stream().noneMatch(id -> id.endsWith("-own")),
                ids(finding).toString());
    }
}
