package inkel.core.levels.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.LevelReport;
import inkel.core.remedy.PinNames;
import java.util.List;

/** Reports a wire that cannot be judged, because a part on it gives no levels. Missing data is not a pass. */
public final class FigureUnknownRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("parts.figure_unknown", Severity.LOOK, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return levels.unknown().stream().map(FigureUnknownRule::describe).toList();
    }

    private static Finding describe(LevelReport.Unknown unknown) {
        return Finding.of(INFO, unknown.signal())
                .with("signal", PinNames.of(unknown.node(), unknown.signal().endpoint()))
                .with("missing", PinNames.of(unknown.node(), unknown.missing().endpoint()))
                .build();
    }
}
