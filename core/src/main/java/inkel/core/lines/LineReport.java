package inkel.core.lines;

import inkel.core.circuit.Circuit;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveNodeWire;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The long lines of a build.
 *
 * @param stations every transceiver, in the order of the tables
 * @param lines those joined by wires; a transceiver that no wire leaves from is on none
 */
public record LineReport(Circuit circuit, List<LineStation> stations, List<LongLine> lines) {
    public LineReport {
        stations = List.copyOf(stations);
        lines = List.copyOf(lines);
    }

    public static LineReport of(Circuit circuit) {
        List<LineStation> stations = circuit.nodes().stream()
                .flatMap(node -> node.parts().stream().flatMap(placed -> LineStation.of(node, placed).stream()))
                .toList();
        return new LineReport(circuit, stations, stations.size() < 2 ? List.of() : lines(circuit, stations));
    }

    private static List<LongLine> lines(Circuit circuit, List<LineStation> stations) {
        Map<List<Integer>, List<NodeWire>> between = new LinkedHashMap<>();
        for (NodeWire wire : circuit.links()) {
            int from = at(stations, wire.from());
            int to = at(stations, wire.to());
            if (wire.isLine() && from >= 0 && to >= 0 && from != to) {
                between.computeIfAbsent(List.of(Math.min(from, to), Math.max(from, to)), pair -> new ArrayList<>())
                        .add(wire);
            }
        }
        List<LongLine> lines = new ArrayList<>();
        Set<Integer> done = new LinkedHashSet<>();
        for (int i = 0; i < stations.size(); i++) {
            Set<Integer> joined = joined(i, between.keySet());
            if (joined.size() > 1 && done.addAll(joined)) {
                lines.add(new LongLine(
                        joined.stream().sorted().map(stations::get).toList(),
                        between.entrySet().stream()
                                .filter(entry -> joined.contains(entry.getKey().get(0)))
                                .map(entry -> new Stretch(
                                        stations.get(entry.getKey().get(0)),
                                        stations.get(entry.getKey().get(1)),
                                        entry.getValue()))
                                .toList()));
            }
        }
        return lines;
    }

    private static Set<Integer> joined(int first, Set<List<Integer>> pairs) {
        Set<Integer> joined = new LinkedHashSet<>(Set.of(first));
        boolean isGrowing = true;
        while (isGrowing) {
            isGrowing = false;
            for (List<Integer> pair : pairs) {
                isGrowing |= (joined.contains(pair.get(0)) || joined.contains(pair.get(1))) && joined.addAll(pair);
            }
        }
        return joined;
    }

    private static int at(List<LineStation> stations, Place end) {
        for (int i = 0; i < stations.size(); i++) {
            if (stations.get(i).place().contains(end)) {
                return i;
            }
        }
        return -1;
    }

    public Optional<LineStation> station(Place place) {
        return stations.stream()
                .filter(station -> station.place().equals(place))
                .findFirst();
    }

    public Optional<LongLine> line(LineStation station) {
        return lines.stream().filter(line -> line.stations().contains(station)).findFirst();
    }

    /** Those of other tables that a transceiver can be joined to so that the line goes on from one to the next. */
    public List<LineStation> partners(LineStation station) {
        Optional<LongLine> own = line(station);
        boolean isFull = own.filter(line -> line.neighbours(station) > 1).isPresent();
        return isFull
                ? List.of()
                : stations.stream()
                        .filter(other -> !other.node()
                                .node()
                                .id()
                                .equals(station.node().node().id()))
                        .filter(other -> own.filter(line -> line.stations().contains(other))
                                .isEmpty())
                        .filter(other -> line(other)
                                .filter(line -> line.neighbours(other) > 1)
                                .isEmpty())
                        .toList();
    }

    /** Two wires, plus to plus and minus to minus, and the ground beside them where none joins the two tables yet. */
    public List<Edit> join(LineStation one, LineStation other) {
        NodeWire plus = wire(one.plus(), other.plus(), false);
        boolean isJoined = circuit.links().stream().anyMatch(link -> link.isBesides(plus) && link.groundJoined())
                || circuit.isGroundBrought(
                        one.node().node().id(), other.node().node().id());
        return List.of(
                new AddNodeWire(isJoined ? plus : plus.withGroundJoined()),
                new AddNodeWire(wire(one.minus(), other.minus(), false)));
    }

    /** The same transceivers joined from one to the next, in the order of the tables, with a terminator at each end. */
    public List<Edit> chain(LongLine line) {
        List<Edit> edits = new ArrayList<>();
        List<NodeWire> old = line.stretches().stream()
                .flatMap(stretch -> stretch.wires().stream())
                .toList();
        old.forEach(wire -> edits.add(new RemoveNodeWire(wire)));
        boolean isGroundJoined = old.stream().anyMatch(NodeWire::groundJoined);
        for (int i = 1; i < line.stations().size(); i++) {
            LineStation one = line.stations().get(i - 1);
            LineStation next = line.stations().get(i);
            edits.add(new AddNodeWire(wire(one.plus(), next.plus(), isGroundJoined)));
            edits.add(new AddNodeWire(wire(one.minus(), next.minus(), false)));
        }
        List<LineStation> stations = line.stations();
        edits.addAll(terminated(stations, List.of(stations.get(0), stations.get(stations.size() - 1))));
        return edits;
    }

    /** Terminators put on the ends and taken off all others. */
    private static List<Edit> terminated(List<LineStation> stations, List<LineStation> ends) {
        return stations.stream()
                .filter(station ->
                        ends.contains(station) != station.terminator().isPresent())
                .<Edit>map(station -> station.terminated(ends.contains(station)))
                .toList();
    }

    /** What puts one terminator at each end of a line, and none between. */
    public static List<Edit> terminated(LongLine line) {
        return terminated(line.stations(), line.ends());
    }

    static NodeWire wire(Place from, Place to, boolean isGroundJoined) {
        return new NodeWire(from, to, isGroundJoined, Extras.NONE);
    }
}
