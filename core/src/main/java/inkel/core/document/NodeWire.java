package inkel.core.document;

/**
 * A signal wire between two boards of a build.
 *
 * @param from a pin of the one board
 * @param to a pin of the other
 * @param groundJoined whether a ground wire runs beside it
 */
public record NodeWire(Place from, Place to, boolean groundJoined, Extras extras) {
    public NodeWire withGroundJoined() {
        return new NodeWire(from, to, true, extras);
    }

    public boolean touches(String node) {
        return from.node().equals(node) || to.node().equals(node);
    }

    /** Whether it runs between the same two boards, in either direction. */
    public boolean isBesides(NodeWire other) {
        return other.touches(from.node()) && other.touches(to.node());
    }
}
