package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.NodeWire;

/** Takes a wire between two boards away. */
public record RemoveNodeWire(NodeWire wire) implements Edit {
    @Override
    public String node() {
        return wire.from().node();
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Require.node(build, wire.from().node());
        return build.withLinks(
                build.links().stream().filter(link -> !link.equals(wire)).toList());
    }
}
