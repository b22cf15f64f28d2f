package inkel.app.ui.kit;

import java.util.regex.Pattern;

/** Keeps a number and its unit on one line where a text is wrapped. */
final class Unbroken {
    private static final char HARD_SPACE = '\u00A0';

    // A number, and what a unit can be: a prefix with a symbol, or one of those that take none.
    private static final Pattern AMOUNT = Pattern.compile(
            "(?<=\\d) (?=(?:[pnµmkM]?(?:V|A|Ω|F|Hz|s|W|m|Ah|B)|°C|%|h|min|baud|dBm|lx)(?![\\p{L}\\d]))");

    private Unbroken() {}

    static String of(String text) {
        return text.chars().anyMatch(Character::isDigit)
                ? AMOUNT.matcher(text).replaceAll(String.valueOf(HARD_SPACE))
                : text;
    }
}
