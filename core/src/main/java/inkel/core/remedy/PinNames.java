package inkel.core.remedy;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.stream.Stream;

/**
 * How a pin is called: by its label alone on the board, else by part and label; by its printed place first where that is
 * the builder's habit.
 */
public final class PinNames {
    private PinNames() {}

    /** Several pins of one part, each once. */
    public static Fact of(NodeCircuit node, Stream<Endpoint> pins) {
        List<Endpoint> all = pins.distinct().toList();
        if (all.size() == 1) {
            return of(node, all.get(0));
        }
        Placed owner = node.part(all.get(0).part()).orElseThrow();
        boolean isByPlace = all.stream().allMatch(pin -> isByPlace(node, pin));
        String key = isByPlace ? "pins.at_places" : owner.part().isBoard() ? "pins.of_board" : "pins.of_part";
        return Fact.of(key)
                .with("part", owner.part().name())
                .with(
                        "pins",
                        isByPlace
                                ? all.stream()
                                        .map(pin -> Fact.of("pin.place")
                                                .with("place", printed(node, pin))
                                                .with("pin", pin.pin()))
                                        .toList()
                                : all.stream().map(Endpoint::pin).toList());
    }

    private static int printed(NodeCircuit node, Endpoint pin) {
        return node.pin(pin).map(Pin::header).orElse(0);
    }

    private static boolean isByPlace(NodeCircuit node, Endpoint pin) {
        return node.part(pin.part()).orElseThrow().part().isBoard()
                && printed(node, pin) > 0
                && node.habits().is(Habit.PIN_NAMES, Habit.PinNames.PLACE);
    }

    /** An endpoint without a pin is the part itself. */
    public static Fact of(NodeCircuit node, Endpoint pin) {
        Placed owner = node.part(pin.part()).orElseThrow();
        boolean isBoard = owner.part().isBoard();
        String key =
                pin.pin().isEmpty() ? "part" : isByPlace(node, pin) ? "pin.at_place" : isBoard ? "pin.of_board" : "pin";
        return Fact.of(key)
                .with("part", owner.part().name())
                .with("place", printed(node, pin))
                .with("pin", pin.pin());
    }
}
