package inkel.core.parts;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddNode;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.WireList;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A build outlives changes of its classes: what has no place any more is told, and the rest is judged. */
class PinGoneRuleTest {
    private static final String CODE = "parts.pin_gone";

    private static Builds radio() {
        return Builds.classic().part("radio", "packet-radio", "VCC=board.3V3").wire("radio.CE", "board.D9");
    }

    @Test
    void aWireToAPinThatIsNotThere() throws Exception {
        RuleKit.quiet(radio(), CODE);
        Builds gone = radio().wire("radio.CSN", "board.D100");
        Finding finding = RuleKit.firesAt(gone, CODE, "radio.CSN");
        assertEquals("parts.pin_gone.wire", finding.sentence().key());
        RuleKit.everyWayOut(gone, CODE);
        // D10 looks most like it; taking the wire off always works.
        assertEquals(
                List.of("near", "take-away"),
                finding.fixes().stream().map(Fix::id).toList());
    }

    /** What there is is said where it is little: a radio has eight, a board many. */
    @ParameterizedTest
    @CsvSource({"radio.XY, board.D8, parts.pin_gone.wire_pins", "radio.CSN, board.D100, parts.pin_gone.wire"})
    void whatThereIsIsSaidWhereItIsLittle(String from, String to, String told) throws Exception {
        Finding finding = RuleKit.firesAt(radio().wire(from, to), CODE, from);
        assertEquals(told, finding.sentence().key());
        if (told.endsWith("_pins")) {
            assertEquals(
                    List.of("GND", "CE", "SCK", "MISO", "VCC", "CSN", "MOSI", "IRQ"),
                    finding.sentence().values().get("pins"));
        }
    }

    @Test
    void aWireFromWhatIsNoSignal() throws Exception {
        Builds supply = radio().wire("radio.VCC", "board.D8");
        assertEquals(
                "parts.pin_gone.wire_no_signal",
                RuleKit.firesAt(supply, CODE, "radio.VCC").sentence().key());
        RuleKit.everyWayOut(supply, CODE);
    }

    @Test
    void aWireThatIsAFeedBecomesOneWhicheverWayItIsWritten() throws Exception {
        for (String[] ends : new String[][] {{"radio.VCC", "board.3V3"}, {"board.3V3", "radio.VCC"}}) {
            Builds fed = Builds.classic().part("radio", "packet-radio").wire(ends[0], ends[1]);
            Finding finding = RuleKit.firesAt(fed, CODE, "radio.VCC");
            RuleKit.quiet(fed, "parts.no_supply");
            assertEquals("parts.pin_gone.wire_feed", finding.sentence().key());
            Build after = Edit.applyAll(fed.build(), finding.fixes().get(0).edits());
            assertEquals(
                    "board.3V3",
                    after.nodes()
                            .get(0)
                            .part("radio")
                            .orElseThrow()
                            .feeds()
                            .get("VCC")
                            .toString());
            assertEquals(List.of(), after.nodes().get(0).wires());
            RuleKit.everyWayOut(fed, CODE);
        }
    }

    /** As labels are typed by hand: in small letters, or as another module has them. */
    /** A place on the header is meant where there is one of that number; no pin is at place 0. */
    @ParameterizedTest
    @CsvSource({"computer-40pin, 36, board.GPIO16", "computer-40pin, 0, ''", "board-wireless-3v3, 0, ''"})
    void aPlaceOnTheHeaderIsMeant(String board, String place, String pin) {
        List<Fix> near = Builds.on(board).part("lamp", "led").wire("lamp.A", "board." + place).findings(CODE).stream()
                .flatMap(finding -> finding.fixes().stream())
                .filter(fix -> fix.id().equals("near"))
                .toList();
        assertEquals(
                pin.isEmpty() ? List.of() : List.of(end(pin)),
                near.stream().map(fix -> fix.title().values().get("pin")).toList());
    }

    /** A button and a probe have one signal, whatever their builder calls it; not where the wire goes to no pin for signals. */
    @ParameterizedTest
    @CsvSource({
        "button, OUTPUT, board.D2, one.A board.D2",
        "climate-wire, SENSE, board.D2, one.DATA board.D2",
        "button, OUTPUT, board.5V, ''",
        "packet-radio, SENSE, board.D2, ''"
    })
    void theOnlySignalOfAPartIsMeant(String cls, String called, String to, String wire) throws Exception {
        Builds builds = Builds.classic().part("one", cls).wire("one." + called, to);
        List<Fix> near = RuleKit.fires(builds, "parts.pin_gone").fixes().stream()
                .filter(fix -> fix.id().equals("near"))
                .toList();
        if (wire.isEmpty()) {
            assertEquals(List.of(), near);
        } else {
            List<Wire> after = near.get(0).apply(builds.build()).nodes().get(0).wires();
            assertEquals(wire, after.get(0).from() + " " + after.get(0).to());
        }
    }

