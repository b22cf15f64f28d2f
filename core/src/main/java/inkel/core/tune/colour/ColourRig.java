package inkel.core.tune.colour;

import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.tune.sample.Wired;
import java.util.Optional;

/**
 * A sensor of red, green, blue and clear, as its bench needs to know it.
 *
 * @param name as its builder calls it
 */
public record ColourRig(String name) {
    /** Empty for one that is not wired so that it can be read: over a bus, or by its frequency. */
    public static Optional<ColourRig> of(NodeCircuit node, Placed part) {
        boolean isByFrequency = !Wired.pins(
                        node, part, pin -> pin.use() == PinUse.OUTPUT || pin.use() == PinUse.INTERRUPT)
                .isEmpty();
        return isByFrequency || Wired.onBus(node, part)
                ? Optional.of(new ColourRig(part.part().name()))
                : Optional.empty();
    }
}
