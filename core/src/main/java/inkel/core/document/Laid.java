package inkel.core.document;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * How a table lay when something of it was last plugged or moved by hand. What is kept nowhere stays there as long as it can, so
 * that a printed sheet and a table half wired agree with what is shown.
 *
 * @param seats of all that sat on breadboards, by its id
 * @param rails what the plus rails carried, by breadboard and side ({@code 1 left}): the id of the row
 */
public record Laid(Map<String, SeatChoice> seats, Map<String, String> rails) {
    /** Nothing was plugged yet. */
    public static final Laid NONE = new Laid(Map.of(), Map.of());

    public Laid {
        seats = Collections.unmodifiableMap(new LinkedHashMap<>(seats));
        rails = Collections.unmodifiableMap(new LinkedHashMap<>(rails));
    }

    /** The key of a plus rail. */
    public static String rail(int board, boolean isLeft) {
        return board + (isLeft ? " left" : " right");
    }

    public boolean isNone() {
        return seats.isEmpty() && rails.isEmpty();
    }

    /** With one thing laid nowhere. */
    public Laid without(String id) {
        Map<String, SeatChoice> others = new LinkedHashMap<>(seats);
        others.remove(id);
        return new Laid(others, rails);
    }
}
