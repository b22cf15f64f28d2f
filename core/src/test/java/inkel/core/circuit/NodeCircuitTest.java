package inkel.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Endpoint;
import inkel.core.document.WireId;
import inkel.core.kit.Builds;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** How the parts of a table hang together: who carries whom, where rails come from, what is plugged. */
class NodeCircuitTest {
    private static Endpoint end(String text) {
        return Builds.end(text);
    }

    private static Optional<String> carrier(Builds builds, String part) {
        NodeCircuit node = builds.circuit();
        return node.carrier(node.part(part).orElseThrow()).map(Placed::id);
    }

    private static Builds driver() {
        return Builds.classic()
                .part("six", "wall-supply-6v")
                .part("driver", "servo-driver-16", "VCC=board.5V", "V+=six.+")
                .wire("driver.SDA", "board.A4")
                .wire("driver.SCL", "board.A5");
    }

    @Test
    void aServoOnItsDriverHangsOnItsPlug() {
        Builds plugged = driver().part("arm", "servo-micro", "V+=driver.V+OUT").wire("arm.SIG", "driver.CH0");
        assertEquals(Optional.of("driver"), carrier(plugged, "arm"));
        // Its signal comes from elsewhere: then that is a wire, and so is its supply.
        assertEquals(
                Optional.empty(),
                carrier(driver().part("arm", "servo-micro", "V+=driver.V+OUT").wire("arm.SIG", "board.D9"), "arm"));
        // Fed from elsewhere it has a wire for that.
        assertEquals(
                Optional.empty(),
                carrier(driver().part("arm", "servo-micro", "V+=six.+").wire("arm.SIG", "driver.CH0"), "arm"));
        // Not wired yet it goes there.
        assertEquals(Optional.of("driver"), carrier(driver().part("arm", "servo-micro", "V+=driver.V+OUT"), "arm"));
    }

    @Test
    void whatPassesASupplyOnWithoutAPlugHasWires() {
        Builds charged = Builds.classic()
                .part("cell", "battery-lithium")
                .part("charger", "charger-lithium", "B+=cell.+")
                .part("arm", "servo-micro", "V+=charger.OUT+");
        assertEquals(Optional.empty(), carrier(charged, "arm"));
        assertEquals(Optional.empty(), carrier(driver(), "board"));
        assertEquals(Optional.empty(), carrier(driver(), "driver"), "a supply is no plug");
        Builds switched = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .part("fan", "fan-12v", "V+=switch.OUT+");
        assertEquals(Optional.empty(), carrier(switched, "fan"), "a sink is screwed on");
    }

    @Test
    void aRailIsFollowedUpToItsSource() {
        NodeCircuit node = Builds.classic()
                .part("cell", "battery-lithium")
                .part("charger", "charger-lithium", "B+=cell.+")
                .part("up", "regulator-up", "IN+=charger.OUT+")
                .circuit();
        assertEquals(
                List.of("up.OUT+", "charger.OUT+", "cell.+"),
                node.upToSource(end("up.OUT+")).stream().map(Endpoint::toString).toList());
        assertTrue(node.isMadeFrom(end("up.OUT+"), "cell"));
        assertFalse(node.isMadeFrom(end("up.OUT+"), "usb"));
        assertTrue(node.isOfCell(end("charger.OUT+")), "it only passes it on");
        assertTrue(node.isOfCell(end("cell.+")));
        assertFalse(node.isOfCell(end("up.OUT+")), "that one makes another voltage");
        assertFalse(node.isOfCell(end("usb.5V")));
        assertFalse(node.isOfCell(end("board.3V3")));
    }

    @Test
    void whatPassesAWallSupplyOnIsNoCell() {
        NodeCircuit node = driver().circuit();
        assertFalse(node.isOfCell(end("driver.V+OUT")));
        assertEquals("six.+", node.switchOf(end("driver.V+OUT")).toString());
    }

    @Test
    void theNearestContactSwitchesARail() {
        NodeCircuit node = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("relay", "relay-one", "VCC=board.5V", "COM=wall.+")
                .part("fan", "fan-12v", "V+=relay.NO")
                .circuit();
        assertEquals("relay.NO", node.switchOf(end("relay.NO")).toString());
        assertEquals("wall.+", node.switchOf(end("wall.+")).toString());
    }

    @Test
    void aDiodeInAFeedMakesItAWireOfItsOwn() {
        Builds charger = Builds.classic()
                .part("cell", "battery-lithium")
                .part("charger", "charger-lithium", "B+=cell.+", "IN+=usb.5V")
                .setting("charger", "diode", "IN+");
        assertEquals(List.of("charger.IN+"), behind(charger, "charger"));
        assertEquals(
                List.of(),
                behind(
                        Builds.classic()
                                .part("cell", "battery-lithium")
                                .part("charger", "charger-lithium", "B+=cell.+")
                                .setting("charger", "diode", "IN+"),
                        "charger"),
                "without a feed there is no wire");
        assertEquals(
                List.of(),
                behind(
                        Builds.classic()
                                .part("cell", "battery-lithium")
                                .part("charger", "charger-lithium", "B+=cell.+", "IN+=usb.5V")
                                .setting("charger", "diode", "IN+")
                                .setting("charger", "later", "yes"),
                        "charger"));
        // A socket takes a cable, into which nothing is put.
        assertEquals(List.of(), behind(Builds.classic().setting("board", "diode", "USB"), "board"));
        assertEquals(
                List.of("board.5V"),
                behind(Builds.classic().boardOnly("5V", "usb.5V").setting("board", "diode", "5V"), "board"));
        assertEquals(List.of(), behind(driver(), "driver"));
    }

