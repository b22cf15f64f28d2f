package inkel.core.remedy;

import inkel.core.catalog.Nearest;
import inkel.core.catalog.Output;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Lost;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Feed;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/** The rail that a feed means which names one that its part does not have. */
public final class NamedRail {
    private NamedRail() {}

    /**
     * The rail of the named part whose label looks most like what was written, or its only one; empty where there is none, or
     * it is known to be usually of other volts than the pin works at.
     */
    public static Optional<Endpoint> of(NodeCircuit node, Lost feed) {
        if (feed.kind() != Lost.Kind.FEED || feed.missing().equals(feed.at())) {
            return Optional.empty();
        }
        return node.part(feed.missing().part())
                .map(NamedRail::rails)
                .flatMap(rails -> Nearest.to(feed.missing().pin(), rails).or(() -> only(rails)))
                .map(label -> new Endpoint(feed.missing().part(), label))
                .filter(rail -> mayFeed(node, feed.at(), rail));
    }

    /** All such feeds of a table as they are meant. */
    static List<Feed> feeds(NodeCircuit node) {
        return node.lost().stream()
                .flatMap(
                        lost -> of(node, lost)
                                .map(rail -> new Feed(
                                        node.node().id(),
                                        lost.at().part(),
                                        lost.at().pin(),
                                        rail))
                                .stream())
                .toList();
    }

    private static List<String> rails(Placed owner) {
        return owner.cls().outputs().stream().map(Output::pin).toList();
    }

    private static Optional<String> only(List<String> labels) {
        return labels.size() == 1 ? Optional.of(labels.get(0)) : Optional.empty();
    }

    private static boolean mayFeed(NodeCircuit node, Endpoint pin, Endpoint rail) {
        Optional<Range<Voltage>> volts = node.rail(rail).flatMap(Rail::volts);
        Optional<Supply> supply =
                node.part(pin.part()).flatMap(taker -> taker.cls().supply(pin.pin()));
        return volts.isEmpty()
                || supply.isEmpty()
                || FeedFixes.fits(Range.exactly(volts.get().expected()), supply.get());
    }
}
