package inkel.core.tune.radio.rules;

import inkel.core.document.AirKey;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Share;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.radio.RadioReport;
import java.util.List;
import java.util.Optional;

/** Reports a station that is on the air for more of the time than the builder says that local rules allow. */
public final class DutyRule implements Rule<RadioReport> {
    private static final RuleInfo INFO = new RuleInfo("radio.duty_over", Severity.LOOK, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(RadioReport report) {
        return report.nets().stream()
                .flatMap(net -> net.overDuty().stream().limit(1).map(end -> describe(net, end)))
                .toList();
    }

    private static Finding describe(RadioNet net, End end) {
        double most = end.duty().orElseThrow();
        return Finding.of(INFO, RadioFixes.place(net, end))
                .with("station", end.name())
                .number("share", Share.of(net.onAir(end)), Source.COMPUTED)
                .number("most", Share.of(most), Source.YOURS)
                .number("packet", net.packet(end), Source.COMPUTED)
                .number("every", end.every(), end.source(AirKey.EVERY))
                .fix(() -> Optional.of(new Fix(
                        "seldom",
                        Fact.of("fix.seldom").with("station", end.name()).with("every", seldom(net, end)),
                        Fact.of("fix.seldom.cost"),
                        net.overDuty().stream()
                                .map(one -> RadioFixes.one(net, one, AirKey.EVERY, Engineering.exact(seldom(net, one))))
                                .toList())))
                .build();
    }

    /** So seldom that it is within what is said, in whole seconds. */
    private static TimeSpan seldom(RadioNet net, End end) {
        return TimeSpan.ofSeconds(
                Math.ceil(net.packet(end).seconds() / end.duty().orElseThrow()));
    }
}
