package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;

/** Adds a node at the end; its id must be new. */
public record AddNode(Node added) implements Edit {
    @Override
    public String node() {
        return added.id();
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        return Nodes.with(build, build.nodes().size(), added);
    }
}
