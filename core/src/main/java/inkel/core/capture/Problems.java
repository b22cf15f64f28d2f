package inkel.core.capture;

import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;

/** Gathers what could not be read; of thousands alike the first few say enough. */
final class Problems {
    private static final int MOST = 20;

    private static final int SHOWN = 40;

    private final List<Capture.Problem> all = new ArrayList<>();
    private long left;

    void add(long line, Fact why) {
        if (all.size() < MOST) {
            all.add(new Capture.Problem(line, why));
        } else {
            left++;
        }
    }

    List<Capture.Problem> all() {
        if (left > 0) {
            all.add(new Capture.Problem(0, Fact.of("capture.more").with("count", left)));
            left = 0;
        }
        return all;
    }

    /** A text of a file as it may stand in a sentence: not long, and nothing in it that a terminal would obey. */
    static String shown(String text) {
        String plain = text.codePoints()
                .limit(SHOWN)
                .map(letter ->
                        Character.isISOControl(letter) || Character.getType(letter) == Character.FORMAT ? '·' : letter)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
        return text.codePointCount(0, text.length()) <= SHOWN ? plain : plain + "…";
    }
}
