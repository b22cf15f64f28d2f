package inkel.app.ui.kit;

import java.util.List;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.geometry.Bounds;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;
import javafx.scene.transform.Scale;

/**
 * Shows its content larger, all of it alike: texts, pictures, and the room between them. Where a window is too small for
 * what is left of it then, the content keeps the least size that it can be used at, and is moved about.
 */
public final class Zoom extends Region {
    /** How much larger than usual, from step to step. */
    public static final List<Double> STEPS = List.of(1.0, 1.1, 1.25, 1.5, 1.75, 2.0);

    /** Below that stages have no room beside each other. */
    private static final double LEAST_WIDTH = 840;

    private static final double LEAST_HEIGHT = 525;
    private static final double BAR = Scrollbar.THICKNESS;
    private static final double ROOM = 12;

    private final Region content;
    private final Scrollbar across = new Scrollbar(Orientation.HORIZONTAL, left -> move(left, top()));
    private final Scrollbar down = new Scrollbar(Orientation.VERTICAL, top -> move(left(), top));
    private final Rectangle clip = new Rectangle();
    private double factor = 1;
    private double left;
    private double top;

    public Zoom(Region content) {
        this.content = content;
        getChildren().addAll(content, across, down);
        setClip(clip);
        // What nothing inside has scrolled by.
        addEventHandler(ScrollEvent.SCROLL, event -> {
            move(left - event.getDeltaX(), top - event.getDeltaY());
        });
        ChangeListener<Node> follow = (property, old, next) -> reveal(next);
        sceneProperty().addListener((property, old, next) -> follow(old, next, follow));
    }

    private static void follow(Scene old, Scene next, ChangeListener<Node> follow) {
        if (old != null) {
            old.focusOwnerProperty().removeListener(follow);
        }
        if (next != null) {
            next.focusOwnerProperty().addListener(follow);
        }
    }

    public double factor() {
        return factor;
    }

    /** @param next one of {@link #STEPS}; the nearest of them is taken */
    public void show(double next) {
        factor = STEPS.stream()
                .min((one, other) -> Double.compare(Math.abs(one - next), Math.abs(other - next)))
                .orElseThrow();
        if (factor == 1) {
            content.getTransforms().clear();
        } else {
            content.getTransforms().setAll(new Scale(factor, factor));
        }
        requestLayout();
        // Once all of it has its new place.
        Platform.runLater(() -> {
            if (getScene() != null) {
                layout();
                reveal(getScene().getFocusOwner());
            }
        });
    }

    /** @param by how many steps larger, or smaller; it stays inside of {@link #STEPS} */
    public void step(int by) {
        int at = STEPS.indexOf(factor) + by;
        show(STEPS.get(Math.max(0, Math.min(STEPS.size() - 1, at))));
    }

    private double left() {
        return left;
    }

    private double top() {
        return top;
    }

    /** What is beyond an end is the end. */
    private void move(double nextLeft, double nextTop) {
        left = nextLeft;
        top = nextTop;
        requestLayout();
    }

    /** Where the keyboard is must be seen. */
    private void reveal(Node focused) {
        boolean isInside = focused != null && (across.isVisible() || down.isVisible()) && isIn(focused);
        if (!isInside) {
            return;
        }
        Bounds seen = sceneToLocal(focused.localToScene(focused.getLayoutBounds()));
        double width = getWidth() - (down.isVisible() ? BAR : 0);
        double height = getHeight() - (across.isVisible() ? BAR : 0);
        move(left + by(seen.getMinX(), seen.getMaxX(), width), top + by(seen.getMinY(), seen.getMaxY(), height));
    }

    /** By how much something must be moved to be seen; its beginning where it is too large for that. */
    private static double by(double from, double until, double room) {
        if (from < ROOM || until - from > room - 2 * ROOM) {
            return from - ROOM;
        }
        return Math.max(0, until - room + ROOM);
    }

    private boolean isIn(Node node) {
        Node at = node;
        while (at != null && at != content) {
            at = at.getParent();
        }
        return at == content;
    }

    @Override
    protected void layoutChildren() {
        double width = getWidth();
        double height = getHeight();
        clip.setWidth(width);
        clip.setHeight(height);
        double leastWidth = factor == 1 ? 0 : factor * Math.max(LEAST_WIDTH, content.minWidth(-1));
        boolean isNarrow = width < leastWidth;
        double inner = Math.max(width, leastWidth) / factor;
        double leastHeight = factor == 1 ? 0 : factor * Math.max(LEAST_HEIGHT, content.minHeight(inner));
        boolean isLow = height < leastHeight;
        double seenWidth = width - (isLow ? BAR : 0);
        double seenHeight = height - (isNarrow ? BAR : 0);
        double wide = isNarrow ? leastWidth : seenWidth;
        double high = isLow ? leastHeight : seenHeight;
        left = Math.max(0, Math.min(left, wide - seenWidth));
        top = Math.max(0, Math.min(top, high - seenHeight));
        across.resizeRelocate(0, height - BAR, seenWidth, BAR);
        down.resizeRelocate(width - BAR, 0, BAR, seenHeight);
        bar(across, isNarrow, wide, seenWidth, left);
        bar(down, isLow, high, seenHeight, top);
        content.resizeRelocate(-Math.round(left), -Math.round(top), wide / factor, high / factor);
    }

    private static void bar(Scrollbar bar, boolean isThere, double all, double seen, double before) {
        if (isThere) {
            bar.show(all, seen, before);
        } else {
            bar.hide();
        }
    }
}
