package inkel.app.ui.kit;

import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.TextInputControl;
import javafx.scene.image.Image;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/** Takes what is shown along as text. */
public final class Copying {
    private static final KeyCombination COPY = new KeyCodeCombination(KeyCode.C, KeyCombination.SHORTCUT_DOWN);

    private Copying() {}

    /** Copies with the usual keys while the keyboard is in a node and not in a field of it. */
    public static void byKeys(Node node, Supplier<String> text) {
        node.addEventHandler(KeyEvent.KEY_PRESSED, event -> {
            if (COPY.match(event) && !(event.getTarget() instanceof TextInputControl)) {
                String shown = text.get();
                if (!shown.isEmpty()) {
                    put(shown);
                    event.consume();
                }
            }
        });
    }

    /** Takes a text along. */
    public static void put(String text) {
        ClipboardContent content = new ClipboardContent();
        content.putString(text);
        Clipboard.getSystemClipboard().setContent(content);
    }

    /** Takes a picture along. */
    public static void put(Image picture) {
        ClipboardContent content = new ClipboardContent();
        content.putImage(picture);
        Clipboard.getSystemClipboard().setContent(content);
    }
}
