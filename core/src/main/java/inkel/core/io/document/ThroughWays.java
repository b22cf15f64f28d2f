package inkel.core.io.document;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Ways;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Wires of a shifter that are written down as they are plugged, one to either side of a way: together they are the wire of a
 * signal in which that way stands. Which side the signal was wired to is kept, since it may be the wrong one.
 */
final class ThroughWays {
    private final Map<String, PartClass> classes = new LinkedHashMap<>();
    private final List<Wire> wires;
    private final List<Between> between;
    private boolean isChanged;

    private ThroughWays(Node node, Catalog catalog) {
        for (Part part : node.parts()) {
            catalog.find(part.classId()).ifPresent(cls -> classes.put(part.id(), cls));
        }
        wires = new ArrayList<>(node.wires());
        between = new ArrayList<>(node.between());
    }

    /** That build itself where no way has wires of its own on both sides. */
    static Build joined(Build build, Catalog catalog) {
        Catalog known = build.classesIn(catalog);
        boolean isChanged = false;
        List<Node> nodes = new ArrayList<>();
        for (Node node : build.nodes()) {
            ThroughWays ways = new ThroughWays(node, known);
            ways.joinAll();
            isChanged |= ways.isChanged;
            nodes.add(ways.isChanged ? node.withWires(ways.wires).withBetween(ways.between) : node);
        }
        return isChanged ? build.withNodes(nodes) : build;
    }

    private void joinAll() {
        for (Map.Entry<String, PartClass> shifter : classes.entrySet()) {
            Ways ways = Ways.of(shifter.getValue());
            for (int way = 1; way <= ways.count(); way++) {
                Endpoint one =
                        new Endpoint(shifter.getKey(), ways.pins(way).get(0).label());
                Endpoint other =
                        new Endpoint(shifter.getKey(), ways.pins(way).get(1).label());
                if (!join(one, other, way)) {
                    join(other, one, way);
                }
            }
        }
    }

    /** Joins what is wired to both sides of a way when what serves is on the second one. */
    private boolean join(Endpoint faces, Endpoint served, int way) {
        List<Wire> here = at(faces);
        List<Wire> there = at(served);
        List<Endpoint> asking = here.stream().map(wire -> end(wire, faces)).toList();
        List<Wire> serving = there.stream()
                .filter(wire -> !isSignal(end(wire, served)) && isServing(end(wire, served)))
                .toList();
        List<Endpoint> beside = there.stream()
                .filter(wire -> !serving.contains(wire))
                .map(wire -> end(wire, served))
                .toList();
        if (here.isEmpty() || serving.size() != 1 || !areFree(asking) || !areFree(beside)) {
            return false;
        }
        Wire first = serving.get(0);
        wires.removeAll(here);
        wires.removeAll(there);
        Endpoint to = end(first, served);
        beside.forEach(signal -> wires.add(new Wire(signal, to, first.held(), first.reason(), Extras.NONE)));
        for (int i = 0; i < asking.size(); i++) {
            wires.add(both(asking.get(i), to, here.get(i), first));
            between.add(
                    new Between.ShifterWay(asking.get(i), faces.part(), way, Optional.of(faces.pin()), Extras.NONE));
        }
        isChanged = true;
        return true;
    }

    /** What was said of either of the two is said of the one. */
    private static Wire both(Endpoint from, Endpoint to, Wire near, Wire far) {
        Map<String, Object> said = new LinkedHashMap<>(far.extras().fields());
        said.putAll(near.extras().fields());
        String reason = near.reason().isBlank() ? far.reason() : near.reason();
        return new Wire(from, to, near.held() || far.held(), reason, new Extras(said));
    }

    private List<Wire> at(Endpoint pin) {
        return wires.stream()
                .filter(wire -> wire.from().equals(pin) || wire.to().equals(pin))
                .toList();
    }

    private static Endpoint end(Wire wire, Endpoint notThis) {
        return wire.from().equals(notThis) ? wire.to() : wire.from();
    }

    /** Whether each is a signal with no other wire and nothing in it yet. */
    private boolean areFree(List<Endpoint> signals) {
        Set<Endpoint> once = new HashSet<>();
        return signals.stream()
                .allMatch(signal -> isSignal(signal)
                        && once.add(signal)
                        && wires.stream()
                                        .filter(wire -> wire.from().equals(signal))
                                        .count()
                                <= 1
                        && between.stream().noneMatch(piece -> piece.signal().equals(signal)));
    }

    private boolean isSignal(Endpoint end) {
        return pin(end).filter(pin -> pin.use().isSignal()).isPresent();
    }

    private boolean isServing(Endpoint end) {
        return pin(end).filter(pin -> !pin.can().isEmpty()).isPresent();
    }

    private Optional<Pin> pin(Endpoint end) {
        return Optional.ofNullable(classes.get(end.part())).flatMap(cls -> cls.pin(end.pin()));
    }
}
