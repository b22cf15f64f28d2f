package inkel.core.levels.rules;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.catalog.Ways;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.quantity.Fact;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.JoinNodes;
import inkel.core.remedy.Ties;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Ways to make the levels of a wire between boards fit; what goes through a part is tried out before it is offered. */
final class BoardLinkFixes {
    private final Circuit circuit;
    private final BoardLink link;
    private final NodeWire wire;
    private final NodeCircuit talks;
    private final NodeCircuit listens;

    BoardLinkFixes(Circuit circuit, BoardLink link) {
        this.circuit = circuit;
        this.link = link;
        wire = link.link();
        talks = circuit.node(wire.from().node()).orElseThrow();
        listens = circuit.node(wire.to().node()).orElseThrow();
    }

    List<Fix> list() {
        List<Fix> fixes = new ArrayList<>();
        if (!link.isBus()) {
            otherPin().ifPresent(fixes::add);
        }
        if (link.between().filter(Between::changesLevels).isPresent()) {
            fixes.add(TakeOutFix.of(
                    wire.from().endpoint(), new ChangeNodeWire(wire, wire.withBetween(Optional.empty()))));
        } else if (link.isBus()) {
            new BusShifter(circuit, wire).best().ifPresent(fixes::add);
        } else {
            Optional<Fix> there = there();
            there.ifPresent(fixes::add);
            divider().ifPresent(fixes::add);
            if (there.isEmpty()) {
                buffer().ifPresent(fixes::add);
            }
        }
        fixes.add(off());
        return fixes;
    }

    /** Half a bus would be a plain wire, and harm as one. */
    private Fix off() {
        List<Edit> edits = circuit.links().stream()
                .filter(other -> link.isBus()
                        ? other.isBesides(wire)
                                && BoardBuses.line(circuit, other).isPresent()
                        : other.equals(wire))
                .<Edit>map(RemoveNodeWire::new)
                .toList();
        return new Fix(
                "link-off",
                Fact.of(link.isBus() ? "fix.bus_off" : "fix.link_off")
                        .with("node", listens.node().name()),
                Fact.of("fix.link_off.cost"),
                edits);
    }

    private static boolean isFine(Circuit circuit, NodeWire changed) {
        List<BoardLink> hops = BoardLink.of(circuit, changed);
        return !hops.isEmpty() && hops.stream().allMatch(hop -> hop.verdict() == Verdict.FINE);
    }

    /** A free pin of the listening board that bears and reads it, such as one that tolerates 5 V. */
    private Optional<Fix> otherPin() {
        return JoinNodes.freePins(circuit, listens)
                .map(pin -> wire.withEnds(wire.from(), pin))
                .filter(moved -> isFine(circuit, moved))
                .findFirst()
                .map(moved -> new Fix(
                        "link-to-" + moved.to().pin(),
                        Fact.of("fix.move_link")
                                .with("node", listens.node().name())
                                .with("pin", moved.to().pin()),
                        Fact.of("fix.move.cost"),
                        List.of(new ChangeNodeWire(wire, moved))));
    }

    /** Through a shifter or buffer that is on one of the two tables with a way to spare. */
    private Optional<Fix> there() {
        return Stream.of(listens, talks)
                .flatMap(node -> node.parts().stream()
                        .filter(ShifterSides::isShifter)
                        .flatMap(placed ->
                                circuit.spareWay(node, placed).map(way -> through(node, placed, way)).stream()))
                .filter(fix -> isFine(circuit, ((ChangeNodeWire) fix.edits().get(0)).changed()))
                .findFirst();
    }

    private Fix through(NodeCircuit node, Placed placed, int way) {
        return new Fix(
                "shift-" + placed.id() + "-" + way,
                Fact.of("fix.shift")
                        .with("signal", wire.from().pin())
                        .with("way", way)
                        .with("shifter", placed.part().name()),
                Fact.of("fix.shift.cost"),
                List.of(new ChangeNodeWire(wire, through(node, placed.id(), way))));
    }

    private NodeWire through(NodeCircuit node, String shifter, int way) {
        String at = Place.ofPart(node.node().id(), shifter).toString();
        return wire.withBetween(Optional.of(new Between.ShifterWay(wire.from().endpoint(), at, way, Extras.NONE)));
    }

    private Optional<Fix> divider() {
        return DividerFix.pair(link.check(), DividerFix.MOST_SOURCE)
                .map(pair -> DividerFix.of(
                        wire.from().endpoint(), pair, link.check().vohMax(), piece -> InWire.put(link, piece)));
    }

    /** A new buffer on the table that listens, fed as its board is. */
    private Optional<Fix> buffer() {
        Optional<Rail> rail = listens.ioRail(wire.to().endpoint());
        return rail.filter(fed -> fed.volts().isPresent()).flatMap(fed -> circuit.catalog().all().stream()
                .filter(cls -> !Ways.of(cls).isEmpty() && Ways.of(cls).isOneWay())
                .filter(cls -> cls.supplies().size() == 1)
                .flatMap(cls -> buffer(cls, fed).stream())
                .findFirst());
    }

    private Optional<Fix> buffer(PartClass cls, Rail fed) {
        Supply supply = cls.supplies().get(0);
        if (!FeedFixes.fits(fed.volts().orElseThrow(), supply)) {
            return Optional.empty();
        }
        String node = listens.node().id();
        Part part = Part.of(listens.node().freeId("buffer"), cls.id(), cls.name(), "")
                .withFeeds(Map.of(supply.pin(), fed.id()));
        Placed placed = new Placed(part, cls);
        List<Edit> edits = new ArrayList<>(List.of(new AddPart(node, part)));
        cls.signals().forEach(pin -> {
            Optional<Endpoint> tie = Ties.of(listens, placed, pin);
            tie.ifPresent(to -> edits.add(new SetWire(node, Wire.placed(placed.endpoint(pin), to))));
        });
        NodeWire changed = through(listens, part.id(), 1);
        edits.add(new ChangeNodeWire(wire, changed));
        Fix fix = new Fix(
                "buffer-new",
                Fact.of("fix.buffer_new").with("signal", wire.from().pin()),
                Fact.of("fix.buffer_new.cost")
                        .with("part", cls.name())
                        .with("wires", WayFixes.wiresMore(cls, edits))
                        .with("spare", Ways.of(cls).count() - 1),
                edits);
        return isFineAfter(fix, changed) ? Optional.of(fix) : Optional.empty();
    }

    private boolean isFineAfter(Fix fix, NodeWire changed) {
        try {
            Build tried = fix.apply(circuit.build());
            return isFine(Circuit.of(tried, circuit.catalog()), changed);
        } catch (EditRefused refused) {
            return false;
        }
    }
}
