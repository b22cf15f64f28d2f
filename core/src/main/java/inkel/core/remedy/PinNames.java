package inkel.core.remedy;

import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Fact;

/** How a pin is called: by its label alone on the board, else by part and label. */
public final class PinNames {
    private PinNames() {}

    /** An endpoint without a pin is the part itself. */
    public static Fact of(NodeCircuit node, Endpoint pin) {
        boolean isBoard = node.part(pin.part()).orElseThrow().part().isBoard();
        String key = pin.pin().isEmpty() ? "part" : isBoard ? "pin.of_board" : "pin";
        return Fact.of(key)
                .with("part", node.part(pin.part()).orElseThrow().part().name())
                .with("pin", pin.pin());
    }
}
