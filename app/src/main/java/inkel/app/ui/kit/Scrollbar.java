package inkel.app.ui.kit;

import java.util.function.DoubleConsumer;
import javafx.geometry.Orientation;
import javafx.geometry.Point2D;
import javafx.scene.AccessibleRole;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/** The bar along one side of a view: its thumb is dragged, a press beside it turns a page. Lighter than the toolkit's. */
final class Scrollbar extends Region {
    static final double THICKNESS = 11;
    private static final double LEAST_THUMB = 24;

    private final Orientation along;
    private final DoubleConsumer moved;
    private final Region thumb = new Region();
    private double whole = 1;
    private double inView = 1;
    private double before;
    private double grip;
    private double beforeAtGrip;

    /** @param moved called with how much of the content is to be before the view */
    Scrollbar(Orientation along, DoubleConsumer moved) {
        this.along = along;
        this.moved = moved;
        getStyleClass().add("rail");
        thumb.getStyleClass().add("rail-thumb");
        thumb.setManaged(false);
        getChildren().add(thumb);
        setManaged(false);
        setVisible(false);
        setAccessibleRole(AccessibleRole.SCROLL_BAR);
        thumb.setOnMousePressed(this::take);
        thumb.setOnMouseDragged(this::drag);
        setOnMousePressed(this::turn);
    }

    private double place(MouseEvent event) {
        Point2D at = getParent().sceneToLocal(event.getSceneX(), event.getSceneY());
        return along == Orientation.VERTICAL ? at.getY() : at.getX();
    }

    private double length() {
        return along == Orientation.VERTICAL ? getHeight() : getWidth();
    }

    private double thumbLength() {
        return Math.min(length(), Math.max(LEAST_THUMB, length() * inView / whole));
    }

    private double thumbStart() {
        return (length() - thumbLength()) * before / Math.max(1, whole - inView);
    }

    private void take(MouseEvent event) {
        grip = place(event);
        beforeAtGrip = before;
        event.consume();
    }

    private void drag(MouseEvent event) {
        double way = Math.max(1, length() - thumbLength());
        moved.accept(beforeAtGrip + (place(event) - grip) * (whole - inView) / way);
        event.consume();
    }

    /** One page towards the pointer, less a little that stays in view. */
    private void turn(MouseEvent event) {
        double at = along == Orientation.VERTICAL ? event.getY() : event.getX();
        double page = inView * 0.9;
        moved.accept(at < thumbStart() ? before - page : before + page);
        event.consume();
    }

    /** Tells how much there is, how much of it is in view and how much is before the view. */
    void show(double all, double seen, double passed) {
        whole = Math.max(1, all);
        inView = seen;
        before = passed;
        setVisible(true);
        requestLayout();
        layout();
    }

    void hide() {
        setVisible(false);
    }

    @Override
    protected void layoutChildren() {
        if (along == Orientation.VERTICAL) {
            thumb.resizeRelocate(2, Math.round(thumbStart()), getWidth() - 4, Math.round(thumbLength()));
        } else {
            thumb.resizeRelocate(Math.round(thumbStart()), 2, Math.round(thumbLength()), getHeight() - 4);
        }
    }
}
