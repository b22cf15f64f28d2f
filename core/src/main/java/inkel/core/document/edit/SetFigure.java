package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Node;

/** Puts the builder's own figure in place of the class's; a null value goes back to the class's. */
public record SetFigure(String node, String part, String key, String value) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Require.part(node, part);
        return node.withPart(part, old -> old.withFigure(key, value));
    }
}
