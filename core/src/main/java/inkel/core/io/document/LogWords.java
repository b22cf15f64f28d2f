package inkel.core.io.document;

import java.util.List;

/** The kinds of lines of a record, as files of format 2 call them. */
final class LogWords {
    static final String MEASURED = "measured";
    static final String LEFT = "left";
    static final String DECIDED = "decided";
    static final String CHANGED = "changed";
    static final String SWAPPED = "swapped";
    static final String WENT_WRONG = "went-wrong";
    static final String NOTED = "noted";
    static final String TAKEN_BACK = "taken-back";
    static final String SEEN = "seen";
    static final String PULLED = "pulled";
    static final String TUNED = "tuned";

    static final List<String> ALL =
            List.of(MEASURED, LEFT, DECIDED, CHANGED, SWAPPED, WENT_WRONG, NOTED, TAKEN_BACK, SEEN, PULLED, TUNED);

    private LogWords() {}
}
