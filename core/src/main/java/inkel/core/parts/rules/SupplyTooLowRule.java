package inkel.core.parts.rules;

import inkel.core.circuit.Rail;
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
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.MoreCells;
import inkel.core.remedy.OtherSource;
import inkel.core.remedy.OtherWayIn;
import inkel.core.remedy.Tried;
import java.util.Comparator;
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
        return Alike.of(report, Fit.TOO_LOW, SupplyTooLowRule::isOnlyAtTheEnd).stream()
                .map(alike -> describe(report, alike))
                .toList();
    }

    private static Finding describe(SupplyReport report, Alike alike) {
        // Of several pins the one that lacks most.
        Feed worst = alike.feeds().stream()
                .max(Comparator.comparing(SupplyTooLowRule::shortBy))
                .orElseThrow();
        Finding.Builder finding = alike.begun(INFO);
        if (isOnlyAtTheEnd(worst)) {
            finding.variant(alike.isOfSeveral() ? "end.several" : "end").onlyToLookAt();
        } else if (alike.isOfSeveral()) {
            finding.variant("several");
        }
        return finding.number("rail_lowest", worst.volts().orElseThrow().lowest(), worst.source())
                .number(
                        "works_from",
                        worst.supply().range().range().lowest(),
                        worst.supply().range().source())
                .number("short_by", shortBy(worst), Source.COMPUTED)
                .fixes(() -> Stream.of(
                                alike.turned().stream(),
                                anotherCell(report, alike).stream(),
                                OtherSource.among(waysOut(report, alike), anotherSource(report, alike)).stream())
                        .flatMap(ways -> ways)
                        .toList())
                .build();
    }

    private static List<Fix> waysOut(SupplyReport report, Alike alike) {
        Feed first = alike.first();
        return alike.isOfSeveral()
                ? alike.waysOut()
                : OtherWayIn.among(
                        alike.waysOut(),
                        report.circuit(),
                        first.node(),
                        first.placed(),
                        first.supply().pin());
    }

    private static Voltage shortBy(Feed feed) {
        return feed.supply()
                .range()
                .range()
                .lowest()
                .minus(feed.volts().orElseThrow().lowest());
    }

    private static boolean isOnlyAtTheEnd(Feed feed) {
        return !feed.volts()
                .orElseThrow()
                .expected()
                .isBelow(feed.supply().range().range().lowest());
    }

    /** Of a battery, where that is enough for all. */
    private static Optional<Fix> anotherCell(SupplyReport report, Alike alike) {
        Feed first = alike.first();
        return MoreCells.of(report.circuit(), first.node(), first.rail().orElseThrow())
                .filter(fix -> alike.feeds().stream().allMatch(feed -> isMended(report, feed, fix)));
    }

    private static List<Fix> anotherSource(SupplyReport report, Alike alike) {
        Feed first = alike.first();
        return OtherSource.of(
                report.circuit(), first.node(), first.rail().orElseThrow(), List.of(), after -> alike.feeds().stream()
                        .allMatch(feed -> after.railOf(
                                        after.part(feed.placed().id()).orElseThrow(),
                                        feed.supply().pin())
                                .flatMap(Rail::volts)
                                .map(volts ->
                                        feed.placed().arriving(feed.supply().pin(), volts))
                                .filter(volts -> FeedFixes.fits(volts, feed.supply()))
                                .isPresent()));
    }

    private static boolean isMended(SupplyReport report, Feed feed, Fix fix) {
        String node = feed.node().node().id();
        return Tried.after(fix, report.circuit()).map(SupplyReport::of).stream()
                .flatMap(after -> after.of(node, feed.placed().id()).stream())
                .anyMatch(after -> after.supply().pin().equals(feed.supply().pin())
                        && after.fit() != Fit.TOO_LOW
                        && after.fit() != Fit.TOO_HIGH);
    }
}
