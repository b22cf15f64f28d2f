package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.NodeWire;

/** Puts a wire between two boards on other pins. */
public record MoveNodeWire(NodeWire wire, NodeWire moved) implements Edit {
    @Override
    public String node() {
        return wire.from().node();
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        return Links.replaced(build, wire, moved);
    }
}
