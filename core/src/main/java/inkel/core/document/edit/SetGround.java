package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Node;

/** Joins a part's ground to the common ground of its node, or keeps it apart. */
public record SetGround(String node, String part, boolean apart) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Require.part(node, part);
        return node.withPart(part, old -> old.withGroundApart(apart));
    }
}
