package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.AddParts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports a pin that wants a voltage to be chosen, such as a contrast, and has one for good. */
public final class BiasTiedRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.bias_tied", Severity.NOTE, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.node().node().wires().stream()
                        .filter(wire -> pins.useOf(wire.from()) == PinUse.BIAS
                                && pins.node().isTie(wire))
                        .map(wire -> describe(report, pins, wire)))
                .toList();
    }

    private static Finding describe(PinReport report, NodePins pins, Wire wire) {
        return WireFinding.of(INFO, pins, wire)
                .fixes(() -> PinFixes.move(pins, wire.from()))
                .fixes(() -> there(pins, wire.from()))
                .fix(() -> knob(report, pins, wire.from()))
                .build();
    }

    /** A knob that the board reads and nobody holds there. */
    private static List<Fix> there(NodePins pins, Endpoint signal) {
        NodeCircuit node = pins.node();
        return node.parts().stream()
                .filter(knob -> !knob.isForLater())
                .flatMap(knob -> giver(knob.cls())
                        .flatMap(pin -> node.wire(new Endpoint(knob.id(), pin.label())))
                        .filter(read -> !read.held())
                        .map(read -> set(node, signal, knob, read))
                        .stream())
                .toList();
    }

    private static Fix set(NodeCircuit node, Endpoint signal, Placed knob, Wire read) {
        String id = node.node().id();
        return new Fix(
                "set-by-" + knob.id(),
                Fact.of("fix.knob_there").with("part", knob.part().name()).with("signal", signal.pin()),
                Fact.of("fix.knob_there.cost").with("pin", read.to()),
                List.of(new RemoveWire(id, read.from()), new SetWire(id, Wire.placed(signal, read.from()))));
    }

    /** A knob of its own. */
    private static Optional<Fix> knob(PinReport report, NodePins pins, Endpoint signal) {
        return report.circuit().catalog().all().stream()
                .filter(cls -> giver(cls).isPresent())
                .findFirst()
                .map(cls -> {
                    List<Edit> edits = new ArrayList<>(AddParts.of(pins.node(), cls, 1));
                    Endpoint out = new Endpoint(
                            ((AddPart) edits.get(0)).part().id(),
                            giver(cls).orElseThrow().label());
                    edits.add(new SetWire(pins.node().node().id(), Wire.placed(signal, out)));
                    return new Fix(
                            "knob-" + signal,
                            Fact.of("fix.knob").with("class", cls.name()).with("signal", signal.pin()),
                            Fact.of("fix.knob.cost"),
                            edits);
                });
    }

    private static Optional<Pin> giver(PartClass cls) {
        return cls.signals().filter(pin -> pin.can(Ability.Kind.VOLTAGE)).findFirst();
    }
}
