package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.NodeChange;

/** Does on a table what was done on another that is its equal. */
public record AlsoAt(String node, NodeChange change) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Node changed = change.applyTo(Require.node(build, node), build.log().size());
        return build.withNode(node, old -> changed);
    }
}
