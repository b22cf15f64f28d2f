package inkel.core.power.rules;

import inkel.core.circuit.Rail;
import inkel.core.document.edit.SetFigure;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.FuseSize;
import inkel.core.power.PowerReport;
import inkel.core.power.PowerReport.RailBudget;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;

/** Reports a fuse that what flows through it takes away although nothing is wrong. */
public final class FuseRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.fuse_small", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.budgets().stream()
                .filter(budget -> budget.rail().output().isFuse())
                .flatMap(budget -> judge(budget).stream())
                .toList();
    }

    private static Optional<Finding> judge(RailBudget budget) {
        Rail rail = budget.rail();
        boolean isGone = Quantity.exceeds(rail.average(), rail.rating())
                || Quantity.exceeds(rail.peak(), FuseSize.gone(rail.rating()));
        boolean isOld = Quantity.exceeds(rail.peak(), FuseSize.borne(rail.rating()));
        if (!isGone && !isOld) {
            return Optional.empty();
        }
        Finding.Builder finding = Finding.of(INFO, budget.node().place(rail.id()))
                .with("part", name(budget))
                .number("peak", rail.peak(), Source.COMPUTED)
                .number("average", rail.average(), Source.COMPUTED)
                .number("rating", rail.rating(), rail.output().rating().source());
        if (!isGone) {
            finding.variant("look").onlyToLookAt();
        }
        return Optional.of(finding.fix(() -> larger(budget)).build());
    }

    private static Optional<Fix> larger(RailBudget budget) {
        Rail rail = budget.rail();
        return FuseSize.suitable(Quantity.larger(rail.peak(), rail.average()))
                .map(size -> new Fix(
                        "fuse-" + rail.id().part(),
                        Fact.of("fix.fuse").with("part", name(budget)).with("fuse", size),
                        Fact.of("fix.fuse.cost"),
                        List.of(new SetFigure(
                                budget.node().node().id(),
                                rail.id().part(),
                                "rail/" + rail.id().pin() + "/rating",
                                Engineering.print(size)))));
    }

    private static String name(RailBudget budget) {
        return budget.node()
                .part(budget.rail().id().part())
                .orElseThrow()
                .part()
                .name();
    }
}
