package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.LevelReport;
import inkel.core.levels.OptoStage;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.Optional;

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
                .filter(stage -> stage.isWeak() || stage.isOver())
                .map(OptoRule::describe)
                .toList();
    }

    private static Finding describe(OptoStage stage) {
        Finding.Builder finding = Finding.of(
                        INFO, stage.node().place(stage.opto().signal()))
                .with("signal", PinNames.of(stage.node(), stage.opto().signal()))
                .with("driver", PinNames.of(stage.node(), stage.driver()))
                .number("resistance", stage.opto().series(), Source.YOURS);
        if (stage.isWeak()) {
            finding.number("pull", stage.opto().pullUp(), Source.YOURS)
                    .number("transfer", OptoStage.TRANSFER, Source.CLASS)
                    .number("lit", stage.lit(), Source.COMPUTED)
                    .number("lit_wanted", stage.wanted(), Source.COMPUTED);
        } else {
            finding.variant("over")
                    .number("current", stage.asked(), Source.COMPUTED)
                    .number("pin_limit", stage.limit().orElseThrow(), Source.CLASS);
        }
        return finding.fix(() -> other(stage)).build();
    }

    private static Optional<Fix> other(OptoStage stage) {
        Endpoint signal = stage.opto().signal();
        return stage.suitable()
                .map(ohms -> new Fix(
                        "opto-" + signal,
                        Fact.of("fix.opto").with("value", ohms).with("signal", signal.pin()),
                        Fact.of("fix.opto.cost").with("current", stage.wanted()),
                        List.of(put(
                                stage,
                                new Between.Opto(signal, ohms, stage.opto().pullUp(), Extras.NONE)))));
    }

    private static Edit put(OptoStage stage, Between opto) {
        return stage.link()
                .<Edit>map(link -> new ChangeNodeWire(link, link.withBetween(Optional.of(opto))))
                .orElseGet(() -> new Insert(stage.node().node().id(), opto));
    }
}
