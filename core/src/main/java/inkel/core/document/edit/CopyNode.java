package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import java.util.Set;

/** Adds a copy of a node behind it, with nothing plugged. */
public record CopyNode(String node, String newId, String newName) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Node old = Require.node(build, node);
        Node twin = new Node(
                newId, newName, old.parts(), old.wires(), old.between(), old.moments(), Set.of(), old.extras());
        return Nodes.with(build, build.nodes().indexOf(old) + 1, twin);
    }
}
