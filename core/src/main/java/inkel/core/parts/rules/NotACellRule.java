package inkel.core.parts.rules;

import inkel.core.circuit.Rail;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.parts.SupplyReport;
import inkel.core.parts.SupplyReport.Feed;
import inkel.core.remedy.RailNames;
import java.util.List;

/** Reports a pin that charges a cell and is fed by something else; to look at while nothing comes in to charge with. */
public final class NotACellRule implements Rule<SupplyReport> {
    private static final RuleInfo INFO = new RuleInfo("parts.not_a_cell", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(SupplyReport report) {
        return report.feeds().stream()
                .filter(feed -> feed.supply().isForCell())
                .filter(feed -> feed.rail()
                        .filter(rail -> !feed.node().isOfCell(rail.id()))
                        .isPresent())
                .map(NotACellRule::describe)
                .toList();
    }

    private static Finding describe(Feed feed) {
        Rail rail = feed.rail().orElseThrow();
        boolean isCharged = feed.placed().part().feeds().keySet().stream()
                .anyMatch(pin -> !pin.equals(feed.supply().pin()));
        Finding.Builder finding = Finding.of(INFO, feed.node().place(feed.placed()));
        if (!isCharged) {
            finding.onlyToLookAt();
        }
        return finding.with("part", feed.placed().part().name())
                .with("pin", feed.supply().pin())
                .with("rail", RailNames.of(feed.node(), rail.id()))
                .fixes(() -> feed.waysOut())
                .build();
    }
}
