package inkel.core.pins;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import inkel.core.remedy.AddParts;
import inkel.core.remedy.Ties;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Parts of the catalogue that carry pins for others: backpacks, expanders, drivers, multiplexers. */
public final class Helpers {
    private static final int MOST = 3;

    private Helpers() {}

    /** One of each kind that can carry some of the signals, those that carry most first. */
    public static List<Fix> carrying(Catalog catalog, NodeCircuit node, List<Endpoint> signals) {
        return catalog.all().stream()
                .filter(cls ->
                        cls.kind() == Kind.MODULE && offers(cls).findAny().isPresent())
                .map(cls -> new Helper(cls, carried(node, cls, signals)))
                .filter(helper -> !helper.carries().isEmpty())
                .sorted(Comparator.<Helper>comparingInt(
                                helper -> helper.carries().size())
                        .reversed())
                .limit(MOST)
                .map(helper -> fix(catalog, node, helper))
                .toList();
    }

    /** What it offers to anybody; a knob is not put on the table to serve a display by itself. */
    private static Stream<Pin> offers(PartClass cls) {
        return cls.offers().filter(pin -> !pin.servesByChoice());
    }

    /** What of the signals hangs on which of its pins. */
    private record Helper(PartClass cls, Map<Endpoint, Pin> carries) {}

    private static Fix fix(Catalog catalog, NodeCircuit node, Helper helper) {
        List<Edit> edits = new ArrayList<>(AddParts.of(node, helper.cls(), 1));
        Part added = ((AddPart) edits.get(0)).part();
        String part = added.id();
        edits.addAll(wires(catalog, node, added));
        helper.carries()
                .forEach((signal, pin) ->
                        edits.add(new SetWire(node.node().id(), Wire.placed(signal, new Endpoint(part, pin.label())))));
        return new Fix(
                "add-" + helper.cls().id(),
                Fact.of("fix.add_helper").with("class", helper.cls().name()),
                Fact.of("fix.add_helper.cost").with("count", helper.carries().size()),
                edits);
    }

    /** What the helper itself needs: lines of a bus where others have them already, the rest on free pins. */
    private static List<Edit> wires(Catalog catalog, NodeCircuit node, Part added) {
        List<Part> parts = new ArrayList<>(node.node().parts());
        parts.add(added);
        NodeCircuit with = NodeCircuit.of(node.node().withParts(parts), catalog, node.habits());
        NodePins pins = new NodePins(with, List.of());
        Placed helper = with.part(added.id()).orElseThrow();
        Set<Endpoint> taken = new HashSet<>();
        List<Edit> edits = new ArrayList<>();
        helper.cls().signals().filter(pin -> with.isMissed(helper, pin)).forEach(pin -> {
            Endpoint signal = helper.endpoint(pin);
            Stream<Endpoint> joined = pin.use().sharedLine().isPresent()
                    ? pins.wiresOf(pin.use()).stream().map(Wire::to).filter(to -> to.part()
                            .equals(with.board().id()))
                    : Stream.empty();
            Stream.concat(
                            Ties.of(with, helper, pin).stream(),
                            Stream.concat(joined, pins.freeFor(signal).stream().filter(free -> !taken.contains(free))))
                    .findFirst()
                    .ifPresent(to -> {
                        taken.add(to);
                        edits.add(new SetWire(node.node().id(), Wire.placed(signal, to)));
                    });
        });
        return edits;
    }

    /** Each signal on the first pin that suits it and that none before it has. */
    private static Map<Endpoint, Pin> carried(NodeCircuit node, PartClass cls, List<Endpoint> signals) {
        Placed trial = new Placed(Part.of("trial", cls.id(), cls.name(), ""), cls);
        List<Pin> left = new ArrayList<>(offers(cls).toList());
        Map<Endpoint, Pin> carries = new LinkedHashMap<>();
        for (Endpoint signal : signals) {
            Optional<Placed> asking = node.part(signal.part());
            Optional<Pin> wanted = node.pin(signal);
            if (asking.isPresent() && wanted.isPresent()) {
                left.stream()
                        .filter(pin -> PinFit.fits(asking.get(), wanted.get(), trial, pin)
                                && !OnlyLow.wantsResistor(asking.get(), wanted.get(), pin))
                        .findFirst()
                        .ifPresent(pin -> {
                            carries.put(signal, pin);
                            left.remove(pin);
                        });
            }
        }
        return carries;
    }
}
