package inkel.core.pins;

import inkel.core.circuit.Circuit;
import java.util.List;
import java.util.Optional;

/**
 * How the pins and addresses of every node are taken.
 *
 * @param nodes in document order
 * @param i2cBuses every I2C bus of every node
 */
public record PinReport(Circuit circuit, List<NodePins> nodes, List<I2cBus> i2cBuses) {
    public PinReport {
        nodes = List.copyOf(nodes);
        i2cBuses = List.copyOf(i2cBuses);
    }

    /** How a wire came to its pin. */
    public enum How {
        /** The board leaves no choice. */
        FIXED,
        PLACED,
        HELD
    }

    public static PinReport of(Circuit circuit) {
        List<NodePins> nodes = circuit.nodes().stream()
                .map(node -> new NodePins(node, LinkEnd.of(circuit, node.node().id())))
                .toList();
        return new PinReport(
                circuit,
                nodes,
                nodes.stream()
                        .flatMap(pins -> I2cBus.of(circuit, pins).stream())
                        .toList());
    }

    public Optional<NodePins> node(String id) {
        return nodes.stream().filter(pins -> pins.node().node().id().equals(id)).findFirst();
    }
}
