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
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** Reports a supply pin whose rail can rise above the most the part works at; to stop for where it is damaged. */
public final class SupplyTooHighRule implements Rule<SupplyReport> {
    private static final RuleInfo INFO = new RuleInfo("parts.supply_too_high", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(SupplyReport report) {
        return Alike.of(report, Fit.TOO_HIGH, SupplyTooHighRule::damages).stream()
                .map(SupplyTooHighRule::describe)
                .toList();
    }

    private static Finding describe(Alike alike) {
        // Of several pins the one that has most too much.
        Feed worst = alike.feeds().stream()
                .max(Comparator.comparing(SupplyTooHighRule::tooMuchBy))
                .orElseThrow();
        boolean damages = damages(worst);
        Finding.Builder finding =
                alike.begun(INFO).variant((damages ? "damages" : "outside") + (alike.isOfSeveral() ? ".several" : ""));
        if (!damages) {
            finding.onlyToLookAt();
        }
        return finding.number("rail_highest", worst.volts().orElseThrow().highest(), worst.source())
                .number(
                        "works_up_to",
                        worst.supply().range().range().highest(),
                        worst.supply().range().source())
                .number(
                        "damaged_above",
                        worst.supply().absoluteMax(),
                        worst.supply().range().source())
                .number("too_much_by", tooMuchBy(worst), Source.COMPUTED)
                .fixes(() -> Stream.concat(alike.turned().stream(), alike.waysOut().stream())
                        .toList())
                .build();
    }

    private static Voltage tooMuchBy(Feed feed) {
        return feed.volts()
                .orElseThrow()
                .highest()
                .minus(feed.supply().range().range().highest());
    }

    private static boolean damages(Feed feed) {
        return feed.volts().orElseThrow().highest().isAbove(feed.supply().absoluteMax());
    }
}
