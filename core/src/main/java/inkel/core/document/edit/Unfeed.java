package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Node;

/** Takes a supply pin off its rail. */
public record Unfeed(String node, String part, String pin) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Require.part(node, part);
        return node.withPart(part, old -> old.withFeed(pin, null));
    }
}
