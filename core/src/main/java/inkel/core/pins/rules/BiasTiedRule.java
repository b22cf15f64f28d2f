package inkel.core.pins.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
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
                .fix(() -> knob(report, pins, wire.from()))
                .build();
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
