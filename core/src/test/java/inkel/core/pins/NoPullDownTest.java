package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Fitting;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.levels.AnalogLevel;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A contact and a resistance between a supply and a pin, with a resistor from that pin to ground: how most books begin. */
class NoPullDownTest {
    private static final String CODE = "pins.no_pull_down";

    private static Between.PulledDown down(String signal, double ohms) {
        return new Between.PulledDown(Builds.end(signal), Resistance.ofOhms(ohms), Extras.NONE);
    }

    private static Builds contact() {
        return Builds.classic().part("key", "button", "B=board.5V").wire("key.A", "board.D2");
    }

    private static Builds light() {
        return Builds.classic().part("eye", "light-resistor-legs", "B=board.5V").wire("eye.A", "board.A0");
    }

    @Test
    void aContactOnASupplyFloatsWhileItIsOpen() throws Exception {
        Finding finding = RuleKit.fires(contact(), CODE);
        assertEquals(CODE, finding.sentence().key());
        assertEquals(Severity.STOP, finding.severity());
        RuleKit.waysOut(contact(), CODE, "pull-down-at-pin", "leg-to-ground");
        RuleKit.everyWayOut(contact(), CODE);
        assertEquals(List.of(), contact().between(down("key.A", 10e3)).assess().findings());
        // One that pulls up makes a second high.
        RuleKit.fires(
                contact().between(new Between.PulledUp(Builds.end("key.A"), Resistance.ofOhms(10e3), Extras.NONE)),
                CODE);
    }

    @Test
    void onGroundItIsAsBefore() {
        RuleKit.quiet(Builds.classic().part("key", "button").wire("key.A", "board.D2"), CODE);
        RuleKit.quiet(Builds.classic().part("eye", "light-resistor-legs").wire("eye.A", "board.A0"), CODE);
    }

    /** √(1 kΩ · 100 kΩ) = 10 kΩ. With it the pin has at most 10/11 of 5.25 V, 4.77 V. */
    @Test
    void aResistanceOnASupplyIsNoVoltage() throws Exception {
        Finding finding = RuleKit.fires(light(), CODE);
        assertEquals("pins.no_pull_down.resistance", finding.sentence().key());
        assertEquals(
                Resistance.ofOhms(10e3), finding.fixes().get(0).title().values().get("value"));
        RuleKit.everyWayOut(light(), CODE);
        Builds held = light().between(down("eye.A", 10e3));
        assertEquals(List.of(), held.assess().findings());
        AnalogLevel level = held.assess().reports().levels().analog().get(0);
        assertEquals(5.25 * 10 / 11, level.arrives().volts(), 1e-9);
        assertEquals(1e6 / 110, level.sourceResistance().orElseThrow().ohms(), 1e-9);
    }

    /** From 5.25 V a pin of the 3.3 V board, which bears 3.5 V, gets 4.77 V of a bright light, and a contact hands on all of it. */
    @Test
    void whatHangsOnAHigherSupplyHarmsThePin() throws Exception {
        Builds board = Builds.powered(Builds.CATALOG.get("board-wireless-3v3"))
                .part("eye", "light-resistor-legs", "B=board.VIN")
                .wire("eye.A", "board.D34")
                .between(down("eye.A", 10e3))
                .part("key", "button", "B=board.VIN")
                .wire("key.A", "board.D4")
                .between(down("key.A", 10e3));
        RuleKit.firesAt(board, "adc.over_range", "eye.A");
        Finding contact = RuleKit.firesAt(board, "levels.harms", "key.A");
        assertEquals(
                "board.3V3",
                ((Feed) contact.fixes().get(0).edits().get(0)).rail().toString());
    }

    /** One red wire and a resistor to ground: nothing of the contact itself goes to ground. */
    @Test
    void theListHasItOnTheSupply() throws Exception {
        List<WireStep> steps =
                WireList.of(contact().between(down("key.A", 10e3)).circuit()).safe();
        List<WireStep> atLeg = steps.stream()
                .filter(step ->
                        step.from().id().equals("key.B@1") || step.to().id().equals("key.B@1"))
                .toList();
        assertEquals(1, atLeg.size());
        assertEquals(WireStep.Kind.SUPPLY, atLeg.get(0).kind());
        assertEquals(
                List.of(new Fitting(Fitting.Sort.RESISTOR, Resistance.ofOhms(10e3), "D2", "row ground")),
                steps.stream().flatMap(step -> step.fitting().stream()).toList());
    }

