package inkel.core.parts.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.parts.SupplyReport;
import inkel.core.parts.SupplyReport.Feed;
import inkel.core.parts.SupplyReport.Fit;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.RailNames;
import java.util.List;

/** Reports a supply pin whose rail can rise above the most the part works at; to stop for where it is damaged. */
public final class SupplyTooHighRule implements Rule<SupplyReport> {
    private static final RuleInfo INFO = new RuleInfo("parts.supply_too_high", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(SupplyReport report) {
        return report.standing(Fit.TOO_HIGH).stream()
                .map(SupplyTooHighRule::describe)
                .toList();
    }

    private static Finding describe(Feed feed) {
        Voltage arrives = feed.volts().orElseThrow().highest();
        Voltage most = feed.supply().range().range().highest();
        boolean damages = arrives.isAbove(feed.supply().absoluteMax());
        Finding.Builder finding =
                Finding.of(INFO, feed.node().place(feed.placed())).variant(damages ? "damages" : "outside");
        if (!damages) {
            finding.onlyToLookAt();
        }
        return finding.with("part", feed.placed().part().name())
                .with("pin", feed.supply().pin())
                .with(
                        "rail",
                        RailNames.of(feed.node(), feed.rail().orElseThrow().id()))
                .number("rail_highest", arrives, feed.source())
                .number("works_up_to", most, feed.supply().range().source())
                .number(
                        "damaged_above",
                        feed.supply().absoluteMax(),
                        feed.supply().range().source())
                .number("too_much_by", arrives.minus(most), Source.COMPUTED)
                .fixes(() -> feed.waysOut())
                .build();
    }
}
