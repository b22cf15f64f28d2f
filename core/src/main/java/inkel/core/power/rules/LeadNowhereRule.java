package inkel.core.power.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.remedy.RailLeads;
import java.util.List;

/** Reports a lead that something hangs on and that brings no rail: there is none, or it goes round in a circle. */
public final class LeadNowhereRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.lead_nowhere", Severity.STOP, Stage.POWER);
    private static final int MOST = 4;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.circuit().nodes().stream()
                .flatMap(node -> node.rails().stream()
                        .filter(rail -> isLead(node, rail) && rail.volts().isEmpty())
                        .filter(rail -> !rail.loads().isEmpty())
                        .map(rail -> describe(
                                report, node, node.part(rail.id().part()).orElseThrow())))
                .toList();
    }

    private static boolean isLead(NodeCircuit node, Rail rail) {
        return node.part(rail.id().part())
                .filter(placed -> Settings.RAIL.suits().test(placed.cls()))
                .isPresent();
    }

    private static Finding describe(PowerReport report, NodeCircuit node, Placed lead) {
        Finding.Builder finding =
                Finding.of(INFO, node.place(lead)).with("part", lead.part().name());
        lead.part()
                .typed(Settings.RAIL)
                .ifPresentOrElse(rail -> finding.with("rail", rail), () -> finding.variant("unsaid"));
        return finding.fixes(() -> RailLeads.instead(report.circuit(), node, lead.id()).stream()
                        .limit(MOST)
                        .toList())
                .build();
    }
}
