package inkel.core.document;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where a builder keeps a part: off the breadboard, or at a row of one. Written {@code off}, {@code 1 left 12} or
 * {@code 2 across 3 turned}.
 *
 * @param board which breadboard, from 1; 0 for off
 * @param row of its first pin, from 1, as numbers are printed
 * @param isTurned whether its marked end is at the higher rows
 */
public record SeatChoice(int board, Side side, int row, boolean isTurned) {
    public static final SeatChoice OFF = new SeatChoice(0, Side.LEFT, 0, false);

    private static final Pattern FORM =
            Pattern.compile("(?<board>[1-9][0-9]?) (?<side>left|right|across) (?<row>[1-9][0-9]?)(?<turned> turned)?");

    /** Which half of a row: that of the letters a to e, that of f to j, or both with the gap between. */
    public enum Side {
        LEFT,
        RIGHT,
        ACROSS;

        public String text() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public boolean isOff() {
        return board == 0;
    }

    /** Empty for a text that is none. */
    public static Optional<SeatChoice> parse(String text) {
        if (text.equals("off")) {
            return Optional.of(OFF);
        }
        Matcher found = FORM.matcher(text);
        return found.matches()
                ? Optional.of(new SeatChoice(
                        Integer.parseInt(found.group("board")),
                        Side.valueOf(found.group("side").toUpperCase(Locale.ROOT)),
                        Integer.parseInt(found.group("row")),
                        found.group("turned") != null))
                : Optional.empty();
    }

    /** As it is written in a file. */
    public String text() {
        return isOff() ? "off" : board + " " + side.text() + " " + row + (isTurned ? " turned" : "");
    }
}
