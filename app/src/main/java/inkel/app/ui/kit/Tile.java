package inkel.app.ui.kit;

import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;

/** A button that is as wide as there is room, with whatever stands on it; its height follows wrapped text. */
public final class Tile extends Pressable {
    private final Node content;
    private final Pos alignment;

    public Tile(Runnable action, Node content, String... styles) {
        this(action, content, Pos.CENTER_LEFT, styles);
    }

    /** @param alignment where the content stands when there is more room than it wants */
    public Tile(Runnable action, Node content, Pos alignment, String... styles) {
        super(action, "tile");
        this.content = content;
        this.alignment = alignment;
        getStyleClass().addAll(styles);
        setAccessibleRole(AccessibleRole.BUTTON);
        content.setMouseTransparent(true);
        getChildren().add(content);
    }

    private double sides() {
        Insets insets = getInsets();
        return insets.getLeft() + insets.getRight();
    }

    private double ends() {
        Insets insets = getInsets();
        return insets.getTop() + insets.getBottom();
    }

    @Override
    public Orientation getContentBias() {
        return content.getContentBias();
    }

    @Override
    protected double computeMinWidth(double height) {
        return content.minWidth(-1) + sides();
    }

    @Override
    protected double computePrefWidth(double height) {
        return content.prefWidth(-1) + sides();
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected double computePrefHeight(double width) {
        return content.prefHeight(width < 0 ? -1 : width - sides()) + ends();
    }

    @Override
    protected void layoutChildren() {
        Insets insets = getInsets();
        layoutInArea(
                content,
                insets.getLeft(),
                insets.getTop(),
                getWidth() - sides(),
                getHeight() - ends(),
                0,
                Insets.EMPTY,
                alignment.getHpos() == HPos.LEFT,
                true,
                alignment.getHpos(),
                alignment.getVpos());
    }
}
