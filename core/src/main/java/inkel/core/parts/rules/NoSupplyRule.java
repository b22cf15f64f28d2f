package inkel.core.parts.rules;

import inkel.core.catalog.Settings;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.parts.SupplyReport;
import inkel.core.parts.SupplyReport.Feed;
import inkel.core.parts.SupplyReport.Fit;
import java.util.List;
import java.util.Optional;

/** Reports a part none of whose supply pins is fed, or one of whose needed supplies is not. */
public final class NoSupplyRule implements Rule<SupplyReport> {
    private static final RuleInfo INFO = new RuleInfo("parts.no_supply", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(SupplyReport report) {
        return report.feeds().stream()
                .filter(feed -> feed.fit() == Fit.UNFED && !isFedOtherwise(feed, report))
                .filter(feed -> !feed.placed().cls().mayStayUnfed(feed.supply()))
                .filter(feed -> !feed.placed().isForLater() && !isOnALead(feed))
                // That it stands there at all is a finding of its own.
                .filter(feed -> !feed.placed().isSecondBoard())
                .map(NoSupplyRule::describe)
                .toList();
    }

    /** A lead that brings nothing is a finding of its own. */
    private static boolean isOnALead(Feed feed) {
        return Optional.ofNullable(
                        feed.placed().part().feeds().get(feed.supply().pin()))
                .flatMap(rail -> feed.node().part(rail.part()))
                .filter(lead -> lead.part().has(Settings.RAIL))
                .isPresent();
    }

    /** A board has several ways in and needs one. */
    private static boolean isFedOtherwise(Feed feed, SupplyReport report) {
        return feed.placed().part().isBoard()
                && report.of(feed.node().node().id(), feed.placed().id()).stream()
                        .anyMatch(other -> other.fit() != Fit.UNFED);
    }

    private static Finding describe(Feed feed) {
        return Finding.of(INFO, feed.node().place(feed.placed()))
                .with("part", feed.placed().part().name())
                .with("pin", feed.supply().pin())
                .number(
                        "works_from",
                        feed.supply().range().range().lowest(),
                        feed.supply().range().source())
                .number(
                        "works_up_to",
                        feed.supply().range().range().highest(),
                        feed.supply().range().source())
                .fixes(() -> feed.waysOut())
                .build();
    }
}
