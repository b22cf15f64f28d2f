package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.Wire;
import inkel.core.kit.Builds;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Different placements, each best at something; ribbons; few changes; wishes of the builder. */
class AlternativesTest {
    private static Plan plan(Builds build) {
        return new Planner(build.build(), Builds.CATALOG).plan(Builds.NODE);
    }

    private static String pinOf(Plan plan, String signal) {
        return plan.wires().stream()
                .filter(wire -> wire.from().toString().equals(signal))
                .map(wire -> wire.to().pin())
                .findFirst()
                .orElse("");
    }

    @Test
    void theyDifferAndEachIsBestAtItsOwn() throws Exception {
        Build sketch = Builds.firstSketch();
        List<Alternative> found = new Planner(sketch, Builds.CATALOG).alternatives("pump-house");
        assertTrue(found.size() > 1, "the pump house leaves a choice");
        Set<List<Wire>> wires = new HashSet<>();
        for (Alternative alternative : found) {
            assertTrue(wires.add(alternative.plan().wires()), "no two are the same");
            Build after = alternative.plan().edit().orElseThrow().apply(sketch);
            // The other board of the sketch is as bad as it was.
            assertEquals(
                    List.of(),
                    PlacementJudge.faults(
                            after.withNodes(List.of(after.node("pump-house").orElseThrow())), Builds.CATALOG));
        }
        Merits steady = of(found, Emphasis.STEADY);
        for (Alternative other : found) {
            assertTrue(steady.moved() <= other.merits().moved(), "fewest wires move in the steady one");
        }
    }

    private static Merits of(List<Alternative> found, Emphasis emphasis) {
        return found.stream()
                .filter(alternative -> alternative.emphasis() == emphasis)
                .map(Alternative::merits)
                .findFirst()
                .orElseThrow();
    }

    /** Six outputs in a row land on six pins in a row, in their order or in exact reverse. */
    @Test
    void aReceiversSixOutputsStayARibbon() {
        Builds build = Builds.on("board-wireless-3v3").part("rc", "rc-receiver", "V+=board.5V");
        List<String> scattered = List.of("D19", "D32", "D4", "D27", "D18", "D34");
        List<String> channels =
                IntStream.rangeClosed(1, 6).mapToObj(i -> "rc.CH" + i).toList();
        for (int i = 0; i < channels.size(); i++) {
            build.wire(channels.get(i), "board." + scattered.get(i));
        }
        Plan plan = new Planner(build.build(), Builds.CATALOG).plan(Builds.NODE, Emphasis.NEAT);
        List<Integer> places = new ArrayList<>();
        var pins = Builds.CATALOG.get("board-wireless-3v3").pins();
        channels.forEach(channel -> {
            String label = pinOf(plan, channel);
            pins.stream()
                    .filter(pin -> pin.label().equals(label))
                    .findFirst()
                    .ifPresent(pin -> places.add((pin.row().equals("left") ? 0 : 100) + pin.place()));
        });
        Set<Integer> steps = new HashSet<>();
        for (int i = 1; i < places.size(); i++) {
            steps.add(places.get(i) - places.get(i - 1));
        }
        assertEquals(6, places.size());
        assertEquals(1, steps.size(), "all in one direction, side by side: " + places);
        assertEquals(1, Math.abs(steps.iterator().next()), places.toString());
    }

    /** Where the four inputs land on the board's right row, which carries ten pins in a line. */
    private static List<Integer> stepper(String wish) {
        Builds build = Builds.classic().part("motor", "stepper-driver", "V+=usb.5V");
        if (!wish.isEmpty()) {
            build.setting("motor", "ribbon", wish);
        }
        List<String> scattered = List.of("D8", "D2", "D7", "D4");
        for (int i = 0; i < 4; i++) {
            build.wire("motor.IN" + (i + 1), "board." + scattered.get(i));
        }
        Plan plan = plan(build);
        var board = Builds.CATALOG.get("board-classic-5v");
        return IntStream.rangeClosed(1, 4)
                .mapToObj(i -> board.pin(pinOf(plan, "motor.IN" + i)).orElseThrow())
                .map(pin -> (pin.row().equals("left") ? 0 : 100) + pin.place())
                .toList();
    }

