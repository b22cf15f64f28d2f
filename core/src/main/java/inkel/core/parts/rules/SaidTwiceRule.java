package inkel.core.parts.rules;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.SaidWire;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;

/** Notes wires that say what is so without them: grounds, and supplies that are fed from the same rail anyhow. */
public final class SaidTwiceRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("parts.said_twice", Severity.NOTE, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        List<Finding> findings = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            List<SaidWire> wires =
                    SaidWire.of(node).stream().filter(SaidWire::isSaidAnyhow).toList();
            if (!wires.isEmpty()) {
                findings.add(describe(node, wires));
            }
        }
        return findings;
    }

    private static Finding describe(NodeCircuit node, List<SaidWire> wires) {
        String id = node.node().id();
        List<Endpoint> begin = wires.stream().map(wire -> wire.lost().at()).toList();
        Finding.Builder finding =
                Finding.of(INFO, begin.stream().map(pin -> Place.of(id, pin)).toList());
        if (wires.size() > 1) {
            finding.variant("several");
        }
        return finding.with("at", begin.size() == 1 ? begin.get(0) : begin)
                .with("to", wires.get(0).lost().to())
                .with("count", wires.size())
                .fix(new Fix(
                        "said-twice",
                        Fact.of("fix.said_twice").with("count", wires.size()),
                        Fact.of("fix.said_twice.cost"),
                        begin.stream().<Edit>map(pin -> new RemoveWire(id, pin)).toList()))
                .build();
    }
}
