package inkel.core.pins;

import inkel.core.build.Endpoint;
import inkel.core.build.Wire;
import inkel.core.catalog.Need;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.remedy.Ties;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A signal that asks for a pin.
 *
 * @param now where it goes today, if anywhere
 * @param tie where it may be tied when no pin is left
 */
record Want(Placed placed, Pin pin, Optional<Wire> now, Optional<Endpoint> tie) {
    Endpoint signal() {
        return placed.endpoint(pin);
    }

    boolean isHeld() {
        return now.filter(Wire::held).isPresent();
    }

    /** What a node's parts ask for: all that is needed, and what the builder already wired. Ties stay as they are. */
    static List<Want> of(NodeCircuit node) {
        return node.parts().stream()
                .filter(placed -> !placed.part().isBoard())
                .flatMap(placed -> placed.cls().signals().flatMap(pin -> of(node, placed, pin)))
                .toList();
    }

    private static Stream<Want> of(NodeCircuit node, Placed placed, Pin pin) {
        Optional<Wire> now = node.wire(placed.endpoint(pin));
        boolean isTied = now.filter(node::isTie).isPresent();
        boolean isLeftAlone = pin.need() == Need.MAY && now.isEmpty();
        if (isTied || isLeftAlone) {
            return Stream.empty();
        }
        return Stream.of(new Want(placed, pin, now, Ties.of(node, placed, pin)));
    }
}
