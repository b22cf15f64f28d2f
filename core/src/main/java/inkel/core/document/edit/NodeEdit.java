package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;

/** A change that stays inside one node. */
interface NodeEdit extends Edit {
    /** @throws EditRefused as for {@link #apply} */
    Node applyTo(Node node) throws EditRefused;

    @Override
    default Build apply(Build build) throws EditRefused {
        Node before = Require.node(build, node());
        Node changed = Ticks.kept(before, applyTo(before));
        return build.withNode(node(), old -> changed);
    }
}
