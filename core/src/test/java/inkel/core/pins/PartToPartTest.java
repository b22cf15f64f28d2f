package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Signals that go from part to part, without the board. */
class PartToPartTest {
    private static Plan plan(Builds builds) {
        return new Planner(builds.build(), CATALOG).plan(NODE);
    }

    private static Build planned(Builds builds) throws EditRefused {
        Plan plan = plan(builds);
        assertTrue(plan.placed(), () -> "clash: " + plan.clash());
        return plan.edit().map(edit -> apply(edit, builds.build())).orElseGet(builds::build);
    }

    private static Build apply(Edit edit, Build build) {
        try {
            return edit.apply(build);
        } catch (EditRefused refused) {
            throw new AssertionError(refused);
        }
    }

    private static Optional<Endpoint> to(Build build, String signal) {
        return build.nodes().get(0).wire(end(signal)).map(Wire::to);
    }

    private static Builds displayAndKnob() {
        return Builds.classic()
                .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("knob", "knob", "VCC=board.5V");
    }

    @Test
    void aKnobServesTheBoardUnlessTheBuilderGivesItToTheContrast() throws EditRefused {
        Build build = planned(displayAndKnob());
        assertEquals(Optional.of(end("board.GND")), to(build, "text.VO"));
        assertTrue(to(build, "knob.OUT").orElseThrow().part().equals("board"));
    }

    @Test
    void aKnobAtTheContrastStaysThereAndWantsNoPinOfTheBoard() throws EditRefused {
        Builds given = displayAndKnob().wire("text.VO", "knob.OUT");
        RuleKit.quiet(given, "pins.bias_tied");
        Build build = planned(given);
        assertEquals(Optional.of(end("knob.OUT")), to(build, "text.VO"));
        assertEquals(Optional.empty(), to(build, "knob.OUT"));
    }

    @Test
    void theBoardMayReadTheKnobThatSetsTheContrast() throws EditRefused {
        Build build = planned(displayAndKnob().wire("text.VO", "knob.OUT").hold("knob.OUT", "board.A3"));
        assertEquals(Optional.of(end("knob.OUT")), to(build, "text.VO"));
        assertEquals(Optional.of(end("board.A3")), to(build, "knob.OUT"));
    }

