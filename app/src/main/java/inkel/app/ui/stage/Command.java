package inkel.app.ui.stage;

import inkel.app.words.Words;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCombination;

/**
 * Something the builder can do from the menu, by keys, or by finding it.
 *
 * @param group the part of the menu that it is in
 */
public record Command(
        String id,
        String title,
        Optional<KeyCombination> keys,
        Group group,
        BooleanSupplier possible,
        Runnable action) {
    /** The parts of the menu, in their order. */
    public enum Group {
        BUILD,
        EDIT,
        BOARD,
        PARTS,
        TAKE,
        GO,
        WINDOW
    }

    /**
     * A command whose title is the word {@code command.} and its id.
     *
     * @param keys as the toolkit writes them; null for none
     */
    public static Command of(String id, String keys, BooleanSupplier possible, Runnable action) {
        return titled(id, Words.get("command." + id), keys, possible, action);
    }

    public static Command titled(String id, String title, String keys, BooleanSupplier possible, Runnable action) {
        return new Command(
                id, title, Optional.ofNullable(keys).map(KeyCombination::valueOf), Group.EDIT, possible, action);
    }

    /** The same in a part of the menu; where nothing is said it edits. */
    public Command in(Group other) {
        return new Command(id, title, keys, other, possible, action);
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
