package inkel.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import inkel.core.remedy.AddParts;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What the contacts of a relay switch: a solenoid of 12 V whose feed comes through them. */
class SwitchedTest {
    private static Builds relay() {
        return Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("relay", "relay-one", "VCC=board.5V", "COM=twelve.+");
    }

    private static Builds lock(String contact) {
        return relay().part("lock", "solenoid", "V+=relay." + contact).wire("relay.IN", "board.D8");
    }

    private static Placed part(NodeCircuit node, String id) {
        return node.part(id).orElseThrow();
    }

    @Test
    void itsVoltsAndItsCurrentGoThroughTheContact() {
        NodeCircuit node = lock("NO").circuit();
        Rail through = node.rail(Builds.end("relay.NO")).orElseThrow();
        assertEquals(12, through.volts().orElseThrow().expected().volts(), 1e-9);
        assertEquals(1, through.peak().amperes(), 1e-9, "the solenoid takes 1 A at the most");
        assertEquals(
                1, node.rail(Builds.end("twelve.+")).orElseThrow().peak().amperes(), 1e-9, "and so does its supply");
    }

    /** Nobody pulls its other end to ground but a wire. */
    @Test
    void theOtherEndOfTheWindingIsTiedToGround() throws Exception {
        Build planned = RandomBuilds.planned(
                relay().part("lock", "solenoid", "V+=relay.NO").build());
        Endpoint end = planned.nodes().get(0).wires().stream()
                .filter(wire -> wire.from().equals(Builds.end("lock.IN")))
                .findFirst()
                .orElseThrow()
                .to();
        assertEquals(Builds.end("board.GND"), end);
        assertEquals(List.of(), Builds.of(Assessment.assess(planned, Builds.CATALOG), "power.coil_drive"));
    }

    @Test
    void withoutAContactThePinOfTheBoardPullsIt() throws Exception {
        Build planned = RandomBuilds.planned(Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("lock", "solenoid", "V+=twelve.+")
                .build());
        assertTrue(planned.nodes().get(0).wires().get(0).to().pin().startsWith("D"));
    }

    @Test
    void whatClosesAContactIsToldByThePinOfTheBoard() {
        NodeCircuit node = lock("NO").circuit();
        assertEquals(
                List.of(new Switched(Builds.end("relay.IN"), Builds.end("board.D8"), true)),
                Switched.of(node, part(node, "lock")));
    }

    @Test
    void aContactThatIsClosedAtRestWantsNothing() {
        NodeCircuit node = lock("NC").circuit();
        assertEquals(List.of(), Switched.of(node, part(node, "lock")));
    }

    /** An opto relay pulls in on a low. */
    @Test
    void whatIsSwitchedByALowIsToldSo() {
        NodeCircuit node = Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("relay", "relay-opto", "VCC=board.5V", "COM=twelve.+")
                .part("lock", "solenoid", "V+=relay.NO")
                .wire("relay.IN", "board.D8")
                .circuit();
        assertEquals(false, Switched.of(node, part(node, "lock")).get(0).isHigh());
    }

    /** A bare coil is pulled low by a transistor that a high opens. */
    @Test
    void aTransistorTurnsItOver() {
        NodeCircuit node = Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("relay", "relay-coil", "V+=board.5V", "COM=twelve.+")
                .part("lock", "solenoid", "V+=relay.NO")
                .wire("relay.IN", "board.D8")
                .between(new Between.CoilDriver(Builds.end("relay.IN"), Resistance.ofOhms(1000), Extras.NONE))
                .circuit();
        assertEquals(true, Switched.of(node, part(node, "lock")).get(0).isHigh());
    }

    @Test
    void nobodyFeedsAContactUnasked() throws Exception {
        NodeCircuit node = Builds.classic().part("twelve", "wall-supply-12v").circuit();
        var added =
                (AddPart) AddParts.of(node, Builds.CATALOG.get("relay-one"), 1).get(0);
        assertEquals(Set.of("VCC"), added.part().feeds().keySet());
        RuleKit.quiet(Builds.classic().part("relay", "relay-one", "VCC=board.5V"), "parts.no_supply");
    }

    @Test
    void nothingIsPutOnAContactUnasked() {
        NodeCircuit node = relay().circuit();
        var added =
                (AddPart) AddParts.of(node, Builds.CATALOG.get("solenoid"), 1).get(0);
        assertEquals(Builds.end("twelve.+"), added.part().feeds().get("V+"));
    }

    @Test
    void mainsIsNotBehindContactsThatThePlanFeeds() {
        RuleKit.fires(Builds.classic().part("relay", "relay-one", "VCC=board.5V"), "power.mains_care");
        RuleKit.quiet(relay(), "power.mains_care");
        Builds three = Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("relay", "relay-three", "VCC=board.5V", "COM1=twelve.+", "COM2=twelve.+");
        RuleKit.fires(three, "power.mains_care");
        RuleKit.quiet(
                Builds.classic()
                        .part("twelve", "wall-supply-12v")
                        .part(
                                "relay",
                                "relay-three",
                                "VCC=board.5V",
                                "COM1=twelve.+",
                                "COM2=twelve.+",
                                "COM3=twelve.+"),
                "power.mains_care");
    }

    /** A sensor that a contact cuts off gets its current through its data pin from then on. */
    @Test
    void whatIsCutOffIsFedThroughItsPin() {
        Builds cut = Builds.classic()
                .part("relay", "relay-one", "VCC=board.5V", "COM=board.5V")
                .part("shift", "shift-out", "VCC=relay.NO")
                .wire("relay.IN", "board.D8")
                .wire("shift.RCLK", "board.D5");
        RuleKit.fires(cut, "levels.back_power");
        RuleKit.quiet(
                Builds.classic().part("shift", "shift-out", "VCC=board.5V").wire("shift.RCLK", "board.D5"),
                "levels.back_power");
    }

    /** The contact is what wants its supply, not the pump another one. */
    @Test
    void aContactThatIsToPassOnIsFedItself() throws Exception {
        Builds unfed = Builds.classic()
                .part("five", "wall-supply-5v")
                .part("relay", "relay-one", "VCC=board.5V")
                .part("pump", "pump-transistor", "V+=relay.NO");
        Fix first = RuleKit.firesAt(unfed, "parts.no_supply", "relay").fixes().get(0);
        assertEquals(List.of(new Feed(Builds.NODE, "relay", "COM", Builds.end("five.+"))), first.edits());
        RuleKit.waysOut(unfed, "parts.no_supply", "feed-COM-from-five.+", "add-wall-supply-5v");
    }
}
