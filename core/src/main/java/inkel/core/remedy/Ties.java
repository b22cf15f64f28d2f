package inkel.core.remedy;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import java.util.Optional;

/** Where pins go that only want to be held high or low. */
public final class Ties {
    private Ties() {}

    /** The part's own rail or the board's ground; empty for a pin that wants more than that, or a part that is not fed. */
    public static Optional<Endpoint> of(NodeCircuit node, Placed placed, Pin pin) {
        return switch (pin.need()) {
            case TIE_HIGH ->
                placed.cls().io(pin).map(family -> placed.part().feeds().get(family.supply()));
            case TIE_LOW -> ground(node);
            default -> Optional.empty();
        };
    }

    private static Optional<Endpoint> ground(NodeCircuit node) {
        return node.board().cls().pins().stream()
                .filter(pin -> pin.use() == PinUse.GROUND)
                .findFirst()
                .map(node.board()::endpoint);
    }
}