    @Test
    void wiresLieAsTheBuilderWishes() {
        List<Integer> straight = stepper("straight");
        List<Integer> reversed = stepper("reversed");
        for (int i = 1; i < 4; i++) {
            assertEquals(1, straight.get(i) - straight.get(i - 1), straight.toString());
            assertEquals(-1, reversed.get(i) - reversed.get(i - 1), reversed.toString());
        }
        List<Integer> together = stepper("together");
        for (int i = 1; i < 4; i++) {
            assertEquals(1, Math.abs(together.get(i) - together.get(i - 1)), together.toString());
        }
        assertEquals(List.of(110, 116, 111, 114), stepper(""), "D8, D2, D7, D4: without a wish what is there stays");
    }

    @Test
    void whatIsPluggedMovesLast() throws Exception {
        // Two receivers on one pin: the one that is plugged stays.
        Builds build = Builds.classic()
                .part("one", "infrared-receiver", "VS=board.5V")
                .part("two", "infrared-receiver", "VS=board.5V")
                .wire("one.OUT", "board.D7")
                .wire("two.OUT", "board.D7");
        Build plugged = build.build().withNode(Builds.NODE, node -> node.withPlugged(Set.of("board.D7@1 > two.OUT@1")));
        Plan plan = new Planner(plugged, Builds.CATALOG).plan(Builds.NODE);
        assertEquals("D7", pinOf(plan, "two.OUT"));
        assertFalse(pinOf(plan, "one.OUT").equals("D7"));
    }

    @Test
    void keptFreePinsAndEndsOfTheHeaderAreKept() {
        Builds build = Builds.classic().setting("board", "forbidden", "D4, D7, D8");
        for (int i = 0; i < 6; i++) {
            build.part("handset-" + i, "infrared-receiver", "VS=board.5V");
            build.setting("handset-" + i, "end", "far");
        }
        Plan plan = plan(build);
        assertTrue(plan.placed());
        Set<String> used = new HashSet<>();
        plan.wires().forEach(wire -> used.add(wire.to().pin()));
        // The far halves of both rows: places 7 to 12 on the left, 9 to 16 on the right, the console's two left out.
        assertTrue(
                Set.of("A0", "A1", "A2", "A3", "A4", "A5", "D6", "D5", "D3", "D2")
                        .containsAll(used),
                used.toString());
    }

    @Test
    void aBusThatTheHardwareLacksIsDrivenByTheProgram() {
        Plan plan = plan(Builds.on("chip-28pin").part("radio", "packet-radio"));
        assertTrue(plan.placed());
        assertEquals(Set.of("radio"), plan.bySoftware());
        Plan refused =
                plan(Builds.on("chip-28pin").part("radio", "packet-radio").setting("radio", "bus", "hardware"));
        assertFalse(refused.placed());
        assertTrue(refused.waysOut().stream().anyMatch(fix -> fix.id().equals("software-bus-radio")));
    }

    @Test
    void aCrowdedBoardIsOfferedABackpackOrAnExpander() {
        Builds build = Builds.classic().part("text", "display-2x16-parallel", "VDD=board.5V", "A=board.5V");
        for (int i = 0; i < 13; i++) {
            build.part("handset-" + i, "infrared-receiver", "VS=board.5V");
        }
        Plan plan = plan(build);
        assertFalse(plan.placed(), "19 signals, 18 pins besides the console's");
        List<String> ways =
                plan.waysOut().stream().map(inkel.core.finding.Fix::id).toList();
        assertTrue(ways.contains("add-display-backpack"), ways.toString());
        assertTrue(ways.contains("add-port-expander"), ways.toString());
    }
}
