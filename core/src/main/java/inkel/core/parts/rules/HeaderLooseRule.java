package inkel.core.parts.rules;

import inkel.core.catalog.Kind;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.Edit;
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

/** Notes the parts of a table whose headers are still to be soldered on: pins pushed into bare holes make no contact to trust. */
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
            List<Placed> loose =
                    node.parts().stream().filter(HeaderLooseRule::isLoose).toList();
            if (!loose.isEmpty()) {
                findings.add(describe(node, loose));
            }
        }
        return findings;
    }

    private static boolean isLoose(Placed placed) {
        return placed.isHeaderLoose() && !placed.isForLater() && placed.cls().kind() != Kind.SOURCE && !placed.isChip();
    }

    private static Finding describe(NodeCircuit node, List<Placed> loose) {
        List<String> names = loose.stream().map(placed -> placed.part().name()).toList();
        Finding.Builder finding =
                Finding.of(INFO, loose.stream().map(node::place).toList());
        if (loose.size() > 1) {
            finding.variant("several");
        }
        return finding.withAll("part", names)
                .with(
                        "pins",
                        loose.stream()
                                .mapToInt(placed -> placed.cls().headerPins())
                                .sum())
                .fix(new Fix(
                        "soldered",
                        loose.size() == 1
                                ? Fact.of("fix.header").with("part", names.get(0))
                                : Fact.of("fix.headers").with("part", names),
                        Fact.of("fix.header.cost"),
                        loose.stream()
                                .<Edit>map(placed ->
                                        new SetSetting(node.node().id(), placed.id(), Settings.HEADER, "soldered"))
                                .toList()))
                .build();
    }
}
