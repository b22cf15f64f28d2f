package inkel.app.ui.wire;

import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Once round the list: what is to pull, what is to plug, and at the end what was skipped. */
final class WireRound {
    private final Set<String> skipped = new LinkedHashSet<>();

    /** Whether there is something to do at a task: to pull, or to plug. */
    static boolean isOpen(WireStep task) {
        return task.kind() == WireStep.Kind.PULL || !task.plugged();
    }

    /** Left for the end of the round. */
    void skip(WireStep task) {
        if (isOpen(task)) {
            skipped.remove(task.id());
            skipped.add(task.id());
        }
    }

    boolean isSkipped(WireStep task) {
        return isOpen(task) && skipped.contains(task.id());
    }

    void startOver() {
        skipped.clear();
    }

    /**
     * The open task behind one, else the first open one before it, else the one that was skipped first; empty when nothing
     * is left besides it.
     *
     * @param alsoDone what is done in the same step
     */
    Optional<WireStep> after(WireList list, String id, Set<String> alsoDone) {
        List<WireStep> tasks = list.tasks();
        int at = 0;
        while (at < tasks.size() && !tasks.get(at).id().equals(id)) {
            at++;
        }
        for (int i = 1; i <= tasks.size(); i++) {
            WireStep next = tasks.get((at + i) % tasks.size());
            if (isOpen(next)
                    && !next.id().equals(id)
                    && !alsoDone.contains(next.id())
                    && !skipped.contains(next.id())) {
                return Optional.of(next);
            }
        }
        return skipped.stream()
                .filter(other -> !other.equals(id) && !alsoDone.contains(other))
                .flatMap(other -> list.step(other).stream())
                .filter(WireRound::isOpen)
                .findFirst();
    }
}
