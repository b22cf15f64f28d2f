package inkel.core.levels;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.finding.Evidence;
import inkel.core.finding.Finding;
import inkel.core.formula.Verdict;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.wiring.PartsList;
import inkel.core.wiring.WireList;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Diodes, optocouplers and low passes in a wire, reckoned by hand. A USB port gives 4.75 to 5.25 V. */
class PieceTest {
    private static Resistance ohms(double value) {
        return Resistance.ofOhms(value);
    }

    private static Between diode(String signal, double pullUp) {
        return new Between.Diode(end(signal), ohms(pullUp), Extras.NONE);
    }

    private static Between opto(String signal, double series, double pullUp) {
        return new Between.Opto(end(signal), ohms(series), ohms(pullUp), Extras.NONE);
    }

    private static Between litByLow(String signal, double series, double pullUp) {
        return ((Between.Opto) opto(signal, series, pullUp)).lit(Between.Opto.Lit.BY_LOW);
    }

    private static Between lowPass(String signal, double series, double nanofarads) {
        return new Between.Series(
                end(signal), ohms(series), Optional.of(Capacitance.ofFarads(nanofarads * 1e-9)), Extras.NONE);
    }

    private static Link link(Builds builds, String signal) {
        List<Link> links = LevelReport.of(Circuit.of(builds.build(), CATALOG)).of(Builds.place(signal));
        assertEquals(1, links.size());
        return links.get(0);
    }

    private static Builds wifi() {
        return Builds.classic().part("net", "bridge-wifi", "VCC=board.3V3").wire("net.RX", "board.D1");
    }

    // Straight, 5.25 V go into a pin that bears 3.2 + 0.3 V. Behind the diode the high is the part's own 3.2 to 3.4 V,
    // read
    // above 0.75 of it: 0.25 × 3.2 = 0.8 V to spare. The low is 0.1 + 0.4 = 0.5 V, read below 0.25 × 3.2 = 0.8 V.
    @Test
    void aDiodeLetsOnlyTheLowOfAHigherSupplyThrough() {
        assertEquals(Verdict.HARMS, link(wifi(), "net.RX").verdict());
        Link safe = link(wifi().between(diode("net.RX", 10_000)), "net.RX");
        assertEquals(0.8, safe.check().highMargin().volts(), 1e-9);
        assertEquals(0.3, safe.check().lowMargin().volts(), 1e-9);
        assertEquals(0.3, safe.check().headroom().volts(), 1e-9);
    }

    // 3.3 V up to 5 V: the board's 3.1 V and the diode's 0.2 V at least hold the high at 3.3 V, where the strip at
    // 5.25 V
    // reads a high above 0.7 × 5.25 = 3.675 V.
    @Test
    void aDiodeDoesNotLiftAHighAboveTheDriverAndItself() {
        Builds strip = Builds.dualCore()
                .part("strip", "led-addressable", "V+=board.VBUS")
                .wire("strip.DIN", "board.GP2")
                .between(diode("strip.DIN", 4700));
        assertEquals(3.3 - 3.675, link(strip, "strip.DIN").check().highMargin().volts(), 1e-9);
    }

    private static Builds apart(Between piece) {
        return Builds.classic()
                .part("turn", "stepper-driver", "V+=board.5V")
                .wire("turn.IN1", "board.D4")
                .between(piece);
    }

    // What the driver says stays its own, whatever arrives: into inputs 0.1 V, and from 4.75 − 0.1 V up.
    @Test
    void whoTalksSaysWhatItSaysWhateverArrives() {
        Link light = link(apart(opto("turn.IN1", 390, 10_000)), "turn.IN1");
        assertEquals(4.65, light.saidHigh().lowest().volts(), 1e-9);
        assertEquals(5.25, light.saidHigh().highest().volts(), 1e-9);
        assertEquals(0.1, light.saidLow().volts(), 1e-9);
        assertEquals(
                List.of("arrives_high_at_least 4.75 COMPUTED", "arrives_low_at_most 0.40 COMPUTED"),
                light.figures().stream()
                        .filter(figure -> figure.key().startsWith("arrives"))
                        .map(figure -> String.format(
                                Locale.ROOT,
                                "%s %.2f %s",
                                figure.key(),
                                figure.value().si(),
                                figure.source()))
                        .toList());
        Link magnet = link(magnet(litByLow("magnet.OUT", 390, 10_000)), "magnet.OUT");
        assertEquals(
                5.25, magnet.saidHigh().highest().volts(), 1e-9, "it lets go, and nothing holds it below its supply");
    }