    @Test
    void aLabelThatIsNearlyRightIsOffered() throws Exception {
        Builds pin = radio().wire("radio.CSN", "board.d10");
        Build onIt = Edit.applyAll(
                pin.build(), RuleKit.fires(pin, CODE).fixes().get(0).edits());
        assertEquals(
                "board.D10",
                onIt.nodes().get(0).wire(end("radio.CSN")).orElseThrow().to().toString());
        RuleKit.everyWayOut(pin, CODE);

        Builds signal = radio().wire("radio.csn", "board.D10");
        Build fromIt = Edit.applyAll(
                signal.build(), RuleKit.fires(signal, CODE).fixes().get(0).edits());
        assertEquals(
                "board.D10",
                fromIt.nodes().get(0).wire(end("radio.CSN")).orElseThrow().to().toString());
        RuleKit.everyWayOut(signal, CODE);

        Builds taken = radio().wire("radio.ce", "board.D10");
        assertEquals(
                List.of("take-away"),
                RuleKit.fires(taken, CODE).fixes().stream().map(Fix::id).toList(),
                "CE has a wire");

        Builds both = radio().wire("radio.csn", "board.D99");
        assertEquals(
                List.of("take-away"),
                RuleKit.fires(both, CODE).fixes().stream().map(Fix::id).toList(),
                "neither end is there");

        Builds supply = Builds.classic().part("radio", "packet-radio", "VDD=board.3V3");
        Build fed = Edit.applyAll(
                supply.build(), RuleKit.fires(supply, CODE).fixes().get(0).edits());
        assertEquals(
                "{VCC=board.3V3}",
                fed.nodes().get(0).part("radio").orElseThrow().feeds().toString());
        RuleKit.everyWayOut(supply, CODE);
    }

    /** A wire is written from the signal of a part to the pin of the board; by hand it is easily written the other way about. */
    @Test
    void aWireFromTheBoardToAPartIsTurned() throws Exception {
        Builds turned = radio().wire("board.D10", "radio.CSN");
        Finding finding = RuleKit.firesAt(turned, CODE, "board.D10");
        assertEquals("parts.pin_gone.wire_turned", finding.sentence().key());
        assertEquals(
                List.of("turn", "take-away"),
                finding.fixes().stream().map(Fix::id).toList());
        Build after = Edit.applyAll(turned.build(), finding.fixes().get(0).edits());
        assertEquals(
                "board.D10",
                after.nodes().get(0).wire(end("radio.CSN")).orElseThrow().to().toString());
        RuleKit.everyWayOut(turned, CODE);
    }

    /** What is printed on modules of other makes is meant, however little it looks like the label. */
    @Test
    void anotherNameOfAPinIsMeant() throws Exception {
        Builds turn = Builds.classic().part("turn", "encoder", "+=board.5V").wire("turn.A", "board.D2");
        Build after = Edit.applyAll(
                turn.build(), RuleKit.fires(turn, CODE).fixes().get(0).edits());
        assertEquals(
                List.of(Wire.placed(end("turn.CLK"), end("board.D2"))),
                after.nodes().get(0).wires());
        RuleKit.everyWayOut(turn, CODE);
        Builds fed = Builds.classic().part("turn", "encoder", "VCC=board.5V");
        Build named = Edit.applyAll(
                fed.build(), RuleKit.fires(fed, CODE).fixes().get(0).edits());
        assertEquals(
                "{+=board.5V}",
                named.nodes().get(0).part("turn").orElseThrow().feeds().toString());
    }

    private static Builds contact(String[] classAndEnd) {
        return Builds.classic().part("key", classAndEnd[0]).wire("key." + classAndEnd[1], "board.D9");
    }

