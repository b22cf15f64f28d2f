package inkel.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.kit.Builds;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What has no supply, and what waits for it. */
class UnfedTest {
    private static List<String> told(Builds builds) {
        return Unfed.of(builds.circuit()).stream()
                .map(unfed -> unfed.placed().id() + " by "
                        + unfed.ways().stream().map(way -> way.pin()).toList() + " waiting "
                        + unfed.waiting().stream().map(Placed::id).toList())
                .toList();
    }

    @Test
    void aBoardNeedsOneOfItsWaysIn() {
        assertEquals(List.of(), told(Builds.classic()));
        List<String> alone = told(Builds.classic().boardUnfed());
        assertEquals(1, alone.size());
        assertTrue(alone.get(0).startsWith("board by [USB, "), alone.get(0));
        assertEquals(List.of(), told(Builds.classic().boardOnly("5V", "usb.5V")));
    }

    @Test
    void whatHangsOnItWaits() {
        Builds table = Builds.classic()
                .boardUnfed()
                .part("air", "pressure", "VCC=board.3V3")
                .part("text", "display-4x20-i2c", "VCC=board.5V")
                .part("lone", "pressure");
        List<String> told = told(table);
        assertEquals(2, told.size());
        assertTrue(told.get(0).endsWith("waiting [air, text]"), told.get(0));
        assertEquals("lone by [VCC] waiting []", told.get(1));
    }

    @Test
    void aChainWaitsForItsFirst() {
        Builds table = Builds.classic()
                .part("up", "regulator-up")
                .part("down", "regulator-linear-3v3", "IN=up.OUT+")
                .part("air", "pressure", "VCC=down.OUT");
        assertEquals(List.of("up by [IN+] waiting [down, air]"), told(table));
        assertEquals(
                Optional.of("up"),
                Unfed.above(table.circuit(), Builds.end("down.OUT"))
                        .map(unfed -> unfed.placed().id()));
        assertEquals(Optional.empty(), Unfed.above(table.circuit(), Builds.end("usb.5V")));
        assertEquals(Optional.empty(), Unfed.above(table.circuit(), Builds.end("board.3V3")));
    }

    @Test
    void whatMayStayUnfedIsToldWhereSomethingHangsOnIt() {
        // The contacts of a relay may stay without a supply behind them.
        assertEquals(List.of(), told(Builds.classic().part("relay", "relay-one", "VCC=board.5V")));
        assertEquals(
                List.of("relay by [COM] waiting [fan]"),
                told(Builds.classic()
                        .part("relay", "relay-one", "VCC=board.5V")
                        .part("fan", "fan-12v", "V+=relay.NO")));
        // What lies there for later asks for nothing.
        assertEquals(
                List.of(),
                told(Builds.classic()
                        .part("relay", "relay-one", "VCC=board.5V")
                        .part("fan", "fan-12v", "V+=relay.NO")
                        .setting("fan", "later", "yes")));
        assertEquals(List.of(), told(Builds.classic().part("air", "pressure").setting("air", "later", "yes")));
        assertEquals(
                List.of(),
                told(Builds.classic().part("other", "board-small-5v")),
                "a board among the parts has no place here");
    }

    @Test
    void aPinThatGoesWithAnotherIsToldWithThat() {
        // VCC and AVCC of a bare chip: only the first, until that is fed.
        List<String> chip =
                told(Builds.powered(Builds.CATALOG.get("chip-28pin")).boardUnfed());
        assertEquals(1, chip.size());
        assertTrue(chip.get(0).startsWith("board by [VCC] "), chip.get(0));
    }

    @Test
    void aFeedThatIsNotThereIsNamed() {
        NodeCircuit lost =
                Builds.classic().part("air", "pressure", "VCC=gone.OUT").circuit();
        assertTrue(Unfed.of(lost).get(0).isNamed(lost));
        NodeCircuit open = Builds.classic()
                .part("air", "pressure")
                .part("other", "pressure", "VCC=gone.OUT")
                .circuit();
        assertFalse(Unfed.of(open).get(0).isNamed(open), "that of another part");
        assertTrue(Unfed.of(open).get(1).isNamed(open));
    }
}
