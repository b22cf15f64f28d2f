package inkel.core.document.edit;

import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;

/** Feeds a supply pin from a rail. */
public record Feed(String node, String part, String pin, Endpoint rail) implements NodeEdit {
    @Override
    public Node applyTo(Node node) throws EditRefused {
        Require.part(node, part);
        Require.part(node, rail.part());
        return node.withPart(part, old -> old.withFeed(pin, rail));
    }
}
