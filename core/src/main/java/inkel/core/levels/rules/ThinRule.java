package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.document.Place;
import inkel.core.document.edit.Leave;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.Verdict;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Fact;
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
                        LinkFinding.all(INFO, levels, Verdict.THIN, ThinRule::choice).stream()
                                .filter(finding -> !isLeft(levels, finding.place())),
                        BoardLinkFinding.all(INFO, levels, Verdict.THIN).stream())
                .toList();
    }

    private static boolean isLeft(LevelReport levels, Place signal) {
        return levels.circuit()
                .node(signal.node())
                .flatMap(node -> node.between(signal.endpoint()))
                .filter(Between.Nothing.class::isInstance)
                .isPresent();
    }

    /** Leaving it is a choice that the plan remembers, with a reading to be taken at the first power-up. */
    private static List<Fix> choice(Place signal) {
        return List.of(new Fix(
                "accept",
                Fact.of("fix.accept").with("signal", signal.pin()),
                Fact.of("fix.accept.cost"),
                List.of(new Leave(signal.node(), signal.endpoint(), "", Leave.WHEN_APPLIED))));
    }
}
