package inkel.core.document.edit;

import inkel.core.document.Between;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.SeatChoice;
import inkel.core.document.Wire;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Parts put on a node's table and taken off it, with all that hangs on them. */
final class Parts {
    private Parts() {}

    static Node added(Node node, Part part) throws EditRefused {
        if (node.part(part.id()).isPresent()) {
            throw new EditRefused(Fact.of("refused.part_exists").with("part", part.id()));
        }
        List<Part> parts = new ArrayList<>(node.parts());
        parts.add(part);
        return node.withParts(parts);
    }

    static Node removed(Node node, String partId) throws EditRefused {
        Require.part(node, partId);
        if (partId.equals(Part.BOARD)) {
            throw new EditRefused(Fact.of("refused.board_stays"));
        }
        List<Part> parts = node.parts().stream()
                .filter(part -> !part.id().equals(partId))
                .map(part -> withoutFeedsFrom(part, partId))
                .toList();
        List<Wire> wires = node.wires().stream()
                .filter(wire -> !wire.from().part().equals(partId))
                .filter(wire -> !wire.to().part().equals(partId))
                .toList();
        List<Between> between = node.between().stream()
                .filter(entry -> !entry.signal().part().equals(partId))
                .filter(entry -> !(entry instanceof Between.ShifterWay way
                        && way.shifter().equals(partId)))
                .toList();
        List<Moment> moments = node.moments().stream()
                .map(moment -> moment.withRaises(moment.raises().stream()
                        .filter(raise -> !raise.part().equals(partId))
                        .toList()))
                .filter(moment -> !moment.raises().isEmpty())
                .toList();
        Map<String, SeatChoice> seats = new LinkedHashMap<>(node.seats());
        seats.keySet().removeIf(id -> id.equals(partId) || id.contains(" " + partId + "."));
        return node.withParts(parts)
                .withWires(wires)
                .withBetween(between)
                .withMoments(moments)
                .withSeats(seats);
    }

    private static Part withoutFeedsFrom(Part part, String source) {
        Map<String, Endpoint> kept = new LinkedHashMap<>(part.feeds());
        kept.values().removeIf(rail -> rail.part().equals(source));
        return part.withFeeds(kept);
    }
}
