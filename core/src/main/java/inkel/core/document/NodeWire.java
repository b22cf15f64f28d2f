package inkel.core.document;

import java.util.Optional;

/**
 * A signal wire between two boards of a build, or a wire of the long line between two transceivers.
 *
 * @param from a pin of the board that talks; of a long line the end that is nearer to the first table
 * @param to a pin of the board that listens; of a long line the other end
 * @param groundJoined whether a ground wire runs beside it
 * @param between what stands in it, on the table of the board that talks; its signal is {@code from}. A shifter is told
 *     with its node, {@code lower-lock/shifter}, and may stand on either table
 * @param carries what it is meant to carry, where that was said
 */
public record NodeWire(
        Place from, Place to, boolean groundJoined, Optional<Between> between, Carries carries, Extras extras) {
    public NodeWire {
        Endpoint signal = from.endpoint();
        between = between.map(piece -> piece.at(signal));
    }

    public NodeWire(Place from, Place to, boolean groundJoined, Extras extras) {
        this(from, to, groundJoined, Optional.empty(), Carries.UNSAID, extras);
    }

    public NodeWire withGroundJoined() {
        return new NodeWire(from, to, true, between, carries, extras);
    }

    /** The same wire, with what stands in it, on other pins. */
    public NodeWire withEnds(Place newFrom, Place newTo) {
        return new NodeWire(newFrom, newTo, groundJoined, between, carries, extras);
    }

    public NodeWire withBetween(Optional<Between> piece) {
        return new NodeWire(from, to, groundJoined, piece, carries, extras);
    }

    public NodeWire withCarries(Carries said) {
        return new NodeWire(from, to, groundJoined, between, said, extras);
    }

    /** Whether it is one of the two wires of a long line, and ends at parts and not at boards. */
    public boolean isLine() {
        return !from.part().equals(Part.BOARD);
    }

    /** What tells it from others through all changes: where it arrives, where only one wire does. */
    public String key() {
        return isLine() ? from + " " + to : to.toString();
    }

    /** Whether it ends at a part. */
    public boolean isAt(Place part) {
        return part.contains(from) || part.contains(to);
    }

    /** Whether it hands the signal on without a common ground. */
    public boolean isByLight() {
        return between.filter(Between.Opto.class::isInstance).isPresent();
    }

    /** The shifter or buffer that it goes through, on either of the two tables. */
    public Optional<Place> converter() {
        return between.filter(Between.ShifterWay.class::isInstance)
                .flatMap(piece -> Place.parse(((Between.ShifterWay) piece).shifter()));
    }

    public boolean touches(String node) {
        return from.node().equals(node) || to.node().equals(node);
    }

    /** Whether it leads from a board to itself, which no wire between boards does. */
    public boolean isWithinOneBoard() {
        return from.node().equals(to.node());
    }

    /** Whether it runs between the same two boards, in either direction. */
    public boolean isBesides(NodeWire other) {
        return other.touches(from.node()) && other.touches(to.node());
    }
}
