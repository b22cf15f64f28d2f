package inkel.core.parts.rules;

import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.Unfed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.parts.SupplyReport;
import inkel.core.parts.SupplyReport.Feed;
import inkel.core.parts.SupplyReport.Fit;
import inkel.core.quantity.Current;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.remedy.FeedTable;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;

/**
 * Reports a part none of whose supply pins is fed, or one of whose needed supplies is not, with what waits for it; parts of one
 * class that want the same together.
 */
public final class NoSupplyRule implements Rule<SupplyReport> {
    private static final RuleInfo INFO = new RuleInfo("parts.no_supply", Severity.STOP, Stage.PARTS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(SupplyReport report) {
        List<Feed> dead =
                report.feeds().stream().filter(feed -> feed.fit() == Fit.UNFED).toList();
        List<Finding> findings = new ArrayList<>();
        Set<NodeCircuit> nodes = new LinkedHashSet<>();
        dead.forEach(feed -> nodes.add(feed.node()));
        for (NodeCircuit node : nodes) {
            Supplier<Optional<Fix>> all = once(() -> FeedTable.fix(report.circuit(), node));
            Map<Object, List<Unfed>> alike = new LinkedHashMap<>();
            Unfed.of(node).stream()
                    // A feed from a rail that is not there is a finding of its own.
                    .filter(unfed -> !unfed.isNamed(node))
                    .forEach(unfed -> alike.computeIfAbsent(likeness(unfed), like -> new ArrayList<>())
                            .add(unfed));
            alike.values().forEach(some -> findings.add(describe(report, node, some, all)));
        }
        dead.stream()
                .filter(feed -> feed.rail().isPresent() && waitsForNothing(feed) && !isFedOtherwise(feed, report))
                .map(feed -> describe(
                        report,
                        feed.node(),
                        List.of(new Unfed(feed.placed(), List.of(feed.supply()), List.of())),
                        Optional::empty))
                .forEach(findings::add);
        report.feeds().stream()
                .filter(feed -> feed.fit() != Fit.UNFED && isOnItsOwnContact(feed))
                .map(NoSupplyRule::switchesItself)
                .forEach(findings::add);
        return findings;
    }

    /** Whether the way to its source leads through a contact that the part itself moves. */
    private static boolean isOnItsOwnContact(Feed feed) {
        return feed.rail().stream()
                .flatMap(rail -> feed.node().upToSource(rail.id()).stream())
                .filter(above -> above.part().equals(feed.placed().id()))
                .flatMap(above -> feed.node().rail(above).stream())
                .anyMatch(above -> above.output().contact().isPresent()
                        && above.output()
                                .from()
                                .filter(feed.supply().pin()::equals)
                                .isEmpty());
    }

    private static Finding switchesItself(Feed feed) {
        return Finding.of(INFO, feed.node().place(feed.placed()))
                .variant("own_contact")
                .with("part", feed.placed().part().name())
                .with("pin", feed.supply().pin())
                .with(
                        "rail",
                        RailNames.of(feed.node(), feed.rail().orElseThrow().id()))
                .fixes(feed::waysOut)
                .build();
    }

    /** All findings of a table share what feeds it as a whole. */
    private static <T> Supplier<T> once(Supplier<T> made) {
        AtomicReference<T> known = new AtomicReference<>();
        return () -> {
            T there = known.get();
            if (there == null) {
                there = made.get();
                known.set(there);
            }
            return there;
        };
    }

    /** On a rail that is never fed, and nobody is told to feed: in a circle, or from what lies there for later. */
    private static boolean waitsForNothing(Feed feed) {
        Placed placed = feed.placed();
        return !placed.isForLater()
                && !placed.isSecondBoard()
                && !placed.cls().mayStayUnfed(feed.supply())
                && !isOnALead(feed)
                && Unfed.above(feed.node(), feed.rail().orElseThrow().id()).isEmpty();
    }

    /** A lead that brings nothing is a finding of its own. */
    private static boolean isOnALead(Feed feed) {
        return feed.node()
                .part(feed.rail().orElseThrow().id().part())
                .filter(lead -> lead.part().has(Settings.RAIL))
                .isPresent();
    }

    /** A board has several ways in and needs one. */
    private static boolean isFedOtherwise(Feed feed, SupplyReport report) {
        return feed.placed().part().isBoard()
                && report.of(feed.node().node().id(), feed.placed().id()).stream()
                        .anyMatch(other -> other.fit() != Fit.UNFED);
    }

    /** Parts of one class that want the same lack one supply; what others wait for, or a bridge could drive, is told by itself. */
    private static Object likeness(Unfed unfed) {
        Placed placed = unfed.placed();
        boolean isAlone = !unfed.waiting().isEmpty()
                || unfed.ways().size() > 1
                || placed.cls().handling().onBridge().isPresent();
        return isAlone
                ? List.of(placed.id(), unfed.ways().get(0).pin())
                : List.of(
                        placed.cls().id(),
                        unfed.ways().get(0).pin(),
                        unfed.ways().get(0).range().range());
    }

    private static Finding describe(
            SupplyReport report, NodeCircuit node, List<Unfed> alike, Supplier<Optional<Fix>> all) {
        Unfed unfed = alike.get(0);
        boolean hasWays = unfed.ways().size() > 1;
        boolean isWaitedFor = !unfed.waiting().isEmpty();
        Finding.Builder finding = Finding.of(
                        INFO,
                        alike.stream().map(some -> node.place(some.placed())).toList())
                .with("part", unfed.placed().part().name())
                .with(
                        "parts",
                        alike.stream().map(some -> some.placed().part().name()).toList())
                .with("pin", unfed.ways().get(0).pin())
                .with("pins", unfed.ways().stream().map(Supply::pin).toList())
                .with(
                        "waiting",
                        unfed.waiting().stream()
                                .map(placed -> placed.part().name())
                                .toList())
                .fixes(() -> report.waysToFeed(node, alike))
                .fix(() -> all.get().filter(fix -> FeedTable.feeds(fix, unfed)));
        Optional<Rail> used =
                hasWays || isWaitedFor ? Optional.empty() : report.feeding(node).usedUp(unfed);
        variant(unfed, alike.size() > 1, used.isPresent()).ifPresent(finding::variant);
        used.ifPresent(rail -> finding.with("rail", RailNames.of(node, rail.id()))
                .number("rail_gives", Quantity.larger(Current.ZERO, rail.room()), Source.COMPUTED)
                .number(
                        "takes_most",
                        unfed.placed().cls().peak(unfed.ways().get(0).pin()),
                        Source.COMPUTED));
        if (!hasWays) {
            Supply supply = unfed.ways().get(0);
            finding.number(
                            "works_from",
                            supply.range().range().lowest(),
                            supply.range().source())
                    .number(
                            "works_up_to",
                            supply.range().range().highest(),
                            supply.range().source());
        }
        return finding.build();
    }

    private static Optional<String> variant(Unfed unfed, boolean isOneOfSeveral, boolean isUsedUp) {
        boolean isWaitedFor = !unfed.waiting().isEmpty();
        if (unfed.ways().size() > 1) {
            return Optional.of(isWaitedFor ? "ways_and_behind" : "ways");
        }
        if (isWaitedFor) {
            return Optional.of("behind");
        }
        if (isUsedUp) {
            return Optional.of(isOneOfSeveral ? "several_no_room" : "no_room");
        }
        return isOneOfSeveral ? Optional.of("several") : Optional.empty();
    }
}
