package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.quantity.Fact;

/** What an edit names must be there. */
final class Require {
    private Require() {}

    static Node node(Build build, String id) throws EditRefused {
        return build.node(id)
                .orElseThrow(() -> new EditRefused(Fact.of("refused.no_node").with("node", id)));
    }

    static Part part(Node node, String id) throws EditRefused {
        return node.part(id)
                .orElseThrow(() -> new EditRefused(
                        Fact.of("refused.no_part").with("part", id).with("node", node.name())));
    }
}
