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
import inkel.core.document.Part;
import inkel.core.document.edit.Feed;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Brings to the rail of a board's own signals what would be fed from there if it were put on the table now: after another
 * board has come, what talks with it is better run at its voltage than matched to it wire by wire.
 */
public final class OnLogicRail {
    private OnLogicRail() {}

    /** The rails that the signals of a node's board hang on. */
    public static Set<Endpoint> of(NodeCircuit node) {
        return AddParts.logicRails(node);
    }

    /**
     * A build whose pins hang on the logic rail wherever that suits them best and has room.
     *
     * @param isAsked which supply pins may be moved
     */
    public static Build moved(Circuit circuit, String nodeId, Predicate<Endpoint> isAsked) throws EditRefused {
        Circuit now = circuit;
        for (Feed feed : asked(circuit.node(nodeId).orElseThrow().node(), isAsked)) {
            Optional<Feed> better = better(now.node(nodeId).orElseThrow(), feed);
            if (better.isPresent()) {
                now = Circuit.of(better.get().apply(now.build()), now.catalog());
            }
        }
        return now.build();
    }

    private static List<Feed> asked(Node node, Predicate<Endpoint> isAsked) {
        List<Feed> feeds = new ArrayList<>();
        for (Part part : node.parts()) {
            part.feeds().forEach((pin, rail) -> {
                if (!part.isBoard() && isAsked.test(new Endpoint(part.id(), pin))) {
                    feeds.add(new Feed(node.id(), part.id(), pin, rail));
                }
            });
        }
        return feeds;
    }

    private static Optional<Feed> better(NodeCircuit node, Feed now) {
        Set<Endpoint> logic = of(node);
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
