package inkel.core.tune.rules;

import inkel.core.catalog.BenchKind;
import inkel.core.document.LogLine;
import inkel.core.document.edit.Tune;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import inkel.core.tune.Estimate;
import inkel.core.tune.servo.ServoDraft;
import inkel.core.tune.servo.ServoKept;
import inkel.core.tune.servo.ServoRig;
import inkel.core.tune.stand.TuneReport;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Reports a servo whose places or map press it against an end that was found: it then takes its stall current for as long as
 * it is held there.
 */
public final class ServoOutOfRangeRule implements Rule<TuneReport> {
    private static final RuleInfo INFO = new RuleInfo("servo.out_of_range", Severity.STOP, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(TuneReport report) {
        return report.stands().stream()
                .filter(stand -> stand.bench() == BenchKind.SERVO)
                .flatMap(stand -> stand.kept().stream()
                        .flatMap(kept -> ServoRig.of(stand.node(), stand.part())
                                .map(rig -> ServoKept.draft(rig, kept.tuning()))
                                .filter(draft -> !draft.beyond().isEmpty())
                                .map(draft -> describe(stand, kept, draft))
                                .stream()))
                .toList();
    }

    private static Finding describe(TuneReport.Stand stand, LogLine.Tuned kept, ServoDraft draft) {
        double furthest = draft.beyond().stream()
                .max(Comparator.comparingDouble(pulse -> over(draft, pulse)))
                .orElseThrow();
        boolean isHigh = furthest > (draft.low() + draft.high()) / 2;
        Optional<Estimate> end = isHigh ? draft.ends().high() : draft.ends().low();
        return Finding.of(INFO, stand.node().place(stand.part()))
                .with("part", stand.part().part().name())
                .with("count", draft.beyond().size())
                .number("pulse", TimeSpan.ofSeconds(furthest), Source.YOURS)
                .number("end", TimeSpan.ofSeconds(end.orElseThrow().value()), Source.MEASURED)
                .fixes(() -> List.of(new Fix(
                        "inside",
                        Fact.of("fix.servo_inside")
                                .with("part", stand.part().part().name()),
                        Fact.of("fix.servo_inside.cost"),
                        List.of(new Tune(
                                stand.node().place(stand.part()),
                                ServoKept.tuning(draft.inside()),
                                kept.by(),
                                Tune.WHEN_APPLIED)))))
                .build();
    }

    private static double over(ServoDraft draft, double pulse) {
        return Math.max(draft.low() - pulse, pulse - draft.high());
    }
}