    /** The two ends of a contact are alike: whichever is wired to the pin, the other goes to ground. */
    @Test
    void aContactThatIsWiredTheOtherWayAbout() throws Exception {
        for (String[] contact : new String[][] {{"button", "B"}, {"switch", "COM"}, {"contact-reed", "B"}}) {
            for (Builds table : List.of(contact(contact), contact(contact).wire("key.A", "board.GND"))) {
                Finding finding = RuleKit.firesAt(table, CODE, "key." + contact[1]);
                assertEquals("parts.pin_gone.wire_swapped", finding.sentence().key());
                Build after =
                        Edit.applyAll(table.build(), finding.fixes().get(0).edits());
                assertEquals(
                        List.of(Wire.placed(end("key.A"), end("board.D9"))),
                        after.nodes().get(0).wires());
                RuleKit.everyWayOut(table, CODE);
            }
        }
        // A lamp is no contact.
        assertEquals(
                "parts.pin_gone.wire_no_signal",
                RuleKit.fires(Builds.classic().part("lamp", "led").wire("lamp.C", "board.D9"), CODE)
                        .sentence()
                        .key());
    }

    /** A resistance is alike at both ends; above it the supply and below it the fixed one is the usual way in books. */
    @Test
    void aResistanceThatIsWiredTheOtherWayAbout() throws Exception {
        for (String other : List.of("", "board.GND", "board.5V")) {
            Builds table = Builds.classic().part("eye", "light-resistor-legs").wire("eye.B", "board.A0");
            Builds wired = other.isEmpty() ? table : table.wire("eye.A", other);
            Finding finding = RuleKit.firesAt(wired, CODE, "eye.B");
            assertEquals("parts.pin_gone.wire_swapped", finding.sentence().key(), other);
            Build after = Edit.applyAll(wired.build(), finding.fixes().get(0).edits());
            assertEquals(
                    List.of(Wire.placed(end("eye.A"), end("board.A0"))),
                    after.nodes().get(0).wires());
            RuleKit.quiet(wired, "pins.no_pull");
        }
    }

    @Test
    void aWireTheWrongWayToASignalThatHasOneIsOnlyTakenOff() throws Exception {
        Builds twice = radio().wire("board.D10", "radio.CE");
        assertEquals(
                List.of("take-away"),
                RuleKit.firesAt(twice, CODE, "board.D10").fixes().stream()
                        .map(Fix::id)
                        .toList());
        RuleKit.everyWayOut(twice, CODE);
    }

    @Test
    void aWireFromABoardToItself() throws Exception {
        NodeWire wire = new NodeWire(
                Place.of(Builds.NODE, end("board.D3")), Place.of(Builds.NODE, end("board.D4")), false, Extras.NONE);
        Build one = radio().build();
        Build linked = one.withLinks(List.of(wire));
        Finding finding = RuleKit.fires(linked, CODE);
        assertEquals("parts.pin_gone.link_same", finding.sentence().key());
        assertEquals(List.of(), Builds.of(Assessment.assess(linked, CATALOG), "power.no_common_ground"));
        RuleKit.everyWayOut(linked, finding);
    }

    /** What is said of one rail is one cause. */
    @Test
    void wiresThatFeedSeveralPinsFromOneRailAreToldTogether() throws Exception {
        Builds some = Builds.classic()
                .part("air", "climate-wire")
                .part("soil", "soil-moisture")
                .part("radio", "packet-radio")
                .wire("air.VCC", "board.5V")
                .wire("soil.VCC", "board.5V")
                .wire("radio.VCC", "board.3V3");
        List<Finding> found = some.findings(CODE);
        assertEquals(
                List.of("parts.pin_gone.wire_feeds", "parts.pin_gone.wire_feed"),
                found.stream().map(finding -> finding.sentence().key()).toList());
        assertEquals(
                List.of(end("air.VCC"), end("soil.VCC")),
                found.get(0).sentence().values().get("at"));
        Build after = Edit.applyAll(some.build(), found.get(0).fixes().get(0).edits());
        assertEquals(
                "{VCC=board.5V}",
                after.nodes().get(0).part("soil").orElseThrow().feeds().toString());
        assertEquals(
                List.of(end("radio.VCC")),
                after.nodes().get(0).wires().stream().map(Wire::from).toList());
        for (Finding finding : found) {
            RuleKit.everyWayOut(some.build(), finding);
        }
    }

