package inkel.core.remedy;

import inkel.core.catalog.Habit;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Fact;

/**
 * How a pin is called: by its label alone on the board, else by part and label; by its printed place first where that is
 * the builder's habit.
 */
public final class PinNames {
    private PinNames() {}

    /** An endpoint without a pin is the part itself. */
    public static Fact of(NodeCircuit node, Endpoint pin) {
        Placed owner = node.part(pin.part()).orElseThrow();
        boolean isBoard = owner.part().isBoard();
        int printed = node.pin(pin).map(Pin::header).orElse(0);
        boolean isByPlace = isBoard && printed > 0 && node.habits().is(Habit.PIN_NAMES, Habit.PinNames.PLACE);
        String key = pin.pin().isEmpty() ? "part" : isByPlace ? "pin.at_place" : isBoard ? "pin.of_board" : "pin";
        return Fact.of(key)
                .with("part", owner.part().name())
                .with("place", printed)
                .with("pin", pin.pin());
    }
}
