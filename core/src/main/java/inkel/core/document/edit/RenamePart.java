package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Node;

/** Calls a part by another name. */
public record RenamePart(String node, String part, String name) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Require.part(node, part);
        return node.withPart(part, old -> old.withName(name));
    }
}
