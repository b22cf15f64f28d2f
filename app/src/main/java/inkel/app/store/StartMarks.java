package inkel.app.store;

import java.util.function.Consumer;

/** How far the start of the program has come, told to whoever measures it; in ordinary use nobody does. */
public final class StartMarks {
    private static Consumer<String> listener;

    private StartMarks() {}

    /** To be called before the program is started. */
    public static void tell(Consumer<String> to) {
        listener = to;
    }

    /** Something of the start is done. */
    public static void mark(String what) {
        if (listener != null) {
            listener.accept(what);
        }
    }
}
