package inkel.app.ui.frame;

import static org.junit.jupiter.api.Assertions.assertAll;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Colours;
import inkel.app.kit.Screens;
import inkel.app.ui.kit.Pressable;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.BackgroundFill;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.shape.SVGPath;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** One walk over every screen, for what must hold on all of them: what is reached is named, what is written is read. */
@ExtendWith(ApplicationExtension.class)
class EveryScreenTest {
    /** The Web Content Accessibility Guidelines, 1.4.3, for text of any size. */
    private static final double LEAST_CONTRAST = 4.5;

    private final Set<String> silent = new TreeSet<>();
    private final Set<String> reached = new TreeSet<>();
    private final Set<String> weak = new TreeSet<>();
    private int measured;
    private Screens screens;

    @Start
    void start(javafx.stage.Stage stage) {
        Window.dress();
        screens = new Screens(stage, 1280, 800);
    }

    @Test
    void everythingHasItsNameEveryPictureIsToldAndEveryTextStandsOut(FxRobot robot) {
        robot.interact(() -> screens.each((screen, first) -> {
            List<Node> nodes = first.toList();
            nodes.forEach(node -> listen(screen, node));
            measure(screen, nodes);
            screens.shell().getStyleClass().add("night");
            screens.settle();
            measure(screen + " by night", screens.seen().toList());
        }));
        assertAll(
                () -> assertTrue(reached.containsAll(screens.names()), "screens with nothing to reach"),
                () -> assertEquals(List.of(), List.copyOf(silent), () -> String.join("\n", silent)),
                () -> assertTrue(measured > 6000, "only " + measured + " texts were measured"),
                () -> assertEquals(List.of(), List.copyOf(weak), () -> weak.size() + "\n" + String.join("\n", weak)));
    }

    private void listen(String screen, Node node) {
        if (node.isFocusTraversable() && !node.isDisabled()) {
            reached.add(screen);
            boolean hasRole = node.getAccessibleRole() != AccessibleRole.NODE
                    && node.getAccessibleRole() != AccessibleRole.PARENT;
            if (name(node).isBlank() || !hasRole) {
                silent.add(screen + ", no name: " + Screens.where(node));
            }
        }
        if (isPicture(node) && !isPartOfTold(node)) {
            silent.add(screen + ", a picture without words: " + Screens.where(node));
        }
    }

    private void measure(String screen, List<Node> nodes) {
        for (int i = 0; i < nodes.size(); i++) {
            boolean isSeen = nodes.get(i) instanceof Text text
                    && !text.getText().isBlank()
                    && text.getFill() instanceof Color
                    && !isDisabled(text)
                    && isInView(text);
            Color ground = isSeen ? behind(nodes, i) : null;
            if (ground != null) {
                Text text = (Text) nodes.get(i);
                double contrast = Colours.contrast(Colours.over((Color) text.getFill(), ground), ground);
                measured++;
                if (contrast < LEAST_CONTRAST) {
                    weak.add(String.format(
                            Locale.ROOT,
                            "%.2f %s on %s: \"%s\" on %s at %s",
                            contrast,
                            text.getFill(),
                            ground,
                            text.getText(),
                            screen,
                            Screens.where(text)));
                }
            }
        }
    }

    /** What a screen reader would say of a node. */
    private static String name(Node node) {
        if (node.getAccessibleText() != null) {
            return node.getAccessibleText();
        }
        if (node instanceof TextInputControl field && field.getPromptText() != null) {
            // What is in the field is its value; what it asks for is told by the prompt.
            return field.getPromptText();
        }
        Object text = node.queryAccessibleAttribute(AccessibleAttribute.TEXT);
        return text == null ? "" : text.toString();
    }

    /** A region of ours that draws: its shapes say nothing by themselves. */
    private static boolean isPicture(Node node) {
        return node instanceof Parent parent
                && node.getClass().getName().startsWith("inkel.app.ui.")
                && parent.getChildrenUnmodifiable().stream()
                        .anyMatch(child -> child instanceof Canvas
                                || child instanceof Shape && !(child instanceof Text) && !(child instanceof SVGPath));
    }

    /** Whether it, or what it is a part of, has a text of its own. */
    private static boolean isPartOfTold(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at.getAccessibleText() != null && !at.getAccessibleText().isBlank()) {
                return true;
            }
        }
        return false;
    }

    private static boolean isDisabled(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at.isDisabled() || at instanceof Pressable pressable && pressable.isDisable()) {
                return true;
            }
        }
        return false;
    }

    private static Point2D middle(Node node) {
        Bounds bounds = node.localToScene(node.getLayoutBounds());
        return new Point2D(bounds.getCenterX(), bounds.getCenterY());
    }

    /** Whether its middle is inside of everything that it is a part of. */
    private static boolean isInView(Node node) {
        Point2D middle = middle(node);
        for (Node at = node.getParent(); at != null; at = at.getParent()) {
            if (!at.localToScene(at.getLayoutBounds()).contains(middle)) {
                return false;
            }
        }
        return true;
    }

    /** What was painted at the middle of a text before it; null where nothing covers that place. */
    private static Color behind(List<Node> nodes, int index) {
        Point2D middle = middle(nodes.get(index));
        Color ground = null;
        for (Node node : nodes.subList(0, index)) {
            Paint paint = paint(node, middle);
            if (paint instanceof Color colour && colour.getOpacity() > 0) {
                ground = ground == null ? (colour.isOpaque() ? colour : null) : Colours.over(colour, ground);
            }
        }
        return ground;
    }

    private static Paint paint(Node node, Point2D at) {
        Point2D inside = node.sceneToLocal(at);
        if (node instanceof Text) {
            return null;
        }
        if (node instanceof Shape shape) {
            return shape.getFill() != null && shape.contains(inside) ? shape.getFill() : null;
        }
        if (node instanceof Region region
                && region.getBackground() != null
                && region.getLayoutBounds().contains(inside)) {
            List<BackgroundFill> fills = region.getBackground().getFills();
            return fills.isEmpty() ? null : fills.get(fills.size() - 1).getFill();
        }
        return null;
    }
}
