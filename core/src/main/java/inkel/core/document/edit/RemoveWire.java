package inkel.core.document.edit;

import inkel.core.document.Endpoint;
import inkel.core.document.Node;

/** Takes a signal's wire away. */
public record RemoveWire(String node, Endpoint from) implements NodeEdit {
    @Override
    public Node applyTo(Node node) {
        return node.withWires(
                node.wires().stream().filter(wire -> !wire.from().equals(from)).toList());
    }
}
