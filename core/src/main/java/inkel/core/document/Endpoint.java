package inkel.core.document;

import java.util.Optional;

/** A pin of a part of a node, written {@code board.D11}. Part ids have no point in them; labels may. */
public record Endpoint(String part, String pin) {
    /** Empty when there is no point, or nothing on one side of it. */
    public static Optional<Endpoint> parse(String text) {
        int point = text.indexOf('.');
        if (point <= 0 || point == text.length() - 1) {
            return Optional.empty();
        }
        return Optional.of(new Endpoint(text.substring(0, point), text.substring(point + 1)));
    }

    // Written out, since the generated ones are linked at run time and endpoints are compared at every start.
    @Override
    public boolean equals(Object other) {
        return other instanceof Endpoint that && part.equals(that.part) && pin.equals(that.pin);
    }

    @Override
    public int hashCode() {
        return 31 * part.hashCode() + pin.hashCode();
    }

    @Override
    public String toString() {
        return part + "." + pin;
    }
}
