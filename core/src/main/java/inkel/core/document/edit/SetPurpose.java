package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Node;

/** Says what a part is for. */
public record SetPurpose(String node, String part, String purpose) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Require.part(node, part);
        return node.withPart(part, old -> old.withPurpose(purpose));
    }
}
