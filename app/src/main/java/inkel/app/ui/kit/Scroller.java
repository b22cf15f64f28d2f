package inkel.app.ui.kit;

import javafx.geometry.Bounds;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/**
 * Shows a column that may be taller than there is room, as wide as there is room. What takes the focus is
 * brought into view.
 */
public class Scroller extends Region {
    private static final double STEP = 48;

    private final Region content;
    private final Rectangle clip = new Rectangle();
    private final Scrollbar rail = new Scrollbar(Orientation.VERTICAL, this::scrollByHand);
    private double offset;

    /** What was brought into view last; it stays there when the room changes, until somebody scrolls. */
    private Node kept;

    private double heightOfKept;

    public Scroller(Region content) {
        this.content = content;
        getStyleClass().add("scroller");
        setClip(clip);
        getChildren().addAll(content, rail);
        setMinSize(0, 0);
        addEventHandler(ScrollEvent.SCROLL, event -> {
            if (event.getDeltaY() != 0 && most() > 0) {
                scrollByHand(offset - event.getDeltaY());
                event.consume();
            }
        });
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        sceneProperty().addListener((property, old, next) -> follow(old, next));
    }

    private final javafx.beans.value.ChangeListener<Node> focus = (property, old, next) -> {
        if (next != null && isInside(next)) {
            layout();
            reveal(next);
        }
    };

    private void follow(Scene old, Scene next) {
        if (old != null) {
            old.focusOwnerProperty().removeListener(focus);
        }
        if (next != null) {
            next.focusOwnerProperty().addListener(focus);
        }
    }

    private boolean isInside(Node node) {
        Node at = node.getParent();
        while (at != null && at != content) {
            at = at.getParent();
        }
        return at != null;
    }

    private void key(KeyEvent event) {
        double by =
                switch (event.getCode()) {
                    case PAGE_UP -> -getHeight() + STEP;
                    case PAGE_DOWN -> getHeight() - STEP;
                    case UP -> isFocused() ? -STEP : 0;
                    case DOWN -> isFocused() ? STEP : 0;
                    default -> 0;
                };
        if (by != 0 && most() > 0) {
            scrollByHand(offset + by);
            event.consume();
        }
    }

    /** How far down the top of what is seen is. */
    public final double offset() {
        return offset;
    }

    /** Scrolls so that the given height of the content is on top, as far as there is content. */
    public final void scrollTo(double top) {
        double wanted = Math.max(0, Math.min(most(), top));
        if (wanted != offset) {
            offset = wanted;
            requestLayout();
        }
    }

    private void scrollByHand(double top) {
        kept = null;
        scrollTo(top);
    }

    /** Scrolls as little as brings a node inside into view, now or as soon as there is room to show it in. */
    public final void reveal(Node node) {
        kept = node;
        heightOfKept = getHeight();
        // What is drawn anew with the room is not there to be brought into view later.
        scrollTo(showing(node));
    }

    /** What is on top when a node is in view. */
    private double showing(Node node) {
        Bounds bounds = content.sceneToLocal(node.localToScene(node.getLayoutBounds()));
        if (bounds.getMinY() < offset) {
            return bounds.getMinY() - 4;
        }
        return bounds.getMaxY() > offset + getHeight()
                ? Math.min(bounds.getMinY() - 4, bounds.getMaxY() - getHeight() + 4)
                : offset;
    }

    private double most() {
        return Math.max(0, content.getHeight() - getHeight());
    }

    /** Called after each layout with what part of the content is seen. */
    protected void seen(double top, double bottom) {}

    @Override
    protected void layoutChildren() {
        double width = getWidth();
        double height = getHeight();
        clip.setWidth(width);
        clip.setHeight(height);
        double wanted = content.prefHeight(width);
        boolean isTooTall = wanted > height + 0.5;
        double barWidth = isTooTall ? Scrollbar.THICKNESS : 0;
        if (isTooTall) {
            wanted = content.prefHeight(width - barWidth);
        }
        double contentHeight = Math.max(wanted, height);
        content.resize(width - barWidth, contentHeight);
        if (kept != null && height > 0 && height != heightOfKept && isInside(kept)) {
            content.layout();
            offset = showing(kept);
            heightOfKept = height;
        }
        offset = Math.max(0, Math.min(offset, contentHeight - height));
        content.relocate(0, -Math.round(offset));
        if (isTooTall) {
            rail.resizeRelocate(width - barWidth, 0, barWidth, height);
            rail.show(contentHeight, height, offset);
        } else {
            rail.hide();
        }
        seen(offset, offset + height);
    }

    @Override
    protected double computePrefWidth(double height) {
        return content.prefWidth(height);
    }

    @Override
    protected double computePrefHeight(double width) {
        return content.prefHeight(width);
    }
}
