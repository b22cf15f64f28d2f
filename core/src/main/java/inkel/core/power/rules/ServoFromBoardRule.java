package inkel.core.power.rules;

import inkel.core.catalog.Supply;
import inkel.core.circuit.Placed;
import inkel.core.circuit.ServoFeed;
import inkel.core.document.Part;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.Effort;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.RailNames;
import java.util.List;

/** Reports servos on a board's rail that may take more than half of what the others leave of it. */
public final class ServoFromBoardRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.servo_from_board", Severity.LOOK, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.servos().stream()
                .filter(ServoFeed::isTooMuch)
                .map(feed -> describe(feed, report))
                .toList();
    }

    private static Finding describe(ServoFeed feed, PowerReport report) {
        return Finding.of(INFO, feed.node().place(feed.servos().get(0)))
                .with("rail", RailNames.of(feed.node(), feed.rail().id()))
                .with("servo", feed.servos().get(0).part().name())
                .with("count", feed.servos().size())
                .number("servos_take", feed.taken(), Source.COMPUTED)
                .number("spare", feed.spare(), Source.COMPUTED)
                .number("servo_limit", feed.limit(), Source.RULE)
                .fixes(() -> ways(feed, report))
                .build();
    }

    /** All of them at once from elsewhere, where the first of them can be fed. */
    private static List<Fix> ways(ServoFeed feed, PowerReport report) {
        Placed first = feed.servos().get(0);
        Supply supply = first.cls().supplies().get(0);
        List<Fix> ways = new FeedFixes(feed.node(), report.catalog())
                .of(first, supply, Voltage.ZERO, rail -> !rail.part().equals(Part.BOARD));
        return Effort.leastFirst(
                ways.stream().map(fix -> ServoMoves.ofAll(fix, feed)).toList());
    }
}
