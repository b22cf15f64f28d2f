package inkel.app.ui.kit;

import javafx.event.EventHandler;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.shape.SVGPath;

/** Small pieces that every screen is made of. */
public final class Ui {
    private Ui() {}

    /** A text that wraps and never shrinks below its own height. */
    public static Caption text(String text, String... styles) {
        return new Caption(text, true, styles);
    }

    /** A text on one line. */
    public static Caption word(String text, String... styles) {
        return new Caption(text, false, styles);
    }

    /** A button of words alone, as wide as these. */
    public static Button textButton(String id, String said, Runnable action) {
        Button button = new Button(said);
        button.setId(id);
        button.getStyleClass().add("text-button");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(event -> action.run());
        return button;
    }

    /** A small round button with a text, which is also what it is called for those who hear the screen. */
    public static Tile pill(String id, String text, Runnable action) {
        Tile pill = new Tile(action, text(text, "pill-text"), Pos.CENTER, "pill-button");
        pill.setId(id);
        pill.setAccessibleText(text);
        return pill;
    }

    public static Region spring() {
        Region spring = new Region();
        HBox.setHgrow(spring, Priority.ALWAYS);
        return spring;
    }

    /** A drawn piece that only its style gives a look. */
    public static Region region(String style) {
        Region region = new Region();
        region.getStyleClass().add(style);
        return region;
    }

    public static SVGPath icon(String path, String... styles) {
        SVGPath icon = new SVGPath();
        icon.setContent(path);
        icon.getStyleClass().add("icon");
        icon.getStyleClass().addAll(styles);
        return icon;
    }

    /** A hint that is made when the pointer first comes to the node. */
    public static void tip(Node node, String text) {
        node.addEventHandler(MouseEvent.MOUSE_ENTERED, new EventHandler<>() {
            @Override
            public void handle(MouseEvent event) {
                node.removeEventHandler(MouseEvent.MOUSE_ENTERED, this);
                Tooltip.install(node, new Tooltip(text));
            }
        });
    }

    /** Shows or hides a node together with the room it takes. */
    public static void show(Node node, boolean isShown) {
        node.setVisible(isShown);
        node.setManaged(isShown);
    }
}
