package inkel.app.ui.stage;

import inkel.app.words.Words;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCombination;

/**
 * Something the builder can do from the menu, by keys, or by finding it.
 *
 * @param startsGroup whether the menu draws a line above it
 */
public record Command(
        String id,
        String title,
        Optional<KeyCombination> keys,
        boolean startsGroup,
        BooleanSupplier possible,
        Runnable action) {
    /**
     * A command whose title is the word {@code command.} and its id.
     *
     * @param keys as the toolkit writes them; null for none
     */
    public static Command of(String id, String keys, BooleanSupplier possible, Runnable action) {
        return titled(id, Words.get("command." + id), keys, possible, action);
    }

    public static Command titled(String id, String title, String keys, BooleanSupplier possible, Runnable action) {
        return new Command(id, title, Optional.ofNullable(keys).map(KeyCombination::valueOf), false, possible, action);
    }

    /** The first of a group in the menu. */
    public Command first() {
        return new Command(id, title, keys, true, possible, action);
    }

    public boolean isPossible() {
        return possible.getAsBoolean();
    }

    public void run() {
        if (isPossible()) {
            action.run();
        }
    }
}
