package inkel.core.circuit;

import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.quantity.Resistance;
import java.util.List;
import java.util.Optional;

/** The resistor that the builder put beside a wire, from the pin it goes to down to ground. */
public final class PullDown {
    private PullDown() {}

    public static Optional<Resistance> beside(NodeCircuit node, Wire wire) {
        return node.between(wire.from()).orElse(null) instanceof Between.PulledDown down
                ? Optional.of(down.toGround())
                : Optional.empty();
    }

    /** All of them together at a pin that wires go to; empty where there is none. */
    public static Optional<Resistance> on(NodeCircuit node, Endpoint target) {
        return node.nets().getOrDefault(target, List.of()).stream()
                .flatMap(wire -> beside(node, wire).stream())
                .reduce(Resistance::parallelTo);
    }
}
