package inkel.core.remedy;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.edit.Feed;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Brings to the rail of a board's own signals what would be fed from there if it were put on the table now: after another
 * board has come, what talks with it is better run at its voltage than matched to it wire by wire.
 */
public final class OnLogicRail {
    private OnLogicRail() {}

    /**
     * A build whose pins hang on the logic rail wherever that suits them best and has room; asked are those that hung on
     * that of the board before.
     *
     * @param changed the same table with another board
     */
    public static Build moved(NodeCircuit before, Circuit changed) throws EditRefused {
        Set<Endpoint> logic = AddParts.logicRails(before);
        String id = before.node().id();
        Circuit now = changed;
        for (Feed feed : feeds(changed.node(id).orElseThrow().node())) {
            boolean isAsked = before.node()
                    .part(feed.part())
                    .map(part -> part.feeds().get(feed.pin()))
                    .filter(logic::contains)
                    .isPresent();
            Optional<Feed> better = isAsked ? better(now.node(id).orElseThrow(), feed) : Optional.empty();
            if (better.isPresent()) {
                now = Circuit.of(better.get().apply(now.build()), now.catalog());
            }
        }
        return now.build();
    }

    private static List<Feed> feeds(Node node) {
        List<Feed> feeds = new ArrayList<>();
        node.parts().stream().filter(part -> !part.isBoard()).forEach(part -> part.feeds()
                .forEach((pin, rail) -> feeds.add(new Feed(node.id(), part.id(), pin, rail))));
        return feeds;
    }

    private static Optional<Feed> better(NodeCircuit node, Feed now) {
        Set<Endpoint> logic = AddParts.logicRails(node);
        PartClass cls = node.part(now.part()).orElseThrow().cls();
        Optional<Supply> supply = cls.supply(now.pin());
        if (logic.contains(now.rail()) || supply.isEmpty()) {
            return Optional.empty();
        }
        return AddParts.rails(node, cls, supply.get(), Optional.of(now.rail()))
                .findFirst()
                .map(Rail::id)
                .filter(logic::contains)
                .map(rail -> new Feed(now.node(), now.part(), now.pin(), rail));
    }
}
