package inkel.app.ui.controls;

import java.util.function.DoubleConsumer;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.ScrollBar;

/** The scroll bar along one side of a view, made when it is first wanted: many views never need theirs. */
final class Rail {
    private final Orientation along;
    private final DoubleConsumer moved;
    private ScrollBar bar;

    /** @param moved called with how much of the content is before the view, when the bar was dragged */
    Rail(Orientation along, DoubleConsumer moved) {
        this.along = along;
        this.moved = moved;
    }

    boolean isMade() {
        return bar != null;
    }

    /** The bar, whose styles are applied once it is in the view. */
    Node make() {
        bar = new ScrollBar();
        bar.setOrientation(along);
        bar.setFocusTraversable(false);
        bar.valueProperty().addListener((property, old, next) -> moved.accept(next.doubleValue()));
        return bar;
    }

    double thickness() {
        return along == Orientation.VERTICAL ? bar.prefWidth(-1) : bar.prefHeight(-1);
    }

    void hide() {
        if (bar != null) {
            bar.setVisible(false);
        }
    }

    /** Sets what the bar tells: how much there is, how much of it is in view and where the view begins. */
    void show(double whole, double inView, double before, double step) {
        bar.setVisible(true);
        bar.setMax(Math.max(1, whole - inView));
        bar.setVisibleAmount(bar.getMax() * inView / whole);
        bar.setBlockIncrement(inView - step);
        bar.setUnitIncrement(step);
        bar.setValue(before);
    }

    void place(double x, double y, double width, double height) {
        bar.resizeRelocate(x, y, width, height);
    }
}
