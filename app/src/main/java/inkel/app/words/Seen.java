package inkel.app.words;

/** Texts that somebody else wrote, shown so that every letter of them can be seen and none does anything. */
final class Seen {
    private static final int LONGEST = 120;

    private Seen() {}

    /** Control letters and those that turn or hide what is beside them are written out; what is long is cut. */
    static String brief(String text) {
        StringBuilder seen = new StringBuilder();
        text.codePoints().limit(LONGEST + 1L).forEach(letter -> {
            if (isSeen(letter)) {
                seen.appendCodePoint(letter);
            } else {
                seen.append(String.format("\\u%04X", letter));
            }
        });
        if (text.codePointCount(0, text.length()) > LONGEST) {
            seen.setLength(Math.min(seen.length(), LONGEST));
            seen.append('…');
        }
        return seen.toString();
    }

    private static boolean isSeen(int letter) {
        return switch (Character.getType(letter)) {
            case Character.CONTROL,
                    Character.FORMAT,
                    Character.SURROGATE,
                    Character.LINE_SEPARATOR,
                    Character.PARAGRAPH_SEPARATOR,
                    Character.UNASSIGNED,
                    Character.PRIVATE_USE -> false;
            default -> true;
        };
    }
}
