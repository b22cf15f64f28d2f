package inkel.app.state;

import inkel.core.document.Build;
import inkel.core.document.LogLine;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.BiPredicate;

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

    /**
     * The document before the last change, with the record of the present one; see {@link Build#backTo}.
     *
     * @param isPlain whether from one document back to the other nothing is lost that must stay in the record
     */
    void undo(Instant at, BiPredicate<Build, Build> isPlain) {
        after.push(now);
        Build target = before.pop();
        now = isPlain.test(now, target) ? target : now.backTo(target, at);
    }

    void redo(Instant at) {
        before.push(now);
        Build target = after.pop();
        List<LogLine> lines = target.log().lines();
        int here = now.log().size();
        boolean isOnward =
                lines.size() > here && lines.subList(0, here).equals(now.log().lines());
        now = isOnward ? target : now.backTo(target, at);
    }
}