    // The low of the transistor is 0.4 V where the driver reads below 0.8 V; the high is its own supply.
    @Test
    void anOptocouplerGivesTheListenersOwnLevels() {
        Link link = link(apart(opto("turn.IN1", 390, 10_000)), "turn.IN1");
        assertEquals(0.4, link.check().lowMargin().volts(), 1e-9);
        assertEquals(4.75 - 2.4, link.check().highMargin().volts(), 1e-9);
        assertEquals(Verdict.FINE, link.verdict());
    }

    // Wanted: 5.25 V / 10 kΩ / 50 % = 1.05 mA. Given: (4.75 − 0.3 − 1.4) V / R = 1.05 mA at 2904.8 Ω. Asked at most:
    // (5.25 − 1.0) V / R, and the pin gives 20 mA: at least 212.5 Ω. From the supply a low leaves and takes as much.
    @ParameterizedTest
    @CsvSource({
        "BY_HIGH, 2904, quiet, ''",
        "BY_HIGH, 2905, levels.opto, opto-from-supply-turn.IN1",
        "BY_HIGH, 213, quiet, ''",
        "BY_HIGH, 212, levels.opto.over, opto-from-supply-turn.IN1",
        "BY_LOW, 2904, quiet, ''",
        "BY_LOW, 2905, levels.opto, opto-to-ground-turn.IN1",
        "BY_LOW, 213, quiet, ''",
        "BY_LOW, 212, levels.opto.over, opto-to-ground-turn.IN1",
    })
    void theLampOfAnOptocouplerIsBrightEnoughAndNotTooBright(
            Between.Opto.Lit lit, double series, String told, String otherwise) throws Exception {
        Builds builds = apart(((Between.Opto) opto("turn.IN1", series, 10_000)).lit(lit));
        if (told.equals("quiet")) {
            RuleKit.quiet(builds, "levels.opto");
            return;
        }
        Finding finding = RuleKit.firesAt(builds, "levels.opto", "turn.IN1");
        assertEquals(told, finding.sentence().key());
        RuleKit.waysOut(builds, "levels.opto", "opto-turn.IN1", otherwise);
        assertEquals(
                2700.0,
                ((Resistance) finding.fixes().get(0).title().values().get("value")).ohms(),
                "the next value of E12 below 2904.8 Ω");
    }

    private static Builds onAPort(Between piece) {
        return Builds.classic()
                .part("more", "port-expander", "VCC=board.5V")
                .part("turn", "stepper-driver", "V+=board.5V")
                .wire("turn.IN1", "more.P0")
                .between(piece);
    }

    private static Builds magnet(Between piece) {
        return Builds.classic()
                .part("magnet", "hall-switch", "VCC=board.5V")
                .wire("magnet.OUT", "board.D4")
                .between(piece);
    }

    private static Builds place(String rail) {
        return Builds.classic()
                .part("place", "positioning-receiver", "VCC=" + rail)
                .wire("place.TX", "board.D4")
                .between(litByLow("place.TX", 390, 10_000));
    }

    // Its port takes 10 mA and gives 0.1 mA: a lamp to ground at 390 Ω asks for (5.25 − 1.0) V / 390 Ω = 10.9 mA, at
    // 1 kΩ for 4.25 mA.
    @Test
    void aPinThatTakesMoreThanItGivesLightsTheLampFromTheSupply() throws Exception {
        Builds high = onAPort(opto("turn.IN1", 1000, 10_000));
        assertEquals(
                "levels.opto.over",
                RuleKit.firesAt(high, "levels.opto", "turn.IN1").sentence().key());
        RuleKit.waysOut(high, "levels.opto", "opto-from-supply-turn.IN1");
        RuleKit.quiet(onAPort(litByLow("turn.IN1", 1000, 10_000)), "levels.opto");
    }

    // It only pulls low.
    @Test
    void anOpenDrainLightsNoLampToGround() throws Exception {
        Builds high = magnet(opto("magnet.OUT", 390, 10_000));
        assertEquals(
                "levels.opto.never",
                RuleKit.firesAt(high, "levels.opto", "magnet.OUT").sentence().key());
        RuleKit.waysOut(high, "levels.opto", "opto-from-supply-magnet.OUT");
        RuleKit.quiet(magnet(litByLow("magnet.OUT", 390, 10_000)), "levels.opto");
    }

