package inkel.core.wake.report;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;

import inkel.core.circuit.NodeCircuit;
import inkel.core.kit.Builds;
import inkel.core.wiring.WireList;
import org.junit.jupiter.api.Test;

class WireHashTest {
    private static Builds radio() {
        return Builds.classic().part("radio", "packet-radio", "VCC=board.3V3");
    }

    private static String hash(Builds builds) {
        NodeCircuit node = builds.circuit();
        return WireHash.of(node, WireList.of(node), node.part("radio").orElseThrow());
    }

    @Test
    void capacitorsAcrossASupplyMakeNoOtherPlan() {
        assertEquals(hash(radio()), hash(radio().setting("radio", "decoupling", "fitted")));
    }

    @Test
    void aWireAndAResistorDo() {
        String one = hash(radio().wire("radio.CE", "board.D9"));
        assertNotEquals(hash(radio()), one);
        assertNotEquals(one, hash(radio().wire("radio.CE", "board.D8")));
        assertNotEquals(hash(radio()), hash(radio().setting("radio", "select_pull_up", "10 kΩ")));
        assertNotEquals(
                hash(radio().setting("radio", "select_pull_up", "4.7 kΩ")),
                hash(radio().setting("radio", "select_pull_up", "10 kΩ")));
    }
}
