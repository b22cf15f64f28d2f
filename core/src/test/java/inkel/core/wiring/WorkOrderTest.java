package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Habit;
import inkel.core.kit.Builds;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Three orders of the same wires. */
class WorkOrderTest {
    private static Builds table() {
        return Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("eye", "infrared-receiver", "VS=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .part("supply", "bench-supply")
                .part("servo", "servo-micro", "V+=supply.+")
                .wire("radio.CE", "board.D7")
                .wire("radio.CSN", "board.D2")
                .wire("reader.RST", "board.D8")
                .wire("eye.OUT", "board.D3")
                .wire("servo.SIG", "board.D9");
    }

    private static WireList list(Habit.WireOrder order) {
        return WireList.of(table().habit(Habit.WIRE_ORDER, order).circuit());
    }

    @ParameterizedTest
    @EnumSource(Habit.WireOrder.class)
    void everyOrderHasTheSameWiresNumberedFromOne(Habit.WireOrder order) {
        Set<String> safe = new HashSet<>(
                list(Habit.WireOrder.SAFE).steps().stream().map(WireStep::id).toList());
        List<WireStep> steps = list(order).steps();
        assertEquals(safe, new HashSet<>(steps.stream().map(WireStep::id).toList()));
        assertEquals(
                IntStream.rangeClosed(1, steps.size()).boxed().toList(),
                steps.stream().map(WireStep::number).toList());
    }

    @Test
    void groundsComeFirstAsUsual() {
        List<WireStep.Kind> kinds =
                list(Habit.WireOrder.SAFE).steps().stream().map(WireStep::kind).toList();
        List<WireStep.Kind> sorted = new ArrayList<>(kinds);
        sorted.sort(null);
        assertEquals(sorted, kinds);
    }

    // The board, then what feeds others, then the parts as they stand on the table; each ends before the next begins.
    @Test
    void partByPartNoPartIsTakenUpTwice() {
        List<String> parts = new ArrayList<>();
        for (WireStep step : list(Habit.WireOrder.PARTS).steps()) {
            String part = step.subject().part();
            if (parts.isEmpty() || !parts.get(parts.size() - 1).equals(part)) {
                parts.add(part);
            }
        }
        assertEquals(new ArrayList<>(new LinkedHashSet<>(parts)), parts, "each once");
        assertEquals(List.of("board", "supply", "radio", "eye", "reader", "servo"), parts);
    }

    @Test
    void theShortestWayLetsTheHandStayLonger() {
        assertTrue(way(list(Habit.WireOrder.WAY).steps())
                < way(list(Habit.WireOrder.SAFE).steps()));
    }

    // Two signals of the radio: from the one at D7 that at D2 is farther along the board, and beside it on the radio.
    @Test
    void whatLiesSideBySideIsPluggedOneAfterTheOther() {
        List<String> steps = list(Habit.WireOrder.WAY).steps().stream()
                .map(step -> step.to().id().replaceAll("@.*", ""))
                .toList();
        assertEquals(1, Math.abs(steps.indexOf("radio.CE") - steps.indexOf("radio.CSN")), steps.toString());
    }

    /** How often the hand goes to another part between two wires. */
    private static long way(List<WireStep> steps) {
        long changes = 0;
        for (int i = 1; i < steps.size(); i++) {
            Set<String> before = ends(steps.get(i - 1));
            before.retainAll(ends(steps.get(i)));
            changes += before.isEmpty() ? 1 : 0;
        }
        return changes;
    }

    private static Set<String> ends(WireStep step) {
        Set<String> ends = new HashSet<>();
        for (Terminal end : List.of(step.from(), step.to())) {
            ends.add(end instanceof Terminal.OnPin pin ? pin.pin().part() : end.id());
        }
        return ends;
    }
}
