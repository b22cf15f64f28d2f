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
        int since = build.log().size();
        return put(
                build,
                at,
                added.withParts(added.parts().stream()
                        .map(part -> part.withSince(since))
                        .toList()));
    }

    /** With a node that was there before, at the end. */
    static Build back(Build build, Node was) throws EditRefused {
        return put(build, build.nodes().size(), was);
    }

    private static Build put(Build build, int at, Node added) throws EditRefused {
        if (build.node(added.id()).isPresent()) {
            throw new EditRefused(Fact.of("refused.node_exists").with("node", added.id()));
        }
        List<Node> nodes = new ArrayList<>(build.nodes());
        nodes.add(at, added);
        return build.withNodes(nodes);
    }
}
