package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.NodeWire;
import inkel.core.quantity.Fact;

/** Puts another wire between two boards in the place of one: on other pins, with something in it, with a ground beside it. */
public record ChangeNodeWire(NodeWire wire, NodeWire changed) implements Edit {
    @Override
    public String node() {
        return wire.from().node();
    }

    /** @throws EditRefused when the wire is not there (any more) */
    @Override
    public Build apply(Build build) throws EditRefused {
        if (!build.links().contains(wire)) {
            throw new EditRefused(
                    Fact.of("refused.no_link").with("from", wire.from()).with("to", wire.to()));
        }
        Require.whole(build, changed);
        return build.withLinks(build.links().stream()
                        .map(link -> link.equals(wire) ? changed : link)
                        .toList())
                .withNode(wire.from().node(), old -> Ticks.kept(old, wire, changed));
    }
}
