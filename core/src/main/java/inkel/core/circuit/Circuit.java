package inkel.core.circuit;

import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import java.util.List;
import java.util.Optional;

/** A whole build joined to the catalogue. */
public record Circuit(Build build, Catalog catalog, List<NodeCircuit> nodes) {
    public static Circuit of(Build build, Catalog catalog) {
        return new Circuit(
                build,
                catalog,
                build.nodes().stream()
                        .map(node -> NodeCircuit.of(node, catalog, Readings.of(build, node)))
                        .toList());
    }

    public Optional<NodeCircuit> node(String id) {
        return nodes.stream().filter(node -> node.node().id().equals(id)).findFirst();
    }
}
