package inkel.core.levels.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Verdict;
import java.util.List;

/** Reports a wire that is read, but with little to spare. */
public final class ThinRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo(
            "levels.thin", Severity.LOOK, Stage.LEVELS, "5 % of the receiver's supply as margin; recommended limits");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return LinkFinding.all(INFO, levels, Verdict.THIN);
    }
}