    // A high of 3.1 V into nothing leaves 5.25 − 3.1 = 2.15 V of its supply, and an infrared lamp shines from 1 V on.
    @Test
    void aHighFarBelowTheSupplyNeverPutsTheLampOut() throws Exception {
        Builds low = place("board.5V");
        assertEquals(
                "levels.opto.always",
                RuleKit.firesAt(low, "levels.opto", "place.TX").sentence().key());
        RuleKit.waysOut(low, "levels.opto", "opto-to-ground-place.TX");
        RuleKit.quiet(place("board.3V3"), "levels.opto");
    }

    @Test
    void anOptocouplerNeedsNoCommonGround() {
        Builds builds = Builds.classic()
                .part("pack", "wall-supply-5v")
                .part("turn", "stepper-driver", "V+=pack.+")
                .wire("turn.IN1", "board.D4")
                .groundApart("turn")
                .groundApart("pack");
        RuleKit.firesAt(builds, "power.no_common_ground", "turn");
        RuleKit.quiet(builds.between(opto("turn.IN1", 390, 10_000)), "power.no_common_ground");
    }

    // A servo's shortest pulse is 0.5 ms; a tenth is 50 µs = 2.2 · R · (10 nF + 36 pF) at 2264.6 Ω.
    @ParameterizedTest
    @CsvSource({"2264, false", "2265, true"})
    void aLowPassLeavesThePulsesOfAServoWhole(double series, boolean isSlow) throws Exception {
        Builds builds = Builds.classic()
                .part("arm", "servo-micro", "V+=board.5V")
                .wire("arm.SIG", "board.D9")
                .between(lowPass("arm.SIG", series, 10));
        if (isSlow) {
            RuleKit.firesAt(builds, "levels.in_line_slow", "arm.SIG");
            RuleKit.waysOut(builds, "levels.in_line_slow", "take-out");
            Finding slow = RuleKit.fires(builds, "levels.in_line_slow");
            assertEquals(2265, RuleKit.si(slow, "in_line"), 1e-9);
            assertEquals(
                    List.of(Source.YOURS, Source.YOURS, Source.COMPUTED, Source.COMPUTED),
                    slow.evidence().stream().map(Evidence::source).toList());
        } else {
            RuleKit.quiet(builds, "levels.in_line_slow");
        }
    }

    // 0.3 bit is 31.3 µs at 9600 and 15.6 µs at 19 200; the transistor of an optocoupler lets go in 20 µs.
    @ParameterizedTest
    @CsvSource({"9600, false", "38400, true"})
    void anOptocouplerIsQuickEnoughForASlowPort(String baud, boolean isSlow) {
        Builds builds = Builds.classic()
                .part("blue", "bridge-bluetooth", "VCC=board.5V")
                .setting("blue", "baud", baud)
                .wire("blue.TXD", "board.D0")
                .between(opto("blue.TXD", 390, 10_000));
        if (isSlow) {
            // How long a transistor takes is of its class.
            assertEquals(
                    Source.CLASS,
                    RuleKit.firesAt(builds, "levels.in_line_slow", "blue.TXD")
                            .evidence()
                            .get(0)
                            .source());
        } else {
            RuleKit.quiet(builds, "levels.in_line_slow");
        }
    }

    @Test
    void aButtonMayHaveAsSlowALowPassAsItLikes() {
        RuleKit.quiet(
                Builds.classic()
                        .part("press", "button")
                        .wire("press.A", "board.D4")
                        .between(lowPass("press.A", 10_000, 1000)),
                "levels.in_line_slow");
    }

    @ParameterizedTest
    @CsvSource({"diode", "opto"})
    void whatLeadsOneWayIsNotPutInATwoWayWire(String kind) throws Exception {
        Builds builds = Builds.classic()
                .part("air", "pressure", "VCC=board.3V3")
                .wire("air.SDA", "board.A4")
                .wire("air.SCL", "board.A5")
                .between(kind.equals("diode") ? diode("air.SDA", 10_000) : opto("air.SDA", 390, 10_000));
        assertEquals(
                "levels.divider_two_way.piece",
                RuleKit.firesAt(builds, "levels.divider_two_way", "air.SDA")
                        .sentence()
                        .key());
        RuleKit.waysOut(builds, "levels.divider_two_way", "take-out");
    }

