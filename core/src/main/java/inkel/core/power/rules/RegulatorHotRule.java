package inkel.core.power.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.power.RegulatorReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Source;
import inkel.core.remedy.RailNames;
import java.util.List;

/** Reports a regulator whose junction gets hotter than it bears: it switches itself off, or dies. */
public final class RegulatorHotRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.regulator_hot", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.regulators().stream()
                .filter(RegulatorReport::isTooHot)
                .map(regulator -> describe(regulator, report))
                .toList();
    }

    private static Finding describe(RegulatorReport regulator, PowerReport report) {
        return Finding.of(INFO, regulator.node().place(regulator.rail().id()))
                .with("rail", RailNames.of(regulator.node(), regulator.rail().id()))
                .number("input_highest", regulator.in().highest(), Source.COMPUTED)
                .number("average", regulator.carried(), Source.COMPUTED)
                .number("loss", regulator.loss(), Source.COMPUTED)
                .number("ambient", regulator.ambient(), regulator.ambientSource())
                .number("junction", regulator.junction().orElseThrow(), Source.COMPUTED)
                .number("junction_max", regulator.regulator().junctionMax().orElseThrow(), Source.CLASS)
                .fixes(() -> lessLoad(regulator, report))
                .build();
    }

    private static List<Fix> lessLoad(RegulatorReport regulator, PowerReport report) {
        Current most = regulator.mostForHeat().orElse(Current.ZERO);
        return LoadFixes.ofAverage(
                regulator.node(), regulator.rail(), report, regulator.carried().minus(most));
    }
}
