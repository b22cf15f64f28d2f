package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Node;

/** Takes a part off the table, with its wires and all that feeds from it. The board stays. */
public record RemovePart(String node, String part) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        return Parts.removed(node, part);
    }
}
