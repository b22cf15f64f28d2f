package inkel.core.document.edit;

import inkel.core.document.Node;

/** Calls a node by another name. */
public record RenameNode(String node, String name) implements NodeEdit {
    @Override
    public Node applyTo(Node node) {
        return node.withName(name);
    }
}
