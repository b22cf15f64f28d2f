package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.NodeWire;
import java.util.ArrayList;
import java.util.List;

/** Adds a signal wire between two boards. */
public record AddNodeWire(NodeWire wire) implements Edit {
    @Override
    public String node() {
        return wire.from().node();
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Require.node(build, wire.from().node());
        Require.node(build, wire.to().node());
        Require.whole(build, wire);
        List<NodeWire> links = new ArrayList<>(build.links());
        links.add(wire);
        return build.withLinks(links);
    }
}
