package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.Part;

/** Puts one more part on the table. */
public record AddPart(String node, Part part) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Node added = Parts.added(
                Require.node(build, node), part.withSince(build.log().size()));
        return build.withNode(node, old -> added);
    }
}
