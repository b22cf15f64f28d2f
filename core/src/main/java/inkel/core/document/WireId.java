package inkel.core.document;

import java.util.Optional;

/**
 * How a build names a wire, to remember it as plugged: by both ends as the wire list calls them, and by what it is where
 * several small parts stand side by side between the same ends. Written {@code board.D9@1 > radio.CE@1} and
 * {@code row ground > radio.CE@1 by resistor of radio.CE}.
 *
 * @param from the end nearer to the board or the supply; all of a text that names no wire
 * @param to the other end; empty when the text names no wire
 * @param by what a small part is and whose; empty for a wire
 */
public record WireId(String from, String to, String by) {
    private static final String BETWEEN = " > ";
    private static final String BY = " by ";

    /** A wire, or the one small part between two ends. */
    public WireId(String from, String to) {
        this(from, to, "");
    }

    /** Reads any text; by hand, since patterns are dear and this is asked for at every edit. */
    public static WireId parse(String text) {
        int middle = text.indexOf(BETWEEN);
        if (middle < 0) {
            return new WireId(text, "");
        }
        String rest = text.substring(middle + BETWEEN.length());
        int by = rest.indexOf(BY);
        return new WireId(
                text.substring(0, middle),
                by < 0 ? rest : rest.substring(0, by),
                by < 0 ? "" : rest.substring(by + BY.length()));
    }

    /** Whether it is one of several small parts that may stand between the same ends. */
    public boolean isSmallPart() {
        return !by.isEmpty();
    }

    /** Whether one of its ends is a pin of this name. */
    public boolean isAt(Endpoint pin) {
        return isOn(from, pin) || isOn(to, pin);
    }

    /** Whether an end is a pin of this name; a part may have several of one name. */
    public static boolean isOn(String end, Endpoint pin) {
        return end.startsWith(pin + "@");
    }

    /** The pin that an end is, when it is one. */
    public static Optional<Endpoint> pin(String end) {
        int number = end.lastIndexOf('@');
        return number < 0 ? Optional.empty() : Endpoint.parse(end.substring(0, number));
    }

    @Override
    public String toString() {
        return to.isEmpty() ? from : from + BETWEEN + to + (by.isEmpty() ? "" : BY + by);
    }
}
