package inkel.core.parts.rules;

import inkel.core.catalog.Kind;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;

/** Notes a part whose header is still to be soldered on: pins pushed into bare holes make no contact to trust. */
public final class HeaderLooseRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("parts.header_loose", Severity.NOTE, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        List<Finding> findings = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            for (Placed placed : node.parts()) {
                if (placed.isHeaderLoose()
                        && !placed.isForLater()
                        && placed.cls().kind() != Kind.SOURCE
                        && !placed.isChip()) {
                    findings.add(describe(node, placed));
                }
            }
        }
        return findings;
    }

    private static Finding describe(NodeCircuit node, Placed placed) {
        return Finding.of(INFO, node.place(placed))
                .with("part", placed.part().name())
                .with("pins", placed.cls().headerPins())
                .fixes(() -> List.of(new Fix(
                        "soldered",
                        Fact.of("fix.header").with("part", placed.part().name()),
                        Fact.of("fix.header.cost"),
                        List.of(new SetSetting(node.node().id(), placed.id(), Settings.HEADER, "soldered")))))
                .build();
    }
}
