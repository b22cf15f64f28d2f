package inkel.core.power.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.power.PowerReport.RailBudget;
import java.util.List;

/** Reports a board or regulator rail whose loads, at their worst together, take more than it can give. */
public final class RailPeakRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.rail_peak", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.budgets().stream()
                .filter(budget ->
                        !budget.rail().isSource() && !budget.rail().output().isFuse())
                .filter(RailBudget::isPeakOver)
                .map(budget -> OverloadFinding.of(INFO, budget, report))
                .toList();
    }
}
