package inkel.core.levels.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.Verdict;
import inkel.core.levels.LevelReport;
import java.util.List;
import java.util.stream.Stream;

/** Reports a wire that is read, but with little to spare. */
public final class ThinRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.thin", Severity.LOOK, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return Stream.concat(
                        LinkFinding.all(INFO, levels, Verdict.THIN).stream(),
                        BoardLinkFinding.all(INFO, levels, Verdict.THIN).stream())
                .toList();
    }
}
