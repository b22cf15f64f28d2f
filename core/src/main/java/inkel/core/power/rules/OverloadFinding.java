package inkel.core.power.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.RuleInfo;
import inkel.core.power.PowerReport;
import inkel.core.power.PowerReport.RailBudget;
import inkel.core.quantity.Current;
import inkel.core.quantity.Source;
import inkel.core.remedy.RailNames;

/** What is said of a rail or a source whose loads take more than it can give. */
final class OverloadFinding {
    private OverloadFinding() {}

    static Finding of(RuleInfo info, RailBudget budget, PowerReport report) {
        Current tooMuch = budget.rail().peak().minus(budget.rail().rating());
        Finding.Builder finding =
                Finding.of(info, budget.node().place(budget.rail().id()));
        boolean isInLine = budget.node()
                .part(budget.rail().id().part())
                .filter(placed -> placed.cls().standsInLine())
                .isPresent();
        if (isInLine) {
            finding.variant("in_line");
        }
        return finding.with("rail", RailNames.of(budget.node(), budget.rail().id()))
                .number("peak", budget.rail().peak(), Source.COMPUTED)
                .number(
                        "rating",
                        budget.rail().rating(),
                        budget.rail().output().rating().source())
                .number("short_by", tooMuch, Source.COMPUTED)
                .fixes(() -> LoadFixes.ofPeak(budget.node(), budget.rail(), report, tooMuch))
                .build();
    }
}
