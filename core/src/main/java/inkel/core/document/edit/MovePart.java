package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.Part;
import java.util.Map;

/** Takes a part to another node, with its name, purpose and own figures; its wires and feeds stay behind. */
public record MovePart(String node, String part, String toNode) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Node from = Require.node(build, node);
        Part moved = Require.part(from, part);
        Node to = Require.node(build, toNode);
        Node without = Parts.removed(from, part);
        Part arrived = moved.withId(to.freeId(moved.id()))
                .withFeeds(Map.of())
                .withGroundApart(false)
                .withSince(build.log().size());
        Node with = Parts.added(to, arrived);
        return build.withNode(node, old -> without).withNode(toNode, old -> with);
    }
}
