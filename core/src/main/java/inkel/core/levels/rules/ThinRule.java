package inkel.core.levels.rules;

import inkel.core.build.Edit;
import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Verdict;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports a wire that is read, but with little to spare. */
public final class ThinRule implements Rule<LevelReport> {
    private static final String ACCEPTED = "accepted";

    private static final RuleInfo INFO = new RuleInfo(
            "levels.thin", Severity.LOOK, Stage.LEVELS, "5 % of the receiver's supply as margin; recommended limits");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return LinkFinding.all(INFO, levels, Verdict.THIN).stream()
                .filter(finding -> !isAccepted(levels, finding))
                .map(finding -> withChoice(levels, finding))
                .toList();
    }

    private static Optional<Placed> owner(LevelReport levels, Finding finding) {
        return levels.circuit()
                .node(finding.place().node())
                .flatMap(node -> node.part(finding.place().part()));
    }

    private static boolean isAccepted(LevelReport levels, Finding finding) {
        return owner(levels, finding)
                .flatMap(placed -> placed.part().setting(ACCEPTED))
                .filter(pins ->
                        List.of(pins.split(" ")).contains(finding.place().pin()))
                .isPresent();
    }

    /** Leaving it is a choice that the plan remembers, with a reading to be taken at the first power-up. */
    private static Finding withChoice(LevelReport levels, Finding finding) {
        Placed placed = owner(levels, finding).orElseThrow();
        String pin = finding.place().pin();
        String pins =
                placed.part().setting(ACCEPTED).map(known -> known + " " + pin).orElse(pin);
        List<Fix> fixes = new ArrayList<>(finding.fixes());
        fixes.add(new Fix(
                "accept",
                Fact.of("fix.accept").with("signal", pin),
                Fact.of("fix.accept.cost"),
                List.of(new Edit.SetSetting(finding.place().node(), placed.id(), ACCEPTED, pins))));
        return new Finding(finding.rule(), finding.place(), finding.sentence(), finding.evidence(), fixes);
    }
}
