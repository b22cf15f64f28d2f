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

/** Reports a wire whose driver, or the rail it is tied to, can rise above what the receiver survives. */
public final class HarmsRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.harms", Severity.STOP, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return Stream.of(
                        LinkFinding.all(INFO, levels, Verdict.HARMS),
                        BoardLinkFinding.all(INFO, levels, Verdict.HARMS),
                        TieFinding.all(INFO, levels),
                        BiasFinding.all(INFO, levels))
                .flatMap(List::stream)
                .toList();
    }
}