    /** From module to module, as leads of three are plugged into a receiver: all hang on the rail that feeds the first. */
    @Test
    void aSupplyThatGoesOnFromPartToPart() throws Exception {
        Builds model = Builds.classic()
                .part("rc", "rc-receiver")
                .part("rudder", "servo-micro")
                .part("elevator", "servo-micro")
                .wire("rc.V+", "board.5V")
                .wire("rudder.V+", "rc.V+")
                .wire("elevator.V+", "rudder.V+");
        Finding finding = RuleKit.fires(model, CODE);
        assertEquals(
                List.of(end("rc.V+"), end("rudder.V+"), end("elevator.V+")),
                finding.sentence().values().get("at"));
        assertEquals(end("board.5V"), finding.sentence().values().get("to"));
        RuleKit.everyWayOut(model, CODE);
        Builds nowhere = Builds.classic()
                .part("rudder", "servo-micro")
                .part("elevator", "servo-micro")
                .wire("elevator.V+", "rudder.V+");
        assertEquals(
                "parts.pin_gone.wire_no_signal",
                RuleKit.fires(nowhere, CODE).sentence().key());
    }

    @Test
    void aWireThatFeedsOtherwiseThanTheFeedIsOneOfTheTwo() throws Exception {
        Builds other =
                Builds.classic().part("air", "climate-wire", "VCC=board.3V3").wire("air.VCC", "board.5V");
        Finding finding = RuleKit.firesAt(other, CODE, "air.VCC");
        assertEquals("parts.pin_gone.wire_feed_other", finding.sentence().key());
        assertEquals(
                List.of("feed", "take-away"),
                finding.fixes().stream().map(Fix::id).toList());
        RuleKit.everyWayOut(other, CODE);
    }

    @Test
    void aFeedFromARailOrToAPinThatIsNotThere() throws Exception {
        Builds rail = Builds.classic().part("radio", "packet-radio", "VCC=board.3V4");
        Finding finding = RuleKit.firesAt(rail, CODE, "radio.VCC");
        assertEquals("parts.pin_gone.feed_rails", finding.sentence().key());
        assertEquals(List.of("5V", "3V3"), finding.sentence().values().get("rails"));
        assertEquals("near", finding.fixes().get(0).id());
        RuleKit.everyWayOut(rail, CODE);
        RuleKit.quiet(rail, "parts.no_supply");
        Builds pin = Builds.classic().part("radio", "packet-radio", "VCD=board.3V3");
        RuleKit.everyWayOut(pin, CODE);
    }

    /** A label out of another catalogue: the only rail is meant, and nobody is left without a supply for it. */
    @Test
    void theOnlyRailOfASourceIsMeant() throws Exception {
        Builds table = Builds.on("chip-28pin-five")
                .part("cells", "battery-rechargeable-4")
                .boardOnly("VDD", "cells.OUT");
        Finding finding = RuleKit.firesAt(table, CODE, "board.VDD");
        assertEquals(
                List.of(new Feed(Builds.NODE, "board", "VDD", end("cells.+"))),
                finding.fixes().get(0).edits());
        assertTrue(
                finding.fixes().stream().noneMatch(fix -> fix.id().equals("take-away")), "it would get nothing then");
        RuleKit.everyWayOut(table, CODE);
    }

    /** 9 V is too much for a USB socket; the same supply does for the other way in, and the wrong feed goes. */
    @Test
    void anotherWayIntoTheBoardWhereTheOneThatWasNamedIsNotForThatSupply() throws Exception {
        Builds table = Builds.on("board-big-5v").part("wall", "wall-supply-9v").boardOnly("USB", "wall.OUT");
        Finding finding = RuleKit.firesAt(table, CODE, "board.USB");
        assertEquals(
                List.of(new Unfeed(Builds.NODE, "board", "USB"), new Feed(Builds.NODE, "board", "VIN", end("wall.+"))),
                finding.fixes().get(0).edits());
        assertTrue(finding.fixes().stream().noneMatch(fix -> fix.id().equals("near")));
        RuleKit.everyWayOut(table, CODE);
    }

    /** What may do without a supply may lose a feed that is none. */
    @Test
    void aFeedThatNeedNotBeIsTakenOff() throws Exception {
        Builds table = Builds.classic().part("relay", "relay-one", "VCC=board.5V", "COM=board.12V");
        assertEquals(
                "take-away",
                RuleKit.firesAt(table, CODE, "relay.COM").fixes().get(0).id());
        RuleKit.everyWayOut(table, CODE);
    }

