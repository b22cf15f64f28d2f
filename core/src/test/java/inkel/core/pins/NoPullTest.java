package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Fitting;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import inkel.core.remedy.AddParts;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.List;
import org.junit.jupiter.api.Test;

class NoPullTest {
    private static final String CODE = "pins.no_pull";

    private static Builds wireless() {
        return Builds.powered(Builds.CATALOG.get("board-wireless-3v3"));
    }

    private static Builds button(String pin) {
        return wireless().part("button", "button").wire("button.A", "board." + pin);
    }

    private static Builds probe() {
        return Builds.classic()
                .part("probe", "temperature-water", "VDD=board.5V")
                .wire("probe.DQ", "board.D4");
    }

    @Test
    void aContactAtAPinWithoutAPullUpFloats() throws Exception {
        Finding finding = RuleKit.fires(button("D34"), CODE);
        assertEquals("pins.no_pull", finding.sentence().key());
        RuleKit.everyWayOut(button("D34"), CODE);
        RuleKit.quiet(button("D13"), CODE);
    }

    /** Beside the wire stands one resistor from the pin to 3.3 V; the wire itself goes straight on. */
    @Test
    void aResistorBesideTheWireMakesTheHigh() throws Exception {
        Builds floats = button("D34");
        RuleKit.everyWayOut(floats, CODE);
        Builds held = button("D34")
                .between(new Between.PulledUp(Builds.end("button.A"), Resistance.ofOhms(10e3), Extras.NONE));
        RuleKit.quiet(held, CODE);
        List<WireStep> steps = WireList.of(held.circuit()).safe();
        List<WireStep> signals = steps.stream()
                .filter(step -> step.kind() == WireStep.Kind.SIGNAL)
                .toList();
        assertEquals(1, signals.size());
        assertTrue(signals.get(0).inLine().isEmpty());
        List<Fitting> fittings =
                steps.stream().flatMap(step -> step.fitting().stream()).toList();
        assertEquals(
                List.of(new Fitting(Fitting.Sort.RESISTOR, Resistance.ofOhms(10e3), "board.3V3", "D34")), fittings);
    }

    /** From 1 kΩ to 100 kΩ: beside √(1·100) = 10 kΩ its voltage swings the most. No pin of the board is better than another. */
    @Test
    void aResistanceAloneIsNoVoltage() throws Exception {
        Builds light = Builds.classic().part("eye", "light-resistor-legs").wire("eye.A", "board.A0");
        Finding finding = RuleKit.fires(light, CODE);
        assertEquals("pins.no_pull.resistance", finding.sentence().key());
        assertEquals(1, finding.fixes().size());
        assertEquals(
                Resistance.ofOhms(10e3), finding.fixes().get(0).title().values().get("value"));
        RuleKit.everyWayOut(light, CODE);
        RuleKit.quiet(
                light.between(new Between.PulledUp(Builds.end("eye.A"), Resistance.ofOhms(4.7e3), Extras.NONE)), CODE);
    }

    /** A part that comes from the catalogue brings it. */
    @Test
    void whoPutsASensorOfTwoLegsDownHasItsResistor() throws Exception {
        Build build = Builds.classic().build();
        for (Edit edit : AddParts.of(
                Circuit.of(build, Builds.CATALOG).nodes().get(0), Builds.CATALOG.get("thermistor-legs"), 1)) {
            build = edit.apply(build);
        }
        assertEquals(
                List.of("pull-up 12000.0"),
                build.nodes().get(0).between().stream().map(Between::text).toList());
    }

    private static boolean isPulledInside(Builds builds, String signal) throws Exception {
        NodeCircuit node = builds.circuit();
        return OnlyLow.isPulledInside(node, node.wire(Builds.end(signal)).orElseThrow());
    }

    @Test
    void aProgramHasToSwitchOnThePullUpInsideWhereNothingElsePulls() throws Exception {
        assertTrue(isPulledInside(button("D13"), "button.A"));
        assertTrue(isPulledInside(
                button("D13").between(new Between.Series(Builds.end("button.A"), Resistance.ofOhms(1e3), Extras.NONE)),
                "button.A"));
        // There is none in this pin, a resistor outside does it, a coupler has its own, one inside is too weak, it
        // drives both ways.
        assertFalse(isPulledInside(button("D34"), "button.A"));
        assertFalse(isPulledInside(
                button("D13")
                        .between(new Between.PulledUp(Builds.end("button.A"), Resistance.ofOhms(1e4), Extras.NONE)),
                "button.A"));
        assertFalse(isPulledInside(
                button("D13")
                        .between(new Between.Opto(
                                Builds.end("button.A"), Resistance.ofOhms(390), Resistance.ofOhms(1e4), Extras.NONE)),
                "button.A"));
        assertFalse(isPulledInside(probe().setting("probe", "form", "chip"), "probe.DQ"));
        assertFalse(isPulledInside(
                Builds.classic()
                        .part("motion", "motion-detector", "VCC=board.5V")
                        .wire("motion.OUT", "board.D4"),
                "motion.OUT"));
    }

    @Test
    void aProbeThatTakesItsOwnIsNotOfferedOneAtThePin() throws Exception {
        RuleKit.waysOut(probe().setting("probe", "form", "chip"), CODE, "add-pull-ups");
    }

    @Test
    void aBareProbeOnOneWireWantsItsResistor() throws Exception {
        RuleKit.quiet(probe(), CODE);
        Builds bare = probe().setting("probe", "form", "chip");
        Finding finding = RuleKit.fires(bare, CODE);
        assertEquals("pins.no_pull.two_way", finding.sentence().key());
        RuleKit.everyWayOut(bare, CODE);
        RuleKit.quiet(bare.setting("probe", "add_pull_ups", "4.7 kΩ"), CODE);
    }

    @Test
    void anotherProbesResistorIsEnough() {
        Builds two = probe().part("second", "temperature-water", "VDD=board.5V")
                .setting("second", "form", "chip")
                .wire("second.DQ", "board.D4");
        RuleKit.quiet(two, CODE);
    }

    @Test
    void whatPushesNeedsNone() {
        RuleKit.quiet(wireless().part("rc", "rc-receiver", "V+=board.VIN").wire("rc.CH1", "board.D34"), CODE);
    }

    @Test
    void oneWireGoesToNoPinThatCannotDrive() {
        Builds build =
                wireless().part("probe", "temperature-water", "VDD=board.3V3").wire("probe.DQ", "board.D34");
        assertTrue(
                build.findings("pins.no_role").size() == 1,
                build.findings("pins.no_role").toString());
    }

    @Test
    void probesShareAWireAndButtonsDo() {
        Builds probes =
                probe().part("second", "temperature-water", "VDD=board.5V").wire("second.DQ", "board.D4");
        RuleKit.quiet(probes, "pins.two_drivers");
        Builds buttons = button("D13").part("second", "button").wire("second.A", "board.D13");
        RuleKit.quiet(buttons, "pins.two_drivers");
    }

    @Test
    void whatHasNoAddressOfItsOwnSharesNothing() {
        Builds two = Builds.classic()
                .part("one", "climate-wire", "VCC=board.5V")
                .part("two", "climate-wire", "VCC=board.5V")
                .wire("one.DATA", "board.D4")
                .wire("two.DATA", "board.D4");
        RuleKit.fires(two, "pins.two_drivers");
        Builds driven = button("D13").part("rc", "rc-receiver", "V+=board.VIN").wire("rc.CH1", "board.D13");
        RuleKit.fires(driven, "pins.two_drivers");
    }
}
