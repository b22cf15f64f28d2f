package inkel.core.document.edit;

import inkel.core.document.Endpoint;
import inkel.core.document.Node;

/** Takes the part in a wire out again. */
public record TakeOut(String node, Endpoint signal) implements NodeEdit {
    @Override
    public Node applyTo(Node node) {
        return node.withBetween(node.between().stream()
                .filter(entry -> !entry.signal().equals(signal))
                .toList());
    }
}
