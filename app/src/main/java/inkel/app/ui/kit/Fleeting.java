package inkel.app.ui.kit;

import javafx.scene.control.TextInputControl;

/** Fields whose text is of no use later, such as what is searched for: it is not kept for after a crash. */
public final class Fleeting {
    private static final String KEY = "inkel.fleeting";

    private Fleeting() {}

    public static <T extends TextInputControl> T of(T field) {
        field.getProperties().put(KEY, true);
        return field;
    }

    public static boolean is(TextInputControl field) {
        return field.getProperties().containsKey(KEY);
    }
}
