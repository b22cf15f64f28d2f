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
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
                .map(helper -> fix(node, helper))
                .toList();
    }

    /** What it offers to anybody; a knob is not put on the table to serve a display by itself. */
    private static Stream<Pin> offers(PartClass cls) {
        return cls.offers().filter(pin -> !pin.servesByChoice());
    }

    /** What of the signals hangs on which of its pins. */
    private record Helper(PartClass cls, Map<Endpoint, Pin> carries) {}

    private static Fix fix(NodeCircuit node, Helper helper) {
        List<Edit> edits = new ArrayList<>(AddParts.of(node, helper.cls(), 1));
        String part = ((AddPart) edits.get(0)).part().id();
        helper.carries()
                .forEach((signal, pin) ->
                        edits.add(new SetWire(node.node().id(), Wire.placed(signal, new Endpoint(part, pin.label())))));
        return new Fix(
                "add-" + helper.cls().id(),
                Fact.of("fix.add_helper").with("class", helper.cls().name()),
                Fact.of("fix.add_helper.cost").with("count", helper.carries().size()),
                edits);
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
                        .filter(pin -> PinFit.fits(asking.get(), wanted.get(), trial, pin))
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