    @Test
    void oneKnobMayServeTwoDisplays() throws EditRefused {
        Build build = planned(Builds.on("board-big-5v")
                .part("one", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("two", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("knob", "knob", "VCC=board.5V")
                .wire("one.VO", "knob.OUT")
                .wire("two.VO", "knob.OUT"));
        assertEquals(Optional.of(end("knob.OUT")), to(build, "one.VO"));
        assertEquals(Optional.of(end("knob.OUT")), to(build, "two.VO"));
    }

    @Test
    void aConverterThatGivesAVoltageIsUsedWithoutBeingAsked() throws EditRefused {
        Build build = planned(Builds.classic()
                .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("dac", "dac-12-i2c", "VCC=board.5V"));
        assertEquals(Optional.of(end("dac.OUT")), to(build, "text.VO"));
    }

    @Test
    void aTiedContrastIsANoteWithAKnobAsWayOut() throws Exception {
        Builds tied = displayAndKnob().wire("text.VO", "board.GND");
        RuleKit.firesAt(tied, "pins.bias_tied", "text.VO");
        RuleKit.waysOut(tied, "pins.bias_tied", "move-text.VO-to-knob.OUT", "knob-text.VO");
        List<String> ways = RuleKit.fires(tied, "pins.bias_tied").fixes().stream()
                .map(Fix::id)
                .toList();
        assertEquals(List.of("move-text.VO-to-knob.OUT", "knob-text.VO"), ways);
    }

    /** One that a pin reads is offered last, and not at all where its builder holds it there. */
    @Test
    void aKnobThatTheBoardReadsMaySetTheContrastInstead() throws Exception {
        Builds read = displayAndKnob().wire("text.VO", "board.GND").wire("knob.OUT", "board.A0");
        Finding finding = RuleKit.fires(read, "pins.bias_tied");
        assertEquals(
                List.of("set-by-knob", "knob-text.VO"),
                finding.fixes().stream().map(Fix::id).toList());
        RuleKit.waysOut(read, "pins.bias_tied", "set-by-knob", "knob-text.VO");
        Build given = finding.fixes().get(0).apply(read.build());
        Build set = new Planner(given, CATALOG)
                .plan(NODE)
                .edit()
                .map(edit -> apply(edit, given))
                .orElse(given);
        assertEquals(Optional.of(end("knob.OUT")), to(set, "text.VO"));
        assertEquals(Optional.empty(), to(set, "knob.OUT"));
        Builds held = displayAndKnob().wire("text.VO", "board.GND").hold("knob.OUT", "board.A0");
        assertEquals(
                List.of("knob-text.VO"),
                RuleKit.fires(held, "pins.bias_tied").fixes().stream()
                        .map(Fix::id)
                        .toList());
    }

    // The contrast bears 0.3 V above the display's own supply, 4.75 V at least behind a USB port.
    @Test
    void aKnobAtAHigherSupplyHarmsTheContrast() throws Exception {
        Builds high = Builds.classic()
                .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("wall", "wall-supply-9v")
                .part("knob", "knob", "VCC=wall.+")
                .wire("text.VO", "knob.OUT");
        Finding finding = RuleKit.firesAt(high, "levels.harms", "text.VO");
        assertEquals("bias", finding.sentence().key().replaceFirst(".*\\.", ""));
        RuleKit.waysOut(high, "levels.harms", "run-at-other-supply");
        RuleKit.quiet(displayAndKnob().wire("text.VO", "knob.OUT"), "levels.harms");
    }

    @Test
    void aServoOnAChannelOfTheReceiverStaysThereAndClaimsNothing() throws EditRefused {
        Builds model = Builds.classic()
                .part("air", "rc-receiver", "V+=board.5V")
                .part("rudder", "servo-micro", "V+=board.5V")
                .wire("rudder.SIG", "air.CH4");
        Build build = planned(model);
        assertEquals(Optional.of(end("air.CH4")), to(build, "rudder.SIG"));
        assertEquals(Optional.empty(), to(build, "air.CH4"));
        for (String code :
                List.of("pwm.no_pwm", "pwm.software_jitter", "pwm.timer_clash", "pins.no_role", "levels.unread")) {
            RuleKit.quiet(model, code);
        }
    }

    @Test
    void aServoIsNotGivenToTheReceiverUnasked() throws EditRefused {
        Build build = planned(Builds.classic()
                .part("air", "rc-receiver", "V+=board.5V")
                .part("rudder", "servo-micro", "V+=board.5V"));
        assertEquals("board", to(build, "rudder.SIG").orElseThrow().part());
    }

    @Test
    void pulsesOfAReceiverSuitServosOnly() {
        Builds model = Builds.classic()
                .part("air", "rc-receiver", "V+=board.5V")
                .part("colour", "rgb-led-cathode")
                .part("lamp", "led");
        assertTrue(
                PinFit.whyNot(model.circuit(), end("colour.R"), end("air.CH4")).isPresent());
        assertTrue(PinFit.whyNot(model.circuit(), end("lamp.A"), end("air.CH4")).isEmpty());
    }

    @Test
    void aKnobGoesToAConverterWhereTheBoardHasNone() throws EditRefused {
        Build build = planned(Builds.on("computer-40pin")
                .part("meter", "adc-16", "VDD=board.3V3")
                .part("knob", "knob", "VCC=board.3V3"));
        assertEquals("meter", to(build, "knob.OUT").orElseThrow().part());
    }

    @Test
    void aConverterIsTheWayOutWhereTheBoardHasNone() {
        Plan plan = plan(Builds.on("computer-40pin").part("knob", "knob", "VCC=board.3V3"));
        assertFalse(plan.placed());
        assertTrue(plan.waysOut().stream().anyMatch(fix -> fix.id().equals("add-adc-16")), () -> "" + plan.waysOut());
    }

    // The converter bears 0.3 V above its own 3.3 V.
    @Test
    void aConverterIsHarmedByAKnobAtAHigherSupply() throws Exception {
        Builds high = Builds.on("computer-40pin")
                .part("meter", "adc-16", "VDD=board.3V3")
                .part("knob", "knob", "VCC=board.5V")
                .wire("knob.OUT", "meter.A2");
        RuleKit.firesAt(high, "adc.over_range", "knob.OUT");
        RuleKit.waysOut(high, "adc.over_range", "run-at-other-supply", "divide");
        RuleKit.quiet(
                Builds.on("computer-40pin")
                        .part("meter", "adc-16", "VDD=board.3V3")
                        .part("knob", "knob", "VCC=board.3V3")
                        .wire("knob.OUT", "meter.A2"),
                "adc.over_range");
    }

    private static Builds wheels() {
        return Builds.classic()
                .part("pack", "wall-supply-6v")
                .part("driver", "motor-driver", "VM=pack.+", "VCC=board.5V")
                .part("left", "motor-leads")
                .part("right", "motor-leads");
    }

    @Test
    void bothLeadsOfAMotorAreOnOneBridge() throws EditRefused {
        Build build = planned(wheels());
        String left = to(build, "left.M+").orElseThrow().pin().substring(0, 1);
        String right = to(build, "right.M+").orElseThrow().pin().substring(0, 1);
        assertEquals(left, to(build, "left.M-").orElseThrow().pin().substring(0, 1));
        assertEquals(right, to(build, "right.M-").orElseThrow().pin().substring(0, 1));
        assertFalse(left.equals(right));
    }

    private static List<String> loose(Build build) {
        return PinReport.of(Circuit.of(build, CATALOG)).node(NODE).orElseThrow().loose().stream()
                .map(Endpoint::toString)
                .sorted()
                .toList();
    }

    @Test
    void theInputsOfABridgeAreWantedWhereAMotorHangsOnIt() throws Exception {
        List<String> bridge = List.of("driver.BIN1", "driver.BIN2", "driver.PWMB");
        Builds one = wheels().wire("left.M+", "driver.AO1").wire("left.M-", "driver.AO2");
        assertEquals(List.of("driver.AIN1", "driver.AIN2", "driver.PWMA", "right.M+", "right.M-"), loose(one.build()));
        Builds half = wheels().wire("left.M+", "driver.AO1").wire("left.M-", "driver.BO1");
        assertFalse(loose(half.build()).contains("driver.BIN1"), "a lead that is astray drives nothing");
        Builds two = one.wire("right.M+", "driver.BO1").wire("right.M-", "driver.BO2");
        assertEquals(6, loose(two.build()).size(), () -> "three of either bridge: " + loose(two.build()));
        assertTrue(loose(two.build()).containsAll(bridge));
        assertFalse(loose(two.setting("driver", "declined", "PWMB").build()).contains("driver.PWMB"));
    }

    @Test
    void sharingOutGivesBothMotorsWhatTheyTurnBy() throws EditRefused {
        Build build = planned(wheels());
        assertEquals(List.of(), loose(build));
        for (String pin : List.of("PWMA", "AIN1", "AIN2", "PWMB", "BIN1", "BIN2")) {
            assertTrue(
                    to(build, "driver." + pin)
                            .filter(to -> to.part().equals("board"))
                            .isPresent(),
                    pin);
        }
        assertTrue(build.node(NODE).orElseThrow().wires().stream().noneMatch(Wire::held), "nothing is held for it");
    }

    @Test
    void oneMotorWantsOneBridge() throws EditRefused {
        Build build = planned(Builds.classic()
                .part("pack", "wall-supply-6v")
                .part("driver", "motor-driver", "VM=pack.+", "VCC=board.5V")
                .part("left", "motor-leads"));
        String bridge = to(build, "left.M+").orElseThrow().pin().substring(0, 1);
        assertEquals("A", bridge, "the one whose inputs are wanted anyhow");
        assertEquals(Optional.empty(), to(build, "driver.PWMB"));
    }

    @Test
    void leadsOnTwoBridgesAreFound() throws Exception {
        Builds apart = wheels().wire("left.M+", "driver.AO1").wire("left.M-", "driver.BO1");
        RuleKit.firesAt(apart, "pins.lead_apart", "left.M-");
        RuleKit.waysOut(apart, "pins.lead_apart", "move-left.M--to-driver.AO2");
        apart.wire("driver.BIN1", "board.D2").wire("driver.BIN2", "board.D4").wire("driver.PWMB", "board.D5");
        RuleKit.waysOut(apart, "pins.lead_apart", "move-left.M--to-driver.AO2", "move-left.M+-to-driver.BO2");
        RuleKit.quiet(wheels().wire("left.M+", "driver.AO1").wire("left.M-", "driver.AO2"), "pins.lead_apart");
        RuleKit.quiet(wheels().wire("left.M+", "driver.AO1"), "pins.lead_apart");
    }

    // Two motors of 200 mA running and 800 mA held; a bridge gives 1.2 A for long.
    @ParameterizedTest
    @CsvSource({"1, 0.8", "2, 1.6"})
    void motorsOnTheTableTellWhatTheDriverTakes(int motors, double peak) {
        Builds build = wheels().wire("left.M+", "driver.AO1").wire("left.M-", "driver.AO2");
        if (motors == 2) {
            build.wire("right.M+", "driver.BO1").wire("right.M-", "driver.BO2");
        }
        assertEquals(
                peak,
                build.circuit().part("driver").orElseThrow().cls().peak("VM").amperes(),
                1e-9);
        assertEquals(
                3.2,
                wheels().circuit().part("driver").orElseThrow().cls().peak("VM").amperes(),
                1e-9);
    }

    @ParameterizedTest
    @CsvSource({"1.2 A, false", "1.21 A, true"})
    void aWindingMayTakeWhatItsBridgeGivesForLong(String running, boolean isOver) {
        Builds build = wheels().figure("left", "load/M+/usual", running)
                .wire("left.M+", "driver.AO1")
                .wire("left.M-", "driver.AO2");
        if (isOver) {
            RuleKit.firesAt(build, "power.winding_over", "left.M+");
        } else {
            RuleKit.quiet(build, "power.winding_over");
        }
    }

    @Test
    void aLoadCellHangsOnItsAmplifierLeadByLead() throws EditRefused {
        Build build = planned(Builds.classic()
                .part("driver", "motor-driver", "VM=board.5V", "VCC=board.5V")
                .part("amp", "load-cell", "VCC=board.5V")
                .part("cell", "load-bridge"));
        for (String lead : List.of("E+", "E-", "A+", "A-")) {
            assertEquals(Optional.of(end("amp." + lead)), to(build, "cell." + lead));
        }
    }

    @Test
    void whatMustComeAtOnceIsNotReachedOverABus() {
        Builds build = Builds.classic()
                .part("more", "port-expander", "VCC=board.5V")
                .part("strip", "led-addressable", "V+=board.5V")
                .part("amp", "load-cell", "VCC=board.5V")
                .part("water", "temperature-water", "VCC=board.5V")
                .part("channels", "servo-driver-16", "VCC=board.5V", "V+=board.5V")
                .part("beam", "infrared-led");
        for (String signal : List.of("strip.DIN", "amp.SCK", "amp.DT", "water.DQ", "beam.A")) {
            assertTrue(
                    PinFit.legal(build.circuit(), end(signal))
                            .allMatch(target -> target.part().equals("board")),
                    signal);
        }
    }

    @Test
    void aStripGoesOnToTheNextOfItsKindByChoice() throws EditRefused {
        Builds strips = Builds.classic()
                .part("one", "led-addressable", "V+=board.5V")
                .part("two", "led-addressable", "V+=board.5V")
                .wire("two.DIN", "one.DOUT");
        assertEquals(Optional.of(end("one.DOUT")), to(planned(strips), "two.DIN"));
        assertEquals(
                "board",
                to(
                                planned(Builds.classic()
                                        .part("one", "led-addressable", "V+=board.5V")
                                        .part("two", "led-addressable", "V+=board.5V")),
                                "two.DIN")
                        .orElseThrow()
                        .part());
        assertTrue(PinFit.whyNot(
                        Builds.classic()
                                .part("one", "led-addressable", "V+=board.5V")
                                .part("lamp", "led")
                                .circuit(),
                        end("lamp.A"),
                        end("one.DOUT"))
                .isPresent());
    }

    @Test
    void theContrastOfADisplayOnABackpackIsTurnedThere() throws EditRefused {
        Build build = planned(Builds.classic()
                .part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("pack", "display-backpack", "VCC=board.5V"));
        assertEquals(Optional.of(end("pack.VO")), to(build, "text.VO"));
    }

    /** Of six channels a builder uses those that the model needs. */
    @Test
    void ofTheChannelsOfAReceiverThoseThatAreUsedAreEnough() {
        Builds fresh = Builds.classic().part("rc", "rc-receiver", "V+=board.5V");
        assertEquals(1, fresh.findings("pins.not_placed").size());
        assertEquals(
                2, new Planner(fresh.build(), CATALOG).plan(Builds.NODE).wires().size());
        RuleKit.quiet(
                Builds.classic().part("rc", "rc-receiver", "V+=board.5V").wire("rc.CH5", "board.D2"),
                "pins.not_placed");
        RuleKit.quiet(
                Builds.classic()
                        .part("rc", "rc-receiver", "V+=board.5V")
                        .part("rudder", "servo-micro", "V+=board.5V")
                        .wire("rudder.SIG", "rc.CH4"),
                "pins.not_placed");
        Builds asked = Builds.classic()
                .part("rc", "rc-receiver", "V+=board.5V")
                .setting("rc", "wanted", "CH6")
                .wire("rc.CH5", "board.D2");
        RuleKit.firesAt(asked, "pins.not_placed", "rc.CH6");
    }
}
