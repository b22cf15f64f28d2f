package inkel.app.ui.kit;

import java.util.Locale;
import java.util.function.DoubleSupplier;
import javafx.collections.ListChangeListener;
import javafx.collections.WeakListChangeListener;
import javafx.scene.Scene;
import javafx.scene.control.PopupControl;
import javafx.scene.control.Tooltip;
import javafx.stage.Window;

/** Menus and tips, which are windows of their own: their letters are as large as those of the window that they open over. */
public final class Popups {
    private static final double USUAL = 13;
    private static final double TIP = 12;

    private Popups() {}

    /** From now on, for as long as the scene lives. */
    public static void grow(Scene scene, DoubleSupplier factor) {
        ListChangeListener<Window> listener = change -> {
            while (change.next()) {
                change.getAddedSubList().stream()
                        .filter(PopupControl.class::isInstance)
                        .map(PopupControl.class::cast)
                        .filter(popup -> popup.getOwnerWindow() != null
                                && popup.getOwnerWindow().getScene() == scene)
                        .forEach(popup -> size(popup, factor.getAsDouble()));
            }
        };
        Window.getWindows().addListener(new WeakListChangeListener<>(listener));
        // Held by the scene, and gone with it.
        scene.getProperties().put(Popups.class, listener);
    }

    private static void size(PopupControl popup, double factor) {
        double usual = popup instanceof Tooltip ? TIP : USUAL;
        popup.setStyle(factor == 1 ? "" : String.format(Locale.ROOT, "-fx-font-size: %.1fpx;", factor * usual));
    }
}
