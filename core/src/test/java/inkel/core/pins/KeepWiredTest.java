package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.kit.Builds;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Pins shared out around what is wired already. */
class KeepWiredTest {
    /** A buzzer on a pin with pulses, where a servo would rather be. */
    private static Builds table() {
        return Builds.classic()
                .part("beep", "buzzer")
                .part("air", "packet-radio", "VCC=board.3V3")
                .wire("beep.S", "board.D10")
                .wire("air.CE", "board.D2");
    }

    private static Node kept(Builds builds) throws Exception {
        Plan plan = new Planner(builds.build(), CATALOG).planKeeping(NODE);
        assertTrue(plan.placed(), () -> "" + plan.clash());
        return plan.edit().orElseThrow().apply(builds.build()).nodes().get(0);
    }

    @Test
    void whatIsWiredStaysAndIsNotHeldForThat() throws Exception {
        Node node = kept(table());
        assertEquals(Optional.of(Wire.placed(end("beep.S"), end("board.D10"))), node.wire(end("beep.S")));
        assertEquals(Optional.of(Wire.placed(end("air.CE"), end("board.D2"))), node.wire(end("air.CE")));
        assertTrue(node.wire(end("air.CSN")).isPresent());
    }

    @Test
    void whatIsHeldStaysHeldWithItsReason() throws Exception {
        Node node = kept(table().hold("air.CSN", "board.D6"));
        assertEquals(
                Optional.of(Wire.held(end("air.CSN"), end("board.D6"), "for the test")), node.wire(end("air.CSN")));
    }

    @Test
    void twoOnOnePinAndWhatAPinCannotDoAreSharedOutAnew() throws Exception {
        Node node = kept(Builds.classic()
                .part("beep", "buzzer")
                .part("press", "button")
                .part("knob", "knob", "VCC=board.5V")
                .wire("beep.S", "board.D4")
                .wire("press.A", "board.D4")
                .wire("knob.OUT", "board.D5"));
        assertFalse(node.wire(end("beep.S"))
                .map(Wire::to)
                .equals(node.wire(end("press.A")).map(Wire::to)));
        assertTrue(node.wire(end("knob.OUT")).orElseThrow().to().pin().startsWith("A"));
    }

    @Test
    void aClashAroundWhatIsWiredSaysSo() {
        // Every pin that measures is taken by a button; a plan that keeps them has none for the knob.
        Builds full = Builds.classic().part("knob", "knob", "VCC=board.5V");
        for (int i = 0; i < 6; i++) {
            full.part("press-" + i, "button").wire("press-" + i + ".A", "board.A" + i);
        }
        assertFalse(new Planner(full.build(), CATALOG).planKeeping(NODE).placed());
        assertTrue(new Planner(full.build(), CATALOG).plan(NODE).placed());
    }
}
