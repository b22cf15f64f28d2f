package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.Place;

/** Takes a part off the table, with its wires and all that feeds from it or goes through it. The board stays. */
public record RemovePart(String node, String part) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Node without = Parts.removed(Require.node(build, node), part);
        return Links.without(build.withNode(node, old -> without), Place.ofPart(node, part));
    }
}
