package inkel.core.pins.rules;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
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
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Ties;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports an input that is neither driven nor tied: it picks up whatever is near. */
public final class InputFloatsRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("pins.input_floats", Severity.LOOK, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.nodes().stream().flatMap(InputFloatsRule::of).toList();
    }

    /** Those of one part that are tied alike are told together; what nothing can tie is told by itself. */
    private static Stream<Finding> of(NodePins pins) {
        Map<Object, List<Endpoint>> groups = new LinkedHashMap<>();
        for (Endpoint signal : pins.floating()) {
            Object group = tied(pins, signal)
                    .<Object>map(rail -> List.of(signal.part(), rail))
                    .orElse(signal);
            groups.computeIfAbsent(group, key -> new ArrayList<>()).add(signal);
        }
        return groups.values().stream()
                .map(signals -> signals.size() == 1 ? describe(pins, signals.get(0)) : describe(pins, signals));
    }

    private static Finding describe(NodePins pins, List<Endpoint> signals) {
        List<String> labels = signals.stream().map(Endpoint::pin).toList();
        return Finding.of(INFO, signals.stream().map(pins.node()::place).toList())
                .variant("several")
                .with("part", part(pins, signals.get(0)).part().name())
                .with("signal", labels)
                .fix(() -> Optional.of(tie(pins, signals, labels)))
                .build();
    }

    private static Finding describe(NodePins pins, Endpoint signal) {
        Placed placed = part(pins, signal);
        return Finding.of(INFO, pins.node().place(signal))
                .with("part", placed.part().name())
                .with("signal", signal.pin())
                .fix(() -> tied(pins, signal).map(rail -> tie(pins, List.of(signal), signal.pin())))
                .fixes(() -> PinFixes.move(pins, signal))
                .build();
    }

    private static Placed part(NodePins pins, Endpoint signal) {
        return pins.node().part(signal.part()).orElseThrow();
    }

    private static Optional<Endpoint> tied(NodePins pins, Endpoint signal) {
        return Ties.of(pins.node(), part(pins, signal), pins.node().pin(signal).orElseThrow());
    }

    private static Fix tie(NodePins pins, List<Endpoint> signals, Object said) {
        NodeCircuit node = pins.node();
        Endpoint rail = tied(pins, signals.get(0)).orElseThrow();
        boolean isRail = node.rail(rail).isPresent();
        String verb = isRail ? "fix.tie" : "fix.tie_to_ground";
        return new Fix(
                "tie-" + signals.get(0),
                Fact.of(verb).with("signal", said).with("rail", isRail ? RailNames.of(node, rail) : rail.pin()),
                Fact.of(signals.size() == 1 ? "fix.tie.cost" : "fix.tie.cost_several")
                        .with("count", signals.size()),
                signals.stream()
                        .map(signal -> (Edit) new SetWire(node.node().id(), Wire.placed(signal, rail)))
                        .toList());
    }
}
