package inkel.core.power;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PinLoad;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Current;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A winding on the bridge that drives it.
 *
 * @param lead the lead that the class names for it
 * @param bridge the end of the bridge that it hangs on
 */
public record WindingLoad(NodeCircuit node, Placed placed, PinLoad load, Endpoint lead, Endpoint bridge) {
    static List<WindingLoad> of(NodeCircuit node) {
        return node.parts().stream()
                .flatMap(placed -> placed.cls().demands().pinLoads().stream()
                        .filter(load -> load.sort() == PinLoad.Sort.WINDING)
                        .flatMap(load -> of(node, placed, load)))
                .toList();
    }

    private static Stream<WindingLoad> of(NodeCircuit node, Placed placed, PinLoad load) {
        Endpoint lead = new Endpoint(placed.id(), load.pin());
        return node.wire(lead).map(wire -> new WindingLoad(node, placed, load, lead, wire.to())).stream();
    }

    /** What it takes while it runs. */
    public Current running() {
        return load.current().range().expected();
    }

    /** What the bridge gives for long; empty when its class does not tell. */
    public Optional<Current> limit() {
        return node.io(bridge).flatMap(IoFamily::pinCurrent);
    }

    public boolean isOver() {
        return limit().filter(limit -> running().isAbove(limit)).isPresent();
    }
}
