package inkel.core.power.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.power.PowerReport.RailBudget;
import inkel.core.quantity.Source;
import inkel.core.remedy.RailNames;
import java.util.List;

/** Reports a rail that gives more than four fifths of its rating on average. */
public final class RailAverageRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.rail_average", Severity.LOOK, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.budgets().stream()
                .filter(budget -> !budget.rail().output().isFuse())
                // At its peak it has a stop of its own.
                .filter(budget -> budget.isAverageOver() && !budget.isPeakOver())
                .map(budget -> describe(budget, report))
                .toList();
    }

    private static Finding describe(RailBudget budget, PowerReport report) {
        return Finding.of(INFO, budget.node().place(budget.rail().id()))
                .with("rail", RailNames.of(budget.node(), budget.rail().id()))
                .number("average", budget.rail().average(), Source.COMPUTED)
                .number(
                        "rating",
                        budget.rail().rating(),
                        budget.rail().output().rating().source())
                .number("average_limit", budget.averageLimit(), Source.RULE)
                .fixes(() -> LoadFixes.ofAverage(
                        budget.node(),
                        budget.rail(),
                        report,
                        budget.rail().average().minus(budget.averageLimit())))
                .build();
    }
}
