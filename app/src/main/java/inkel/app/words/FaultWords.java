package inkel.app.words;

import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Layout;
import inkel.core.bench.fault.PartFault;
import inkel.core.bench.fault.PinFault;
import inkel.core.bench.fault.WireFault;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import inkel.core.wiring.WireStep;
import java.util.List;
import java.util.Optional;

/** Says what may be wrong on a bench. */
public final class FaultWords {
    private final Layout layout;

    public FaultWords(Layout layout) {
        this.layout = layout;
    }

    /** What a kind is called by itself. */
    public static String kind(FaultKind kind) {
        return Words.get("fault.kind." + kind.text());
    }

    /** One fault, or several together. */
    public String say(List<Fault> faults) {
        if (faults.size() < 2) {
            return faults.stream().map(this::say).findFirst().orElse("");
        }
        return Words.say(Fact.of("fault.both").with("one", say(faults.get(0))).with("other", say(faults.get(1))));
    }

    public String say(Fault fault) {
        Place at = fault.at();
        NodeCircuit node = layout.circuit().node(at.node()).orElseThrow();
        Fact said = Fact.of("fault." + fault.kind().text());
        Optional<Placed> placed = node.part(at.part());
        if (fault instanceof WireFault.Swapped swapped) {
            placed = node.part(swapped.part());
        }
        if (placed.isPresent()) {
            said = said.with("part", placed.get().part().name());
        }
        if (at.isPin()) {
            said = said.with("pin", PinNames.of(node, at.endpoint()));
            if (node.rail(at.endpoint()).isPresent()) {
                said = said.with("rail", RailNames.of(node, at.endpoint()));
            }
        }
        return Words.say(with(said, fault, node));
    }

    private Fact with(Fact said, Fault fault, NodeCircuit node) {
        if (fault instanceof WireFault.Moved moved) {
            Placed placed = node.part(moved.planned(layout).pin().part()).orElseThrow();
            Pin pin = placed.cls().pins().get(moved.index());
            return said.with("wire", wire(moved)).with("pin", PinNames.of(node, placed.endpoint(pin)));
        } else if (fault instanceof WireFault.OtherRail other) {
            return said.with("wire", wire(other)).with("rail", RailNames.of(node, other.rail()));
        } else if (fault instanceof WireFault.Swapped swapped) {
            return said.with("wire", wire(node, swapped.wire())).with("other", wire(node, swapped.other()));
        } else if (fault instanceof WireFault.OnOneWire on) {
            return said.with("wire", wire(on)).with("part", owner(on, node));
        } else if (fault instanceof PinFault.Shorted shorted) {
            return said.with("other", PinNames.of(node, shorted.other().endpoint()));
        } else if (fault instanceof PartFault.OtherAddress other) {
            return said.with("address", Engineering.address(other.address()));
        } else if (fault instanceof WireFault.RowNotBridged row) {
            return said.with("row", row(node, row.row()));
        }
        return said;
    }

    private String wire(WireFault.OnOneWire on) {
        return wire(layout.circuit().node(on.node()).orElseThrow(), on.wire());
    }

    private Optional<WireStep> step(NodeCircuit node, String id) {
        return layout.lists().stream()
                .filter(list -> list.node().node().id().equals(node.node().id()))
                .flatMap(list -> list.steps().stream())
                .filter(step -> step.id().equals(id))
                .findFirst();
    }

    /** A wire by its number and both ends. */
    private String wire(NodeCircuit node, String id) {
        return step(node, id)
                .map(step -> Words.say(Fact.of("fault.wire")
                        .with("number", step.number())
                        .with("ends", new WireWords(node).ends(step))))
                .orElse(id);
    }

    private String owner(WireFault.OnOneWire on, NodeCircuit node) {
        return step(node, on.wire())
                .map(step -> new WireWords(node).owner(step.to()))
                .orElse("");
    }

    private static String row(NodeCircuit node, String row) {
        String rail = row.startsWith("row ") ? row.substring("row ".length()) : row;
        return Endpoint.parse(rail)
                .map(end -> Words.get("wire.row", "rail", RailNames.of(node, end)))
                .orElse(Words.get("wire.ground_row"));
    }
}
