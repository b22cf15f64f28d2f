package inkel.app.ui;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;

/** Small pieces that every screen is made of. */
public final class Ui {
    private Ui() {}

    /** A text that wraps and never shrinks below its own height. */
    public static Label text(String text, String... styles) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.getStyleClass().addAll(styles);
        return label;
    }

    /** A text on one line. */
    public static Label word(String text, String... styles) {
        Label label = new Label(text);
        label.getStyleClass().addAll(styles);
        return label;
    }

    /** A short reading that is never cut: lighter than a label, for where there are many. */
    public static Text reading(String text, String... styles) {
        Text reading = new Text(text);
        reading.getStyleClass().addAll(styles);
        return reading;
    }

    public static Region spring() {
        Region spring = new Region();
        HBox.setHgrow(spring, Priority.ALWAYS);
        return spring;
    }

    public static SVGPath icon(String path, String... styles) {
        SVGPath icon = new SVGPath();
        icon.setContent(path);
        icon.getStyleClass().add("icon");
        icon.getStyleClass().addAll(styles);
        return icon;
    }

    /** Shows or hides a node together with the room it takes. */
    public static void show(Node node, boolean isShown) {
        node.setVisible(isShown);
        node.setManaged(isShown);
    }
}
