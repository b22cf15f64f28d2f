package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.quantity.Fact;

/** Takes a node and all its parts away; the last one stays. */
public record RemoveNode(String node) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Node gone = Require.node(build, node);
        if (build.nodes().size() == 1) {
            throw new EditRefused(Fact.of("refused.last_node").with("node", gone.name()));
        }
        return build.withNodes(
                        build.nodes().stream().filter(other -> other != gone).toList())
                .withLinks(build.links().stream()
                        .filter(link -> !link.touches(node))
                        .toList());
    }
}