    private static List<String> behind(Builds builds, String part) {
        NodeCircuit node = builds.circuit();
        return node.behindDiodes(node.part(part).orElseThrow()).stream()
                .map(Endpoint::toString)
                .toList();
    }

    @Test
    void bothEndsOfATickedWireArePlugged() {
        NodeCircuit node = Builds.classic()
                .part("air", "pressure", "VCC=board.3V3")
                .wire("air.SDA", "board.A4")
                .wire("air.SCL", "board.A5")
                .plugged("board.A4@1 > air.SDA@1")
                .circuit();
        assertTrue(node.isPlugged(end("air.SDA")));
        assertTrue(node.isPlugged(end("board.A4")));
        assertFalse(node.isPlugged(end("air.SCL")));
        assertFalse(node.isPlugged(end("board.A5")));
    }

    @Test
    void theValueOfACapacitorIsInItsId() {
        WireId id = WireId.parse("row x > row ground by capacitor 470 µF of modem.VCC");
        assertTrue(NodeCircuit.isCapacitor(id));
        assertEquals(Optional.of("470 µF"), NodeCircuit.valueIn(id));
        WireId resistor = WireId.parse("row x > row ground by resistor of radio.CE");
        assertFalse(NodeCircuit.isCapacitor(resistor));
        assertEquals(Optional.empty(), NodeCircuit.valueIn(resistor));
        assertEquals(Optional.empty(), NodeCircuit.valueIn(WireId.parse("a@1 > b@1 by capacitor  of modem.VCC")));
        assertEquals(Optional.empty(), NodeCircuit.valueIn(WireId.parse("a@1 > b@1 by capacitor 470 µF")));
    }

    @Test
    void anOutputIsHeardAtTheOtherEnd() {
        NodeCircuit node = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("air", "pressure", "VCC=board.3V3")
                .wire("radio.CE", "board.D9")
                .wire("radio.MISO", "board.D12")
                .wire("air.SDA", "board.A4")
                .circuit();
        assertEquals("radio.CE", listener(node, "radio.CE"));
        assertEquals("board.D12", listener(node, "radio.MISO"));
        assertEquals("air.SDA", listener(node, "air.SDA"), "both ends listen");
    }

    private static String listener(NodeCircuit node, String signal) {
        return node.listener(node.wire(end(signal)).orElseThrow()).toString();
    }

    @Test
    void levelsHangOnTheRailThatFeedsOrIsMade() {
        NodeCircuit node = Builds.classic()
                .part("air", "pressure", "VCC=board.3V3")
                .part("bare", "pressure")
                .circuit();
        assertEquals("board.3V3", node.ioRail(end("air.SDA")).orElseThrow().id().toString());
        assertEquals(Optional.empty(), node.ioRail(end("bare.SDA")));
        assertEquals(Optional.empty(), node.ioVolts(end("bare.SDA")));
        assertEquals(Optional.empty(), node.io(end("nobody.SDA")));
        assertEquals(Optional.empty(), node.io(end("air.XX")));
        assertEquals(Optional.empty(), node.ioRail(end("nobody.SDA")));
        assertFalse(node.isOneRail(end("air.SDA"), end("bare.SDA")));
        assertFalse(node.isOneRail(end("air.SDA"), end("board.A4")));
        assertTrue(node.isOneRail(end("air.SDA"), end("air.SCL")));
        assertEquals(
                Optional.empty(),
                node.railOf(node.part("bare").orElseThrow(), "VCC").map(Rail::id));
    }

    @Test
    void whatStandsInForALoadTakesNothingBesideOne() {
        Builds bare = Builds.classic().part("wall", "wall-supply-12v").part("switch", "switch-transistor", "V+=wall.+");
        assertEquals(2.0, taken(bare), 1e-9, "as its class says for a lamp or a motor that is not on the table");
        Builds byFeed = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .part("fan", "fan-12v", "V+=switch.OUT+");
        assertEquals(0, taken(byFeed), 1e-9);
        Builds bySink = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .part("lock", "solenoid", "V+=wall.+")
                .wire("lock.IN", "switch.OUT-");
        assertEquals(0, taken(bySink), 1e-9);
        // What is fed beside it, or wired to another pin of it, is none.
        Builds beside = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .part("fan", "fan-12v", "V+=wall.+")
                .wire("switch.SIG", "board.D3");
        assertEquals(2.0, taken(beside), 1e-9);
    }

    /** What the switch takes of its supply while it is on, in amperes. */
    private static double taken(Builds builds) {
        return builds.circuit().part("switch").orElseThrow().cls().modes().stream()
                .filter(mode -> mode.name().equals("active"))
                .mapToDouble(mode -> mode.current().range().highest().amperes())
                .sum();
    }
}
