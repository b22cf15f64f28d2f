package inkel.app.ui;

import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCombination;

/**
 * Something the builder can do from the menu, by keys, or by finding it.
 *
 * @param startsGroup whether the menu draws a line above it
 */
record Command(
        String id,
        String title,
        Optional<KeyCombination> keys,
        boolean startsGroup,
        BooleanSupplier possible,
        Runnable action) {
    boolean isPossible() {
        return possible.getAsBoolean();
    }

    void run() {
        if (isPossible()) {
            action.run();
        }
    }
}
