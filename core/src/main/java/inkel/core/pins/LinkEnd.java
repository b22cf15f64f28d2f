package inkel.core.pins;

import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import java.util.List;
import java.util.stream.Stream;

/**
 * One end of a wire between two boards, seen from the board it is on.
 *
 * @param isSending whether the board talks on it
 */
public record LinkEnd(NodeWire link, boolean isSending) {
    /** The ends on one node's board, in document order. */
    static List<LinkEnd> of(List<NodeWire> links, String node) {
        return links.stream()
                .filter(link -> link.touches(node) && !link.isLine())
                .flatMap(link -> Stream.of(new LinkEnd(link, true), new LinkEnd(link, false))
                        .filter(end -> end.here().node().equals(node)))
                .toList();
    }

    public Place here() {
        return isSending ? link.from() : link.to();
    }

    public Place there() {
        return isSending ? link.to() : link.from();
    }

    /** The board pin it is on. */
    public Endpoint pin() {
        return here().endpoint();
    }

    /** The wire with this end on another pin. */
    NodeWire movedTo(Endpoint pin) {
        Place place = Place.of(here().node(), pin);
        return isSending ? link.withEnds(place, link.to()) : link.withEnds(link.from(), place);
    }
}
