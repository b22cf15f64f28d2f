package inkel.core.lines.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.lines.LineReport;
import inkel.core.lines.LongLine;
import java.util.List;

/** Reports a long line that does not go from one to the next: a wave is thrown back where it branches, or runs round. */
public final class LineBranchRule implements Rule<LineReport> {
    private static final RuleInfo INFO = new RuleInfo("pair.branch", Severity.NOTE, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LineReport report) {
        return report.lines().stream()
                .filter(line -> !line.isChain())
                .map(line -> describe(report, line))
                .toList();
    }

    private static Finding describe(LineReport report, LongLine line) {
        return Finding.of(INFO, line.stations().get(0).place())
                .with("count", line.stations().size())
                .with("ends", line.ends().size())
                .fix(() -> ChainFix.of(report, line))
                .build();
    }
}
