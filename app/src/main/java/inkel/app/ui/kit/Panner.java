package inkel.app.ui.kit;

import javafx.geometry.Orientation;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/**
 * A view of a content that may be larger both ways. Unlike the toolkit's own it keeps no image of what is in view, so that
 * a change inside paints only what has changed. A content of another size is told by {@link #requestLayout()}.
 */
public final class Panner extends Region {
    private static final double STEP = 48;

    private final Content content;
    private final Region body;
    private final Pane glass;
    private final Rectangle clip = new Rectangle();
    private final Scrollbar down = new Scrollbar(Orientation.VERTICAL, top -> panTo(across(), top));
    private final Scrollbar over = new Scrollbar(Orientation.HORIZONTAL, left -> panTo(left, top()));
    private double left;
    private double top;
    private double viewWidth;
    private double viewHeight;

    /** What is looked at; asked in each layout of the view. */
    public interface Content {
        double height();

        /** How wide it is in a view of some width. */
        double widthIn(double view);

        /** Told after each layout, and after each move of the view. */
        void seen();
    }

    public Panner(Region body, Content content) {
        this.body = body;
        this.content = content;
        getStyleClass().add("panner");
        glass = new Pane(body);
        glass.setManaged(false);
        glass.setClip(clip);
        getChildren().addAll(glass, down, over);
        body.setManaged(false);
        setMinSize(0, 0);
        addEventHandler(ScrollEvent.SCROLL, this::roll);
    }

    private void roll(ScrollEvent event) {
        if (panTo(left - event.getDeltaX(), top - event.getDeltaY())) {
            event.consume();
        }
    }

    /** Pans by the keys that turn pages; for whoever has the keyboard. */
    public void key(KeyEvent event) {
        double by =
                switch (event.getCode()) {
                    case PAGE_UP -> STEP - viewHeight;
                    case PAGE_DOWN -> viewHeight - STEP;
                    default -> 0;
                };
        if (by != 0 && panTo(left, top + by)) {
            event.consume();
        }
    }

    /** How much of the content is left of the view. */
    public double across() {
        return left;
    }

    /** How much of the content is above the view. */
    public double top() {
        return top;
    }

    public double viewWidth() {
        return viewWidth;
    }

    /** 0 before the first layout. */
    public double viewHeight() {
        return viewHeight;
    }

    /** Moves the view, as far as there is content; answers whether it moved. */
    public boolean panTo(double wantedLeft, double wantedTop) {
        double oldLeft = left;
        double oldTop = top;
        left = within(wantedLeft, body.getWidth() - viewWidth);
        top = within(wantedTop, body.getHeight() - viewHeight);
        boolean hasMoved = left != oldLeft || top != oldTop;
        if (hasMoved) {
            settle();
        }
        return hasMoved;
    }

    private static double within(double wanted, double most) {
        return Math.max(0, Math.min(most, wanted));
    }

    @Override
    protected void layoutChildren() {
        double width = getWidth();
        double height = getHeight();
        double whole = content.height();
        double downWidth = whole > height ? Scrollbar.THICKNESS : 0;
        boolean isTooWide = content.widthIn(width - downWidth) > width - downWidth + 0.5;
        double overHeight = isTooWide ? Scrollbar.THICKNESS : 0;
        if (downWidth == 0 && whole > height - overHeight) {
            downWidth = Scrollbar.THICKNESS;
        }
        viewWidth = width - downWidth;
        viewHeight = height - overHeight;
        clip.setWidth(viewWidth);
        clip.setHeight(viewHeight);
        glass.resize(viewWidth, viewHeight);
        body.resize(Math.max(content.widthIn(viewWidth), viewWidth), Math.max(whole, viewHeight));
        left = within(left, body.getWidth() - viewWidth);
        top = within(top, body.getHeight() - viewHeight);
        if (downWidth > 0) {
            down.resizeRelocate(viewWidth, 0, downWidth, viewHeight);
        }
        if (overHeight > 0) {
            over.resizeRelocate(0, viewHeight, viewWidth, overHeight);
        }
        settle();
    }

    private void settle() {
        body.relocate(-Math.round(left), -Math.round(top));
        tell(down, body.getHeight(), viewHeight, top);
        tell(over, body.getWidth(), viewWidth, left);
        content.seen();
    }

    private static void tell(Scrollbar rail, double whole, double inView, double before) {
        if (whole > inView + 0.5) {
            rail.show(whole, inView, before);
        } else {
            rail.hide();
        }
    }
}
