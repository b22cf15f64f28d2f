package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;

/** Nodes put into a build. */
final class Nodes {
    private Nodes() {}

    /** With one more node, all of whose parts are new on the table. */
    static Build with(Build build, int at, Node added) throws EditRefused {
        if (build.node(added.id()).isPresent()) {
            throw new EditRefused(Fact.of("refused.node_exists").with("node", added.id()));
        }
        int since = build.log().size();
        List<Node> nodes = new ArrayList<>(build.nodes());
        nodes.add(
                at,
                added.withParts(added.parts().stream()
                        .map(part -> part.withSince(since))
                        .toList()));
        return build.withNodes(nodes);
    }
}
