package inkel.app.ui.pins;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

/** Nodes of one kind by their numbers, of which only those are made that are seen. */
final class LoomLayer<T extends Node> extends Pane {
    private final Map<Integer, T> made = new HashMap<>();
    private final IntFunction<T> maker;

    LoomLayer(IntFunction<T> maker) {
        this.maker = maker;
        setManaged(false);
        setPickOnBounds(false);
    }

    /** Makes what is missing from the first up to before the last, and drops the others. Answers whether any was made. */
    boolean show(int first, int last) {
        forget(number -> number < first || number >= last);
        boolean hasNew = false;
        for (int i = first; i < last; i++) {
            if (!made.containsKey(i)) {
                T node = maker.apply(i);
                made.put(i, node);
                getChildren().add(node);
                hasNew = true;
            }
        }
        return hasNew;
    }

    void forgetAll() {
        made.clear();
        getChildren().clear();
    }

    void forget(IntPredicate which) {
        made.entrySet().removeIf(entry -> {
            boolean isGone = which.test(entry.getKey());
            if (isGone) {
                getChildren().remove(entry.getValue());
            }
            return isGone;
        });
    }

    /** Null when it is not made. */
    T made(int number) {
        return made.get(number);
    }

    Collection<T> all() {
        return made.values();
    }

    void forEach(BiConsumer<Integer, T> action) {
        made.forEach(action);
    }
}
