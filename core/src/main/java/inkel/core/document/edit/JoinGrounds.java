package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.NodeWire;

/** Runs a ground wire beside a wire between two boards. */
public record JoinGrounds(NodeWire wire) implements Edit {
    @Override
    public String node() {
        return wire.from().node();
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        return Links.replaced(build, wire, wire.withGroundJoined());
    }
}
