package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.quantity.Fact;

/** What an edit names must be there. */
final class Require {
    private Require() {}

    static Node node(Build build, String id) throws EditRefused {
        return build.node(id)
                .orElseThrow(() -> new EditRefused(Fact.of("refused.no_node").with("node", id)));
    }

    /** Both ends of a wire between two boards, and the shifter that it goes through. */
    static void whole(Build build, NodeWire wire) throws EditRefused {
        part(node(build, wire.from().node()), wire.from().part());
        part(node(build, wire.to().node()), wire.to().part());
        if (wire.converter().isPresent()) {
            Place shifter = wire.converter().get();
            part(node(build, shifter.node()), shifter.part());
        }
    }

    static Part part(Node node, String id) throws EditRefused {
        return node.part(id)
                .orElseThrow(() -> new EditRefused(
                        Fact.of("refused.no_part").with("part", id).with("node", node.name())));
    }
}
