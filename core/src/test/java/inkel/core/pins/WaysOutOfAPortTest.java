package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Where a serial part may go instead: another port of the board, plain pins, or a rate that they can keep up with. */
class WaysOutOfAPortTest {
    private static Builds receiver(String board, String rail, String pin, String baud) {
        return Builds.on(board)
                .part("fix", "positioning-receiver", "VCC=board." + rail)
                .setting("fix", "baud", baud)
                .wire("fix.TX", "board." + pin);
    }

    private static List<Fix> offered(Builds build, String code) throws Exception {
        Finding finding = RuleKit.fires(build, code);
        for (Fix fix : finding.fixes()) {
            RuleKit.wayOut(build.build(), finding, fix);
        }
        return finding.fixes();
    }

    private static List<String> ids(Builds build, String code) throws Exception {
        return offered(build, code).stream().map(Fix::id).toList();
    }

    /** The pins that the one way out wires the part to. */
    private static List<String> pins(Builds build) throws Exception {
        List<Fix> fixes = offered(build, "uart.console_shared");
        assertEquals(1, fixes.size(), fixes.toString());
        return fixes.get(0).edits().stream()
                .map(edit -> ((SetWire) edit).wire().to().pin())
                .toList();
    }

    @Test
    void plainPinsUpToTheRateThatTheProgramKeepsUpWith() throws Exception {
        // The classic board has one port, the console's; its program keeps up with 57600.
        for (String baud : List.of("9600", "57600")) {
            List<String> pins = pins(receiver("board-classic-5v", "5V", "D0", baud));
            assertEquals(1, pins.size());
            assertTrue(Set.of("D0", "D1").stream().noneMatch(pins::contains), pins.toString());
        }
        assertEquals(List.of(), ids(receiver("board-classic-5v", "5V", "D0", "115200"), "uart.console_shared"));
    }

    @Test
    void notToAPinThatIsTakenOrKeptFreeOrCannotDrive() throws Exception {
        // Only D7 is left of the classic board's plain pins.
        Builds full = receiver("board-classic-5v", "5V", "D0", "9600");
        int count = 0;
        for (String pin : List.of(
                "A0", "A1", "A2", "A3", "A4", "A5", "D2", "D3", "D4", "D5", "D6", "D8", "D9", "D10", "D11", "D12")) {
            String id = "button-" + ++count;
            full.part(id, "button").wire(id + ".A", "board." + pin);
        }
        assertEquals(List.of("D13"), pins(full.setting("board", "forbidden", "D7")));
        Builds none = full.part("last", "button").wire("last.A", "board.D13");
        assertEquals(List.of(), ids(none, "uart.console_shared"));
    }

    @Test
    void theFastestOfItsRatesThatPlainPinsKeepUpWith() throws Exception {
        assertEquals(List.of("baud-57600"), ids(receiver("board-classic-5v", "5V", "D4", "115200"), "uart.soft_fast"));
        RuleKit.quiet(receiver("board-classic-5v", "5V", "D4", "57600"), "uart.soft_fast");
    }

    @Test
    void anotherPinOfAFreePortBeforePlainPins() throws Exception {
        // Port 0 of the dual-core board is taken by the first on GP1; port 1 hears on GP5, GP9 and GP13.
        Builds two = receiver("board-dual-core-3v3", "3V3", "GP1", "9600")
                .part("two", "positioning-receiver", "VCC=board.3V3")
                .wire("two.TX", "board.GP17");
        assertEquals("port-GP5", ids(two, "uart.port_taken").get(0));
        // With port 1 taken as well only plain pins are left.
        Builds three =
                two.part("three", "positioning-receiver", "VCC=board.3V3").wire("three.TX", "board.GP5");
        List<String> left = ids(three, "uart.port_taken");
        assertEquals(2, left.size(), left.toString());
        assertTrue(left.get(0).matches("port-GP(2|3|6|7|10|11|14|15|18|19|20|21|22|26|27)"), left.toString());
        assertEquals("leave-out-two", left.get(1));
    }

    @Test
    void bothWiresGoToOnePortCrossed() throws Exception {
        // What talks goes to the port's receiver: TX to D15, RX to D14.
        Builds both = receiver("board-big-5v", "5V", "D0", "115200").wire("fix.RX", "board.D1");
        assertEquals(List.of("D15", "D14"), pins(both));
        // With one pin of that port taken the next whole port is meant, not half of this one.
        Builds half = both.part("button", "button").wire("button.A", "board.D14");
        List<String> pins = pins(half);
        assertEquals(2, pins.size());
        assertTrue(List.of(List.of("D17", "D16"), List.of("D19", "D18")).contains(pins), pins.toString());
    }
}
