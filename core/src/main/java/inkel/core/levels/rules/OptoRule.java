package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.LevelReport;
import inkel.core.levels.OptoStage;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports an optocoupler whose lamp is too dim to pull the wire low, or asks more than its driver may give. */
public final class OptoRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.opto", Severity.STOP, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return levels.optos().stream()
                .filter(stage -> stage.isWeak() || stage.isOver() || stage.isNeverOut())
                .map(OptoRule::describe)
                .toList();
    }

    private static Finding describe(OptoStage stage) {
        Finding.Builder finding = Finding.of(
                        INFO, stage.node().place(stage.opto().signal()))
                .with("signal", PinNames.of(stage.node(), stage.opto().signal()))
                .with("driver", PinNames.of(stage.node(), stage.driver()))
                .number("resistance", stage.opto().series(), Source.YOURS);
        if (stage.isDark()) {
            finding.variant(stage.opto().turnsOver() ? "never" : "never_low");
        } else if (stage.isNeverOut()) {
            finding.variant("always");
        } else if (stage.isWeak()) {
            finding.number("pull", stage.opto().pullUp(), Source.YOURS)
                    .number("transfer", OptoStage.TRANSFER, Source.CLASS)
                    .number("lit", stage.lit(), Source.COMPUTED)
                    .number("lit_wanted", stage.wanted(), Source.COMPUTED);
        } else {
            finding.variant("over")
                    .number("current", stage.asked(), Source.COMPUTED)
                    .number("pin_limit", stage.limit().orElseThrow(), Source.CLASS);
        }
        return finding.fixes(() -> Stream.of(
                                stage.isNeverOut() ? Optional.<Fix>empty() : OptoFix.otherResistor(stage),
                                OptoFix.lit(
                                        stage,
                                        stage.opto().turnsOver() ? Between.Opto.Lit.BY_LOW : Between.Opto.Lit.BY_HIGH))
                        .flatMap(Optional::stream)
                        .toList())
                .build();
    }
}
