package inkel.core.parts;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.Unfed;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.finding.Fix;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.FeedUnfed;
import inkel.core.remedy.OnBridge;
import inkel.core.remedy.OtherWayIn;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Every supply pin of every part against the rail that feeds it.
 *
 * @param feeds in document order
 * @param circuit what they are of
 */
public record SupplyReport(List<Feed> feeds, Circuit circuit) {
    public SupplyReport {
        feeds = List.copyOf(feeds);
    }

    /** How a supply pin stands with its rail. */
    public enum Fit {
        FITS,
        /** Inside the range, within 2 % of an end. */
        AT_LIMIT,
        TOO_HIGH,
        TOO_LOW,
        /** No rail, or a rail that is not fed itself. */
        UNFED
    }

    /**
     * A supply pin and its rail.
     *
     * @param rail empty when the pin is not fed
     */
    public record Feed(NodeCircuit node, Placed placed, Supply supply, Optional<Rail> rail, Catalog catalog) {
        /** What arrives at the pin. */
        public Optional<Range<Voltage>> volts() {
            return rail.flatMap(Rail::volts).map(volts -> placed.arriving(supply.pin(), volts));
        }

        /** Where what arrives comes from: the rail's own, unless a diode stands between. */
        public Source source() {
            return placed.hasDiode(supply.pin()) && rail.isPresent()
                    ? Source.COMPUTED
                    : rail.map(Rail::source).orElse(Source.CLASS);
        }

        public Fit fit() {
            Optional<Range<Voltage>> volts = volts();
            return volts.isEmpty() ? Fit.UNFED : fitOf(volts.get());
        }

        /** Other ways to feed this pin, best first. Worked out when asked for. */
        public List<Fix> waysOut() {
            return new FeedFixes(node, catalog).of(placed, supply);
        }

        private Fit fitOf(Range<Voltage> volts) {
            Range<Voltage> bears = supply.range().range();
            if (volts.highest().isAbove(bears.highest())) {
                return Fit.TOO_HIGH;
            }
            if (volts.lowest().isBelow(bears.lowest())) {
                return Fit.TOO_LOW;
            }
            boolean isNearTop = volts.expected().isAbove(bears.highest().times(0.98));
            return isNearTop ? Fit.AT_LIMIT : Fit.FITS;
        }
    }

    public static SupplyReport of(Circuit circuit) {
        List<Feed> feeds = new ArrayList<>();
        for (NodeCircuit node : circuit.nodes()) {
            for (Placed placed : node.parts()) {
                for (Supply supply : placed.cls().supplies()) {
                    feeds.add(new Feed(node, placed, supply, node.railOf(placed, supply.pin()), circuit.catalog()));
                }
            }
        }
        return new SupplyReport(feeds, circuit);
    }

    /** Ways to feed parts of one class that nothing is brought to, best first. Worked out when asked for. */
    public List<Fix> waysToFeed(NodeCircuit node, List<Unfed> alike) {
        Unfed first = alike.get(0);
        Stream<Fix> moved = alike.size() > 1
                ? Stream.empty()
                : first.placed().part().feeds().keySet().stream()
                        .flatMap(pin -> OtherWayIn.moved(circuit, node, first.placed(), pin));
        return Stream.of(
                        OnBridge.of(circuit, node, first.placed()).stream(),
                        moved,
                        feeding(node).of(circuit, alike).stream())
                .flatMap(Function.identity())
                .toList();
    }

    /** What is known of the ways to feed something on a table. */
    public FeedUnfed feeding(NodeCircuit node) {
        return new FeedUnfed(node, circuit.catalog());
    }

    /** What stands so; a pin that only follows another one is told by that. */
    public List<Feed> standing(Fit fit) {
        return feeds.stream()
                .filter(feed -> feed.fit() == fit)
                .filter(feed -> feed.supply()
                        .with()
                        .filter(leader -> isFollowing(feed) && isSo(feed, leader, fit))
                        .isEmpty())
                .toList();
    }

    /** Whether its builder gave it no feed of its own. */
    private static boolean isFollowing(Feed feed) {
        Node node = feed.node().node();
        Part part = feed.placed().part().isBoard()
                ? node.board()
                : node.part(feed.placed().id()).orElseThrow();
        return !part.feeds().containsKey(feed.supply().pin());
    }

    private boolean isSo(Feed feed, String pin, Fit fit) {
        return of(feed.node().node().id(), feed.placed().id()).stream()
                .anyMatch(other -> other.supply().pin().equals(pin) && other.fit() == fit);
    }

    /** The supply pins of one part. */
    public List<Feed> of(String node, String part) {
        return feeds.stream()
                .filter(feed -> feed.node().node().id().equals(node)
                        && feed.placed().id().equals(part))
                .toList();
    }
}
