package inkel.core.levels.rules;

import inkel.core.document.Endpoint;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.InLineSpeed;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import java.util.List;

/** Reports a wire that is clocked, or carries pulses, faster than what stands in it lets it rise. */
public final class InLineSlowRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.in_line_slow", Severity.LOOK, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return levels.inLine().stream()
                .filter(InLineSpeed::isSlow)
                .map(InLineSlowRule::describe)
                .toList();
    }

    private static Finding describe(InLineSpeed speed) {
        Endpoint signal = speed.between().signal();
        Finding.Builder finding =
                Finding.of(INFO, speed.node().place(signal)).with("signal", PinNames.of(speed.node(), signal));
        speed.through().ifPresent(ohms -> finding.number("in_line", ohms, Source.YOURS)
                .number(
                        "bus_weight",
                        speed.onto(),
                        speed.between().capacitor().isPresent() ? Source.YOURS : Source.RULE));
        return finding.number("rise", speed.rise(), speed.through().isPresent() ? Source.COMPUTED : Source.CLASS)
                .number("rise_allowed", speed.allowed(), Source.COMPUTED)
                .fix(TakeOutFix.of(speed.node(), signal))
                .build();
    }
}
