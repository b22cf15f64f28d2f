package inkel.core.power.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.power.PowerReport.RailBudget;
import java.util.List;

/** Reports a port, supply or battery asked for more than its rating, regulators' own current included. */
public final class SourceOverRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.source_over", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.budgets().stream()
                .filter(budget -> budget.rail().isSource())
                .filter(RailBudget::isPeakOver)
                .map(budget -> OverloadFinding.of(INFO, budget, report))
                .toList();
    }
}
