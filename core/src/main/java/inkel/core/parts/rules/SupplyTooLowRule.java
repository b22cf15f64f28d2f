package inkel.core.parts.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.parts.SupplyReport;
import inkel.core.parts.SupplyReport.Feed;
import inkel.core.parts.SupplyReport.Fit;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.MoreCells;
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Tried;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports a supply pin whose rail can fall below the least the part works at; to stop for where it usually is below. */
public final class SupplyTooLowRule implements Rule<SupplyReport> {
    private static final RuleInfo INFO = new RuleInfo("parts.supply_too_low", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(SupplyReport report) {
        return report.standing(Fit.TOO_LOW).stream()
                .map(feed -> describe(report, feed))
                .toList();
    }

    private static Finding describe(SupplyReport report, Feed feed) {
        Voltage arrives = feed.volts().orElseThrow().lowest();
        Voltage least = feed.supply().range().range().lowest();
        boolean isOnlyAtTheEnd = !feed.volts().orElseThrow().expected().isBelow(least);
        Finding.Builder finding = Finding.of(INFO, feed.node().place(feed.placed()));
        if (isOnlyAtTheEnd) {
            finding.variant("end").onlyToLookAt();
        }
        return finding.with("part", feed.placed().part().name())
                .with("pin", feed.supply().pin())
                .with(
                        "rail",
                        RailNames.of(feed.node(), feed.rail().orElseThrow().id()))
                .number("rail_lowest", arrives, feed.source())
                .number("works_from", least, feed.supply().range().source())
                .number("short_by", least.minus(arrives), Source.COMPUTED)
                .fixes(() -> Stream.concat(anotherCell(report, feed).stream(), feed.waysOut().stream())
                        .toList())
                .build();
    }

    /** Of a battery, where that is enough. */
    private static Optional<Fix> anotherCell(SupplyReport report, Feed feed) {
        String node = feed.node().node().id();
        return MoreCells.of(report.circuit(), feed.node(), feed.rail().orElseThrow())
                .filter(fix -> Tried.after(fix, report.circuit()).map(SupplyReport::of).stream()
                        .flatMap(after -> after.of(node, feed.placed().id()).stream())
                        .anyMatch(after ->
                                after.supply().pin().equals(feed.supply().pin())
                                        && after.fit() != Fit.TOO_LOW
                                        && after.fit() != Fit.TOO_HIGH));
    }
}
