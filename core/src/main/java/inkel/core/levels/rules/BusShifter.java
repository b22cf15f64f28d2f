package inkel.core.levels.rules;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Ways;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Sends both lines of a bus from board to board through a shifter that works both ways: one of either table, or a new one. */
final class BusShifter {
    private final Circuit circuit;
    private final NodeCircuit talks;
    private final NodeCircuit listens;
    private final List<NodeWire> lines;

    /** @param wire either of the two lines */
    BusShifter(Circuit circuit, NodeWire wire) {
        this.circuit = circuit;
        talks = circuit.node(wire.from().node()).orElseThrow();
        listens = circuit.node(wire.to().node()).orElseThrow();
        lines = circuit.links().stream()
                .filter(link -> link.isBesides(wire)
                        && link.between().isEmpty()
                        && BoardBuses.line(circuit, link).isPresent())
                .toList();
    }

    /** What lies on the table before what does not, and only what leaves nothing to look at. */
    Optional<Fix> best() {
        return first(this::there).or(() -> first(this::added));
    }

    private Optional<Fix> first(Function<NodeCircuit, Stream<Fix>> ways) {
        return Stream.of(listens, talks).flatMap(ways).filter(this::isFineAfter).findFirst();
    }

    private Stream<Fix> there(NodeCircuit node) {
        return node.parts().stream()
                .filter(placed ->
                        ShifterSides.isShifter(placed) && !Ways.of(placed.cls()).isOneWay())
                .flatMap(placed -> {
                    List<Integer> spare = circuit.spareWays(node, placed);
                    return spare.size() < lines.size()
                            ? Stream.empty()
                            : Stream.of(new Fix(
                                    "shift-bus-" + placed.id(),
                                    Fact.of("fix.shift_bus")
                                            .with("shifter", placed.part().name()),
                                    Fact.of("fix.shift.cost"),
                                    through(node, placed.id(), spare)));
                });
    }

    private Stream<Fix> added(NodeCircuit node) {
        return circuit.catalog().all().stream()
                .filter(cls -> !Ways.of(cls).isEmpty()
                        && !Ways.of(cls).isOneWay()
                        && Ways.of(cls).count() >= lines.size())
                .flatMap(cls -> feeds(node, cls).stream().map(feeds -> added(node, cls, feeds)));
    }

    private Fix added(NodeCircuit node, PartClass cls, Map<String, Endpoint> feeds) {
        Part part =
                Part.of(node.node().freeId("shifter"), cls.id(), cls.name(), "").withFeeds(feeds);
        List<Edit> edits = new ArrayList<>(List.of(new AddPart(node.node().id(), part)));
        List<Integer> ways = IntStream.rangeClosed(1, lines.size()).boxed().toList();
        edits.addAll(through(node, part.id(), ways));
        return new Fix(
                "shift-bus-new",
                Fact.of("fix.shift_bus").with("shifter", cls.name()),
                Fact.of("fix.shift_bus.cost").with("part", cls.name()),
                edits);
    }

    private List<Edit> through(NodeCircuit node, String shifter, List<Integer> ways) {
        String at = Place.ofPart(node.node().id(), shifter).toString();
        List<Edit> edits = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            NodeWire line = lines.get(i);
            Between way = new Between.ShifterWay(line.from().endpoint(), at, ways.get(i), Extras.NONE);
            edits.add(new ChangeNodeWire(line, line.withBetween(Optional.of(way))));
        }
        return edits;
    }

    /** Each side fed from a rail of the table that has the volts of one of the two boards; empty where there is none. */
    private Optional<Map<String, Endpoint>> feeds(NodeCircuit node, PartClass cls) {
        List<Voltage> volts = lines.stream()
                .limit(1)
                .flatMap(line -> Stream.of(line.from(), line.to()))
                .flatMap(end -> circuit.ioVolts(end).stream())
                .map(Range::expected)
                .sorted()
                .toList();
        return volts.size() != 2
                ? Optional.empty()
                : railsAt(node, volts.get(0))
                        .flatMap(low ->
                                railsAt(node, volts.get(1)).flatMap(high -> ShifterFeeds.of(cls, low, high).stream()))
                        .findFirst();
    }

    /** Those of the board first. */
    private static Stream<Rail> railsAt(NodeCircuit node, Voltage volts) {
        Comparator<Rail> first = Comparator.comparing(
                rail -> !rail.id().part().equals(node.board().id()));
        return node.rails().stream()
                .filter(rail ->
                        rail.volts().filter(at -> at.expected().equals(volts)).isPresent())
                .sorted(first);
    }

    private boolean isFineAfter(Fix fix) {
        return Tried.after(fix, circuit)
                .filter(after -> fix.edits().stream()
                        .filter(ChangeNodeWire.class::isInstance)
                        .map(edit -> ((ChangeNodeWire) edit).changed())
                        .allMatch(line -> isFine(after, line)))
                .isPresent();
    }

    private static boolean isFine(Circuit after, NodeWire line) {
        List<BoardLink> hops = BoardLink.of(after, line);
        return !hops.isEmpty() && hops.stream().allMatch(hop -> hop.verdict() == Verdict.FINE);
    }
}
