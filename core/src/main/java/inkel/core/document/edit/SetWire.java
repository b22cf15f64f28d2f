package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.Wire;

/** Sends a signal to another pin, held or not. */
public record SetWire(String node, Wire wire) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Require.part(node, wire.from().part());
        Require.part(node, wire.to().part());
        return node.withWire(wire);
    }
}
