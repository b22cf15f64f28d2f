package inkel.core.pins;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.routine.Step;
import inkel.core.circuit.Chain;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.tune.code.StartPlan;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Shift registers one behind the other: data goes from each to the next, clock and latch are the same for all. */
class SpiChainTest {
    private static final String CODE = "spi.chain_split";

    private static Builds three(String board, String cls, String data, String free) {
        return Builds.powered(Builds.CATALOG.get(board))
                .part("one", cls)
                .part("two", cls)
                .part("three", cls)
                .wire("two." + data, "one." + free)
                .wire("three." + data, "two." + free);
    }

    private static Builds wired() {
        return Builds.classic()
                .part("one", "shift-out", "VCC=board.5V")
                .part("two", "shift-out", "VCC=board.5V")
                .wire("one.SER", "board.D11")
                .wire("one.SRCLK", "board.D13")
                .wire("one.RCLK", "board.D10")
                .wire("two.SER", "one.QS")
                .wire("two.SRCLK", "board.D13")
                .wire("two.RCLK", "board.D10");
    }

    private static Endpoint target(Node node, String signal) {
        return node.wire(end(signal)).orElseThrow().to();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "board-classic-5v",
                "board-dual-core-3v3",
                "board-wireless-3v3",
                "board-single-core-3v3",
                "computer-40pin",
                "chip-8pin"
            })
    void threeTakeThePinsOfOne(String board) throws Exception {
        for (String[] kind : new String[][] {
            {"shift-out", "SER", "QS", "SRCLK", "RCLK"},
            {"shift-in", "QH", "DS", "CLK", "LD"},
            {"matrix-driver", "DIN", "DOUT", "CLK", "CS"}
        }) {
            Builds table = three(board, kind[0], kind[1], kind[2]);
            Plan plan = new Planner(table.build(), Builds.CATALOG).plan(Builds.NODE);
            assertTrue(plan.placed(), board + " " + plan.clash());
            Node after = plan.takenBy(table.build()).nodes().get(0);
            assertEquals(end("one." + kind[2]), target(after, "two." + kind[1]));
            assertEquals(end("two." + kind[2]), target(after, "three." + kind[1]));
            assertEquals("board", target(after, "one." + kind[1]).part());
            for (String shared : List.of(kind[3], kind[4])) {
                assertEquals(target(after, "one." + shared), target(after, "two." + shared));
                assertEquals(target(after, "one." + shared), target(after, "three." + shared));
            }
            assertFalse(target(after, "one." + kind[3]).equals(target(after, "one." + kind[4])));
        }
    }

    /** Five pins: three registers take three of them, which leaves two; three times a latch of their own would be five. */
    @Test
    void aChainWantsNoMorePinsThanOne() {
        Builds table = three("chip-8pin", "shift-out", "SER", "QS")
                .part("key", "button")
                .part("other", "button");
        assertTrue(new Planner(table.build(), Builds.CATALOG).plan(Builds.NODE).placed());
        Builds apart = Builds.powered(Builds.CATALOG.get("chip-8pin"))
                .part("one", "shift-out")
                .part("two", "shift-out")
                .part("three", "shift-out")
                .part("key", "button")
                .part("other", "button");
        assertFalse(new Planner(apart.build(), Builds.CATALOG).plan(Builds.NODE).placed());
    }

    @Test
    void oneLatchForAllIsNotTakenTwice() {
        RuleKit.quiet(wired(), "pins.two_drivers");
        RuleKit.quiet(wired(), "pins.no_role");
        RuleKit.quiet(wired(), "spi.no_select");
        Builds beside = wired();
        assertEquals(
                1,
                beside.part("three", "shift-out", "VCC=board.5V")
                        .wire("three.SER", "board.D11")
                        .wire("three.SRCLK", "board.D13")
                        .wire("three.RCLK", "board.D10")
                        .findings("pins.two_drivers")
                        .size());
    }

    @Test
    void anotherClockLeavesTheBitsBehind() throws Exception {
        RuleKit.quiet(wired(), CODE);
        Builds split = Builds.classic()
                .part("one", "shift-out", "VCC=board.5V")
                .part("two", "shift-out", "VCC=board.5V")
                .setting("one", "bus", "software")
                .setting("two", "bus", "software")
                .wire("one.SER", "board.D4")
                .wire("one.SRCLK", "board.D5")
                .wire("one.RCLK", "board.D6")
                .wire("two.SER", "one.QS")
                .wire("two.SRCLK", "board.D7")
                .wire("two.RCLK", "board.D6");
        Finding finding = RuleKit.firesAt(split, CODE, "two.SRCLK");
        assertEquals(CODE, finding.sentence().key());
        RuleKit.everyWayOut(split, CODE);
    }

    @Test
    void anotherLatchIsToBeLookedAt() throws Exception {
        Builds split = Builds.classic()
                .part("one", "shift-out", "VCC=board.5V")
                .part("two", "shift-out", "VCC=board.5V")
                .wire("one.SER", "board.D11")
                .wire("one.SRCLK", "board.D13")
                .wire("one.RCLK", "board.D10")
                .wire("two.SER", "one.QS")
                .wire("two.SRCLK", "board.D13")
                .wire("two.RCLK", "board.D9");
        Finding finding = RuleKit.firesAt(split, CODE, "two.RCLK");
        assertEquals("spi.chain_split.select", finding.sentence().key());
        RuleKit.everyWayOut(split, CODE);
    }

    @Test
    void aCircleBeginsNowhere() {
        Builds circle = Builds.classic()
                .part("one", "shift-out", "VCC=board.5V")
                .part("two", "shift-out", "VCC=board.5V")
                .wire("one.SER", "two.QS")
                .wire("two.SER", "one.QS");
        assertEquals(
                List.of("why_not.circle", "why_not.circle"),
                circle.findings("pins.no_role").stream()
                        .map(finding -> finding.sentence().values().get("reason"))
                        .map(reason -> ((inkel.core.quantity.Fact) reason).key())
                        .toList());
        NodeCircuit node = circle.circuit();
        assertEquals("one", Chain.first(node, node.part("one").orElseThrow()).id());
        assertEquals(0, Chain.place(node, node.part("two").orElseThrow()));
    }

    @Test
    void itsPlaceIsCountedFromTheBoard() {
        NodeCircuit node = three("board-classic-5v", "shift-out", "SER", "QS").circuit();
        assertEquals(
                List.of(0, 1, 2),
                List.of("one", "two", "three").stream()
                        .map(id -> Chain.place(node, node.part(id).orElseThrow()))
                        .toList());
        assertTrue(Chain.isBehind(node, node.part("three").orElseThrow(), "one"));
        assertFalse(Chain.isBehind(node, node.part("one").orElseThrow(), "three"));
    }

    /** Only parts of one class, and only the line of data, go on. */
    @Test
    void nothingElseGoesToTheFreeEnd() {
        Builds table = Builds.classic()
                .part("one", "shift-out", "VCC=board.5V")
                .part("other", "matrix-driver", "VCC=board.5V")
                .part("lamp", "led")
                .wire("other.DIN", "one.QS");
        assertEquals(1, table.findings("pins.no_role").size());
        assertTrue(PinFit.whyNot(table.circuit(), end("lamp.A"), end("one.QS")).isPresent());
        assertTrue(PinFit.whyNot(table.circuit(), end("one.SER"), end("one.QS")).isPresent());
    }

    /** The byte that is shifted first goes through to the last: what is for the second of three stands in the middle. */
    @Test
    void theProgramReachesEachThroughTheOthers() {
        Builds table = three("board-classic-5v", "shift-out", "SER", "QS").wire("one.SER", "board.D11");
        for (String id : List.of("one", "two", "three")) {
            table.wire(id + ".SRCLK", "board.D13").wire(id + ".RCLK", "board.D10");
        }
        List<StartPlan.Task> tasks = StartPlan.of(table.circuit()).tasks();
        assertEquals(
                List.of(List.of(0, 0, 1), List.of(0, 1, 0), List.of(1, 0, 0)),
                tasks.stream()
                        .map(task -> ((Step.Send) task.routine().key().get(0)).bytes())
                        .toList());
        for (StartPlan.Task task : tasks) {
            StartPlan.Link.Spi link = (StartPlan.Link.Spi) task.link().orElseThrow();
            assertEquals("D11", link.out().orElseThrow().label());
        }
    }

    /** What comes back first is of the part at the board. */
    @Test
    void whatIsReadComesBehindThatOfTheOthers() {
        Builds table = three("board-classic-5v", "shift-in", "QH", "DS").wire("one.QH", "board.D12");
        for (String id : List.of("one", "two", "three")) {
            table.wire(id + ".CLK", "board.D13").wire(id + ".LD", "board.D10");
        }
        List<Step.Ask> asked = StartPlan.of(table.circuit()).tasks().stream()
                .map(task -> (Step.Ask) task.routine().read().get(0))
                .toList();
        assertEquals(List.of(1, 2, 3), asked.stream().map(Step.Ask::count).toList());
        int[] bytes = {0x11, 0x22, 0x33};
        assertEquals(0x22, asked.get(1).values().get(0).of(bytes), 0);
        assertEquals(0x33, asked.get(2).values().get(0).of(bytes), 0);
    }
}
