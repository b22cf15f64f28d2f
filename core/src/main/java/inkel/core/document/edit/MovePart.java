package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import java.util.Map;

/** Takes a part to another node, with its name, purpose and own figures; its wires and feeds stay behind. */
public record MovePart(String node, String part, String toNode) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Node from = Require.node(build, node);
        Part moved = Require.part(from, part);
        Node to = Require.node(build, toNode);
        if (to == from) {
            return build;
        }
        Node without = Parts.removed(from, part);
        Part arrived = moved.withId(to.freeId(moved.id()))
                .withFeeds(Map.of())
                .withGroundApart(false)
                .withSince(build.log().size());
        Node with = Parts.added(to, arrived);
        Place was = Place.ofPart(node, part);
        Place is = Place.ofPart(toNode, arrived.id());
        Build moving = build.withAir(
                        build.air().stream().map(group -> group.moved(was, is)).toList())
                .withNodes(build.nodes().stream()
                        .map(old -> old == from ? without : old == to ? with : old)
                        .toList());
        return Links.without(moving, was);
    }
}