    @Test
    void thePartsOfEveryPieceAreOnTheList() {
        Builds builds = Builds.classic()
                .part("turn", "stepper-driver", "V+=board.5V")
                .wire("turn.IN1", "board.D4")
                .wire("turn.IN2", "board.D5")
                .wire("turn.IN3", "board.D6")
                .between(opto("turn.IN1", 390, 10_000))
                .between(diode("turn.IN2", 4700))
                .between(lowPass("turn.IN3", 1000, 100));
        TreeMap<String, Integer> counted = new TreeMap<>();
        PartsList.of(WireList.of(builds.circuit())).lines().stream()
                .filter(line -> line.kind() != PartsList.Kind.PART)
                .forEach(line -> counted.put(
                        line.what().key() + " " + line.what().values().getOrDefault("value", ""), line.count()));
        assertTrue(counted.keySet().stream().anyMatch(key -> key.startsWith("have.optocoupler")), () -> "" + counted);
        assertTrue(counted.keySet().stream().anyMatch(key -> key.startsWith("have.signal_diode")), () -> "" + counted);
        assertEquals(
                4,
                counted.entrySet().stream()
                        .filter(entry -> entry.getKey().startsWith("have.resistor"))
                        .mapToInt(java.util.Map.Entry::getValue)
                        .sum());
        assertEquals(
                1,
                counted.entrySet().stream()
                        .filter(entry -> entry.getKey().startsWith("have.capacitor"))
                        .mapToInt(java.util.Map.Entry::getValue)
                        .sum());
    }

    @ParameterizedTest
    @CsvSource({
        "'\"kind\": \"opto\", \"series\": \"0 Ω\", \"pull_up\": \"10 kΩ\"', series",
        "'\"kind\": \"opto\", \"series\": \"390 Ω\", \"pull_up\": \"0 Ω\"', pull_up",
        "'\"kind\": \"diode\", \"pull_up\": \"-1 Ω\"', pull_up",
        "'\"kind\": \"pull-up\", \"pull_up\": \"0 Ω\"', pull_up",
        "'\"kind\": \"series\", \"series\": \"1 kΩ\", \"capacitor\": \"0 F\"', capacitor",
    })
    void aPieceOfNoValueIsRefusedWithItsKey(String piece, String key) {
        String text = BuildWriter.print(apart(opto("turn.IN1", 390, 10_000)).build())
                .replaceAll("(?s)\"between\" : \\[.*?]", "\"between\": [{\"signal\": \"turn.IN1\", " + piece + "}]");
        UnreadableFile refused =
                assertThrows(UnreadableFile.class, () -> BuildReader.parse(Path.of("piece.json"), text, CATALOG));
        assertTrue(refused.problems().toString().contains("/" + key), () -> "" + refused.problems());
    }

    @Test
    void everyPieceComesBackFromAFileAsItWas() throws Exception {
        Build build = apart(opto("turn.IN1", 390, 10_000))
                .wire("turn.IN2", "board.D5")
                .wire("turn.IN3", "board.D6")
                .wire("turn.IN4", "board.D7")
                .between(diode("turn.IN2", 4700))
                .between(lowPass("turn.IN3", 1000, 100))
                .part("door", "contact-reed")
                .wire("door.A", "board.D8")
                .between(new Between.PulledUp(end("door.A"), ohms(10_000), Extras.NONE))
                .between(new Between.Divider(
                        end("turn.IN4"), ohms(1200), ohms(2200), Optional.of(Capacitance.ofFarads(1e-9)), Extras.NONE))
                .build();
        Build again = BuildReader.parse(Path.of("piece.json"), BuildWriter.print(build), CATALOG);
        assertEquals(build.nodes().get(0).between(), again.nodes().get(0).between());
    }

    /** A driver takes any share of 50 µs, down to none: what it must tell apart is the usual 25 µs, and 66 ns do no harm. */
    @Test
    void whatTakesAnyShareIsJudgedByTheUsualPulse() {
        Builds motor = Builds.classic()
                .part("drive", "motor-driver", "VCC=board.5V")
                .wire("drive.PWMA", "board.D9")
                .between(new Between.Series(
                        Builds.end("drive.PWMA"),
                        Resistance.ofOhms(300),
                        Optional.of(Capacitance.ofFarads(100e-12)),
                        Extras.NONE));
        RuleKit.quiet(motor, "levels.in_line_slow");
    }
}
