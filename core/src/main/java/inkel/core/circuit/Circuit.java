package inkel.core.circuit;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Ways;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A whole build joined to the catalogue.
 *
 * @param links the wires between boards whose pins are there, each on a board of its own
 */
public record Circuit(Build build, Catalog catalog, List<NodeCircuit> nodes, List<NodeWire> links) {
    /** @param shared what is shipped and on the shelf; classes that the build carries take their place */
    public static Circuit of(Build build, Catalog shared) {
        Catalog catalog = build.classesIn(shared);
        List<FarRail> far = FarRail.all(build, catalog);
        List<NodeCircuit> nodes = far.isEmpty()
                ? build.nodes().stream()
                        .map(node -> NodeCircuit.of(
                                node, catalog, Readings.of(build, node), build.habits(), Map.of(), List.of()))
                        .toList()
                : FarFeeds.circuits(build, catalog, far);
        return new Circuit(
                build,
                catalog,
                nodes,
                build.links().stream()
                        .filter(link -> !link.isWithinOneBoard())
                        .filter(link -> isThere(link, link.from(), nodes) && isThere(link, link.to(), nodes))
                        .toList());
    }

    private static boolean isThere(NodeWire link, Place pin, List<NodeCircuit> nodes) {
        return nodes.stream()
                .filter(node -> node.node().id().equals(pin.node()))
                .flatMap(node -> node.pin(pin.endpoint()).stream())
                .anyMatch(found -> link.isLine() == (found.use() == PinUse.LINE));
    }

    /** The wires between boards whose pins are not there, or that lead from a board to itself. */
    public List<NodeWire> lostLinks() {
        return build.links().stream().filter(link -> !links.contains(link)).toList();
    }

    /** Whether a lead from one of two boards to the other joins their grounds. */
    public boolean isGroundBrought(String one, String other) {
        return nodes.stream()
                .flatMap(node -> node.farLoads().stream().map(FarLoad::rail))
                .anyMatch(rail -> rail.rail().node().equals(one) && rail.taker().equals(other)
                        || rail.rail().node().equals(other) && rail.taker().equals(one));
    }

    /** The supply that the levels of a pin hang on. */
    public Optional<Range<Voltage>> ioVolts(Place pin) {
        return node(pin.node()).flatMap(node -> node.ioVolts(pin.endpoint()));
    }

    /** The first way of a shifter or buffer that no wire goes through, on its board or to another. */
    public Optional<Integer> spareWay(NodeCircuit node, Placed shifter) {
        return spareWays(node, shifter).stream().findFirst();
    }

    /** The ways of a shifter or buffer that no wire goes through, on its board or to another. */
    public List<Integer> spareWays(NodeCircuit node, Placed shifter) {
        String id = node.node().id();
        Set<Integer> taken = Stream.concat(
                        node.node().between().stream()
                                .filter(Between.ShifterWay.class::isInstance)
                                .map(Between.ShifterWay.class::cast)
                                .filter(way -> way.shifter().equals(shifter.id())),
                        links.stream()
                                .filter(link -> link.converter()
                                        .filter(Place.ofPart(id, shifter.id())::equals)
                                        .isPresent())
                                .map(link -> (Between.ShifterWay) link.between().orElseThrow()))
                .map(Between.ShifterWay::way)
                .collect(Collectors.toSet());
        return IntStream.rangeClosed(1, Ways.of(shifter.cls()).count())
                .filter(way -> !taken.contains(way))
                .boxed()
                .toList();
    }

    public Optional<NodeCircuit> node(String id) {
        return nodes.stream().filter(node -> node.node().id().equals(id)).findFirst();
    }
}