    @Test
    void aWayThatTheShifterDoesNotHave() throws Exception {
        Builds last = radio().part("shifter", "shifter-4", "HV=board.5V", "LV=board.3V3")
                .between(new Between.ShifterWay(end("radio.CE"), "shifter", 4, Extras.NONE));
        RuleKit.quiet(last, CODE);
        Builds past = radio().part("shifter", "shifter-4", "HV=board.5V", "LV=board.3V3")
                .between(new Between.ShifterWay(end("radio.CE"), "shifter", 5, Extras.NONE));
        RuleKit.everyWayOut(past, CODE);
    }

    @Test
    void whatIsToldTwiceOfAWireCountsOnce() throws Exception {
        Between first = new Between.Series(end("radio.CE"), Resistance.ofOhms(330), Extras.NONE);
        Between second = new Between.Series(end("radio.CE"), Resistance.ofOhms(4700), Extras.NONE);
        Build once = radio().between(first).build();
        Build twice = once.withNode(
                Builds.NODE,
                old -> new inkel.core.document.Node(
                        old.id(),
                        old.name(),
                        old.parts(),
                        old.wires(),
                        List.of(first, second),
                        old.moments(),
                        old.plugged(),
                        old.extras()));
        Finding finding = RuleKit.fires(twice, CODE);
        assertEquals("parts.pin_gone.between_twice", finding.sentence().key());
        Build after = Edit.applyAll(twice, finding.fixes().get(0).edits());
        assertEquals(List.of(first), after.nodes().get(0).between());
        RuleKit.everyWayOut(twice, finding);
    }

    @Test
    void whatStandsAtAPinOfTheBoard() throws Exception {
        Builds at = radio().between(new Between.Series(end("board.D9"), Resistance.ofOhms(330), Extras.NONE));
        assertEquals(
                "parts.pin_gone.between_no_signal",
                RuleKit.firesAt(at, CODE, "board.D9").sentence().key());
        RuleKit.everyWayOut(at, CODE);
    }

    @Test
    void aWireBetweenBoardsWhosePinIsGone() throws Exception {
        Build one = radio().build();
        Build two = new AddNode(new inkel.core.document.Node(
                        "shed",
                        "Shed",
                        Builds.classic().build().nodes().get(0).parts(),
                        List.of(),
                        List.of(),
                        List.of(),
                        java.util.Set.of(),
                        Extras.NONE))
                .apply(one);
        NodeWire wire = new NodeWire(
                Place.of(Builds.NODE, end("board.D3")), Place.of("shed", end("board.D99")), true, Extras.NONE);
        Build linked = new AddNodeWire(wire).apply(two);
        Finding finding = RuleKit.fires(linked, CODE);
        assertEquals("parts.pin_gone.link", finding.sentence().key());
        RuleKit.everyWayOut(linked, finding);
    }

    @Test
    void changingTheClassOfAWiredPartIsJudgedAndSaved() throws Exception {
        // The handset's OUT is wired; a knob has no such pin.
        Build before = Builds.classic()
                .part("handset", "infrared-receiver", "VS=board.5V")
                .wire("handset.OUT", "board.D2")
                .build();
        Build after = new Exchange(
                        Builds.NODE, "handset", CATALOG.find("packet-radio").orElseThrow())
                .apply(before);
        Assessment judged = Assessment.assess(after, CATALOG);
        assertTrue(judged.findings().stream().anyMatch(finding -> finding.code().equals(CODE)));
        assertTrue(
                judged.findings().stream().noneMatch(finding -> finding.code().startsWith("inkel.")));
        assertEquals(after, BuildReader.parse(Path.of("x"), BuildWriter.print(after), CATALOG));
        assertTrue(WireList.of(judged.circuit(Builds.NODE).orElseThrow()).steps().stream()
                .noneMatch(step -> step.id().contains("handset.OUT")));
    }

    @Test
    void aTieToTheRailOfAPortIsAPlaceToGo() throws Exception {
        Build tied = radio().build();
        Build after = new inkel.core.document.edit.SetWire(
                        Builds.NODE, Wire.placed(end("radio.CE"), new Endpoint("usb", "5V")))
                .apply(tied);
        assertEquals(List.of(), Builds.of(Assessment.assess(after, CATALOG), CODE));
        assertEquals(after, BuildReader.parse(Path.of("x"), BuildWriter.print(after), CATALOG));
        assertTrue(new Feed(Builds.NODE, "radio", "VCC", end("usb.5V")).apply(after) != null);
    }
}
