package inkel.core.lines.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.lines.LineReport;
import inkel.core.lines.Stretch;
import java.util.List;

/** Reports two transceivers with one wire between them: what they say is the difference of two. */
public final class LineHalfRule implements Rule<LineReport> {
    private static final RuleInfo INFO = new RuleInfo("pair.half", Severity.STOP, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LineReport report) {
        return report.lines().stream()
                .flatMap(line -> line.stretches().stream())
                .filter(stretch -> stretch.isHalf() && !stretch.isCrossed())
                .map(LineHalfRule::describe)
                .toList();
    }

    private static Finding describe(Stretch stretch) {
        return Finding.of(INFO, stretch.other().place())
                .with("one", stretch.one().placed().part().name())
                .with("other", stretch.other().placed().part().name())
                .with("node", stretch.one().node().node().name())
                .fix(StraightFix.of(stretch, "other-wire"))
                .build();
    }
}
