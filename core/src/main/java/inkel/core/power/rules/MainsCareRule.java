package inkel.core.power.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import java.util.List;

/** Notes contacts that mains may be behind: that side is for a licensed person and local code. */
public final class MainsCareRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.mains_care", Severity.NOTE, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.circuit().nodes().stream()
                .flatMap(node ->
                        node.parts().stream().filter(Placed::mayCarryMains).map(placed -> describe(node, placed)))
                .toList();
    }

    private static Finding describe(NodeCircuit node, Placed placed) {
        return Finding.of(INFO, node.place(placed))
                .with("part", placed.part().name())
                .fix(new Fix(
                        "low-voltage",
                        Fact.of("fix.low_voltage").with("part", placed.part().name()),
                        Fact.of("fix.low_voltage.cost"),
                        List.of(new SetSetting(node.node().id(), placed.id(), Settings.BEHIND, "low-voltage"))))
                .build();
    }
}
