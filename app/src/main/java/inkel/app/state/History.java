package inkel.app.state;

import inkel.core.document.Build;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;

/** The documents before and after the present one. */
final class History {
    private static final int MOST = 500;

    private final Deque<Build> before = new ArrayDeque<>();
    private final Deque<Build> after = new ArrayDeque<>();
    private Build now;

    History(Build now) {
        this.now = now;
    }

    Build now() {
        return now;
    }

    boolean canUndo() {
        return !before.isEmpty();
    }

    boolean canRedo() {
        return !after.isEmpty();
    }

    /** Takes a new document; what was undone before is given up. */
    void take(Build next) {
        before.push(now);
        if (before.size() > MOST) {
            before.removeLast();
        }
        after.clear();
        now = next;
    }

    /** Puts another document in place of the present one, as part of the step that led to it. */
    void amend(Build next) {
        now = next;
    }

    /** The document before the last change, with the record of the present one; see {@link Build#backTo}. */
    void undo(Instant at) {
        after.push(now);
        now = now.backTo(before.pop(), at);
    }

    void redo(Instant at) {
        before.push(now);
        now = now.backTo(after.pop(), at);
    }
}
