package inkel.core.document;

import java.util.Optional;

/**
 * Where something is in the document, as a stable text: {@code lower-lock}, {@code lower-lock/radio},
 * {@code lower-lock/radio.MOSI}.
 *
 * @param part empty for the node itself
 * @param pin empty for the whole part
 */
public record Place(String node, String part, String pin) {
    /** No place in particular; its text is empty. */
    public static final Place NOWHERE = new Place("", "", "");

    /** Reads {@code lower-lock}, {@code lower-lock/radio} or {@code lower-lock/radio.MOSI}; empty for anything else. */
    public static Optional<Place> parse(String text) {
        int slash = text.indexOf('/');
        if (slash < 0) {
            return isId(text) ? Optional.of(ofNode(text)) : Optional.empty();
        }
        String node = text.substring(0, slash);
        String part = text.substring(slash + 1);
        if (part.indexOf('.') >= 0) {
            return isId(node) ? parsePin(text) : Optional.empty();
        }
        return isId(node) && isId(part) ? Optional.of(ofPart(node, part)) : Optional.empty();
    }

    /** Ids are of small letters, digits and dashes. */
    private static boolean isId(String text) {
        return !text.isEmpty() && text.chars().allMatch(c -> c >= 'a' && c <= 'z' || c >= '0' && c <= '9' || c == '-');
    }

    /** Reads {@code lower-lock/radio.MOSI}; empty for anything that names no pin. */
    public static Optional<Place> parsePin(String text) {
        int slash = text.indexOf('/');
        return slash <= 0
                ? Optional.empty()
                : Endpoint.parse(text.substring(slash + 1)).map(pin -> of(text.substring(0, slash), pin));
    }

    public static Place ofNode(String node) {
        return new Place(node, "", "");
    }

    public static Place ofPart(String node, String part) {
        return new Place(node, part, "");
    }

    public static Place of(String node, Endpoint endpoint) {
        return new Place(node, endpoint.part(), endpoint.pin());
    }

    public boolean isPin() {
        return !pin.isEmpty();
    }

    public boolean isPart() {
        return !part.isEmpty() && pin.isEmpty();
    }

    public Endpoint endpoint() {
        return new Endpoint(part, pin);
    }

    /** Whether the other place is this one or lies in it. */
    public boolean contains(Place other) {
        return node.equals(other.node)
                && (part.isEmpty() || part.equals(other.part))
                && (pin.isEmpty() || pin.equals(other.pin));
    }

    // Written out for the same reason as in Endpoint.
    @Override
    public boolean equals(Object other) {
        return other instanceof Place that && node.equals(that.node) && part.equals(that.part) && pin.equals(that.pin);
    }

    @Override
    public int hashCode() {
        return (31 * node.hashCode() + part.hashCode()) * 31 + pin.hashCode();
    }

    @Override
    public String toString() {
        return node + (part.isEmpty() ? "" : "/" + part) + (pin.isEmpty() ? "" : "." + pin);
    }
}