    /** A contact to ground and a resistor to ground: nothing is ever high, since the pull-up inside is five times weaker and more. */
    @Test
    void aResistorOnTheWrongSide() throws Exception {
        Builds wrong =
                Builds.classic().part("key", "button").wire("key.A", "board.D2").between(down("key.A", 10e3));
        Finding finding = RuleKit.fires(wrong, "pins.no_pull");
        assertEquals("pins.no_pull.down", finding.sentence().key());
        RuleKit.waysOut(wrong, "pins.no_pull", "pull-up-at-pin", "leg-to-supply");
        RuleKit.everyWayOut(wrong, "pins.no_pull");
        Builds eye = Builds.classic()
                .part("eye", "thermistor-legs")
                .wire("eye.A", "board.A0")
                .between(down("eye.A", 10e3));
        assertEquals(
                "pins.no_pull.resistance_down",
                RuleKit.fires(eye, "pins.no_pull").sentence().key());
        RuleKit.everyWayOut(eye, "pins.no_pull");
    }

    /** Beside the 4.7 kΩ of a ready probe, down by 10.97 kΩ leaves 0.70006 of the supply, by 10.96 kΩ 0.69987. */
    @Test
    void aResistorDownThatIsStrongerThanTheOneUp() throws Exception {
        Builds probe = Builds.classic()
                .part("probe", "temperature-water", "VDD=board.5V")
                .wire("probe.DQ", "board.D4");
        RuleKit.quiet(probe.between(down("probe.DQ", 10_970)), "pins.no_pull");
        Builds strong = Builds.classic()
                .part("probe", "temperature-water", "VDD=board.5V")
                .wire("probe.DQ", "board.D4")
                .between(down("probe.DQ", 10_960));
        RuleKit.fires(strong, "pins.no_pull");
        RuleKit.everyWayOut(strong, "pins.no_pull");
    }

    /** An input that a program drives is held off by one until then; nothing is said of it. */
    @Test
    void aResistorDownAtAnInputIsFine() {
        Builds relay = Builds.classic()
                .part("relay", "relay-one", "VCC=board.5V")
                .wire("relay.IN", "board.D7")
                .between(down("relay.IN", 10e3));
        assertTrue(relay.assess().findings().stream().noneMatch(found -> found.severity() == Severity.STOP));
    }

    /** Either of two closes the wire to 5 V, as two to ground do; one to ground and one to 5 V meet when both are closed. */
    @Test
    void twoOnOneSupplyMayShareAWire() {
        Builds both = contact()
                .between(down("key.A", 10e3))
                .part("more", "button", "B=board.5V")
                .wire("more.A", "board.D2");
        RuleKit.quiet(both, "pins.two_drivers");
        RuleKit.quiet(both, CODE);
        RuleKit.fires(both, "pins.shared_pin");
        RuleKit.fires(
                contact().between(down("key.A", 10e3)).part("more", "button").wire("more.A", "board.D2"),
                "pins.two_drivers");
        RuleKit.fires(
                contact()
                        .between(down("key.A", 10e3))
                        .part("more", "button", "B=board.3V3")
                        .wire("more.A", "board.D2"),
                "pins.two_drivers");
    }

    private static String placed(Build build) {
        return build.nodes().get(0).wires() + " "
                + build.nodes().get(0).part("key").orElseThrow().feeds() + " "
                + build.nodes().get(0).between().stream().map(Between::text).toList();
    }

    /** As it is copied from a drawing: the wire to the supply among the others, either leg at the pin. */
    @Test
    void wiresThatSaySoBecomeAFeed() throws Exception {
        Wire wire = Wire.placed(Builds.end("key.A"), Builds.end("board.D2"));
        String wanted = List.of(wire) + " " + Map.of("B", Builds.end("board.5V")) + " [pull-down 10000.0]";
        Builds right = Builds.classic()
                .part("key", "button")
                .wire("key.A", "board.D2")
                .wire("key.B", "board.5V")
                .between(down("key.A", 10e3));
        Finding feed = RuleKit.fires(right, "parts.pin_gone");
        assertEquals("parts.pin_gone.wire_feed", feed.sentence().key());
        RuleKit.quiet(right, "pins.no_pull");
        Build after = Edit.applyAll(right.build(), feed.fixes().get(0).edits());
        assertEquals(wanted, placed(after));
        Builds about =
                Builds.classic().part("key", "button").wire("key.A", "board.5V").wire("key.B", "board.D2");
        Finding turn = RuleKit.fires(about, "parts.pin_gone");
        assertEquals("parts.pin_gone.wire_swapped", turn.sentence().key());
        assertEquals(
                wanted, placed(Edit.applyAll(about.build(), turn.fixes().get(0).edits())));
    }

    /** Sharing out says the same by itself; the resistor is the builder's to put in. */
    @Test
    void aPlanKeepsWhatTheWiresSay() throws Exception {
        Build about = Builds.classic()
                .part("key", "button")
                .wire("key.A", "board.5V")
                .wire("key.B", "board.D2")
                .build();
        Build planned = new Planner(about, Builds.CATALOG)
                .plan(Builds.NODE)
                .edit()
                .orElseThrow()
                .apply(about);
        assertEquals(
                List.of(Wire.placed(Builds.end("key.A"), Builds.end("board.D2"))) + " "
                        + Map.of("B", Builds.end("board.5V")) + " []",
                placed(planned));
    }
}
