package inkel.core.pins.rules;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
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
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Ties;
import java.util.List;
import java.util.Optional;

/** Reports an input that is neither driven nor tied: it picks up whatever is near. */
public final class InputFloatsRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.input_floats", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream()
                .flatMap(pins -> pins.floating().stream().map(signal -> describe(pins, signal)))
                .toList();
    }

    private static Finding describe(NodePins pins, Endpoint signal) {
        Placed placed = pins.node().part(signal.part()).orElseThrow();
        return Finding.of(INFO, pins.node().place(signal))
                .with("part", placed.part().name())
                .with("signal", signal.pin())
                .fix(() -> tie(pins, placed, signal))
                .fixes(() -> PinFixes.move(pins, signal))
                .build();
    }

    private static Optional<Fix> tie(NodePins pins, Placed placed, Endpoint signal) {
        NodeCircuit node = pins.node();
        return Ties.of(node, placed, node.pin(signal).orElseThrow())
                .map(rail -> new Fix(
                        "tie-" + signal,
                        Fact.of(node.rail(rail).isPresent() ? "fix.tie" : "fix.tie_to_ground")
                                .with("signal", signal.pin())
                                .with("rail", node.rail(rail).isPresent() ? RailNames.of(node, rail) : rail.pin()),
                        Fact.of("fix.tie.cost"),
                        List.of(new SetWire(node.node().id(), Wire.placed(signal, rail)))));
    }
}
