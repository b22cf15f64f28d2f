package inkel.app.lane;

import java.util.List;

/**
 * Something to tell without stopping the work.
 *
 * @param actions what the builder may do about it
 */
public record Notice(Tone tone, String text, List<Action> actions) {
    /** How a notice looks. */
    public enum Tone {
        DONE,
        TROUBLE
    }

    /** A button in a notice. */
    public record Action(String title, Runnable run) {}

    /** What was done. */
    public static Notice done(String text, Action... actions) {
        return new Notice(Tone.DONE, text, List.of(actions));
    }

    /** What could not be done. */
    public static Notice trouble(String text, Action... actions) {
        return new Notice(Tone.TROUBLE, text, List.of(actions));
    }
}
