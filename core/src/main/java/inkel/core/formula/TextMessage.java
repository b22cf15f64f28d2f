package inkel.core.formula;

import java.util.ArrayList;
import java.util.List;

/**
 * How a text goes out by a modem: in the alphabet of 7 bits (3GPP TS 23.038), 160 characters at once and 153 in each of several
 * parts, a few counting double; or, where one character is not in it, in 16 bits, 70 at once and 67 a part.
 *
 * @param isShort whether the alphabet of 7 bits is enough
 * @param units characters as they are counted
 * @param parts how many messages are paid for; 0 for no text
 */
public record TextMessage(boolean isShort, int units, int parts) {
    private static final String BASIC = "@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !\"#¤%&'()*+,-./0123456789:;<=>?"
            + "¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà";

    /** Each of these goes behind a character that says so. */
    private static final String DOUBLE = "^{}\\[~]|€\f";

    private static final List<Integer> DOUBLE_CODES =
            List.of(0x14, 0x28, 0x29, 0x2F, 0x3C, 0x3D, 0x3E, 0x40, 0x65, 0x0A);

    private static final int ESCAPE = 0x1B;
    private static final int SHORT_WHOLE = 160;
    private static final int SHORT_PART = 153;
    private static final int LONG_WHOLE = 70;
    private static final int LONG_PART = 67;

    public static TextMessage of(String text) {
        boolean isShort = text.chars().allMatch(letter -> BASIC.indexOf(letter) >= 0 || DOUBLE.indexOf(letter) >= 0);
        int units = isShort
                ? text.chars()
                        .map(letter -> DOUBLE.indexOf(letter) >= 0 ? 2 : 1)
                        .sum()
                : text.length();
        int whole = isShort ? SHORT_WHOLE : LONG_WHOLE;
        int parts = units == 0 ? 0 : units <= whole ? 1 : split(text, isShort).size();
        return new TextMessage(isShort, units, parts);
    }

    /** The text in the parts that it goes out in: one where it fits in one. */
    public static List<String> split(String text) {
        TextMessage message = of(text);
        return message.parts <= 1 ? List.of(text) : split(text, message.isShort);
    }

    /** A character that counts double, and one of 32 bits, is not torn apart between two parts. */
    private static List<String> split(String text, boolean isShort) {
        int most = isShort ? SHORT_PART : LONG_PART;
        List<String> parts = new ArrayList<>();
        StringBuilder part = new StringBuilder();
        int filled = 0;
        for (int letter : text.codePoints().toArray()) {
            int units = isShort ? DOUBLE.indexOf(letter) >= 0 ? 2 : 1 : Character.charCount(letter);
            if (filled + units > most) {
                parts.add(part.toString());
                part.setLength(0);
                filled = 0;
            }
            part.appendCodePoint(letter);
            filled += units;
        }
        parts.add(part.toString());
        return parts;
    }

    /** The codes of 7 bits of a text that {@link #isShort}; a character that counts double has two, the first of them 27. */
    static List<Integer> septets(String text) {
        List<Integer> codes = new ArrayList<>();
        text.chars().forEach(letter -> {
            int at = BASIC.indexOf(letter);
            if (at < 0) {
                codes.add(ESCAPE);
                codes.add(DOUBLE_CODES.get(DOUBLE.indexOf(letter)));
            } else {
                // The table has the sign that leads to the other one among the capitals.
                codes.add(at < ESCAPE ? at : at + 1);
            }
        });
        return codes;
    }

    /** What still goes into the last part, in characters that count once. */
    public int left() {
        int most = parts <= 1 ? isShort ? SHORT_WHOLE : LONG_WHOLE : (isShort ? SHORT_PART : LONG_PART) * parts;
        return Math.max(0, most - units);
    }
}
