package inkel.core.boards;

import inkel.core.document.Endpoint;
import inkel.core.quantity.Fact;
import java.util.Optional;

/**
 * One line of a wiring that was found somewhere, and what was understood of it.
 *
 * @param number its place in the text, from 1
 * @param text as it was written
 * @param kind what it is
 * @param signal the pin of a part of this table that it speaks of
 * @param pin the label of the pin, on the board that the wiring was made for
 * @param why what was not understood, or why nothing is to be done; empty for a wire and a feed
 */
public record FoundLine(
        int number, String text, Kind kind, Optional<Endpoint> signal, Optional<String> pin, Optional<Fact> why) {
    /** What a line is. */
    public enum Kind {
        /** A signal and its pin. */
        WIRE,
        /** A supply pin and the board's rail. */
        FEED,
        /** A ground, which is wired anyway. */
        GROUND,
        /** Nothing that a wiring says: empty, a comment, a heading. */
        NOTHING,
        /** Something that was not understood. */
        UNCLEAR
    }
}
