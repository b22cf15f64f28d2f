package inkel.app.ui.kit;

import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.scene.layout.Region;

/**
 * A text with room around it: on one line, shortened when there is too little room, or wrapped. It does what a label
 * does without a skin, which tells where there are hundreds.
 */
public final class Caption extends Region {
    private static final double LEAST_WIDTH = 24;

    private final boolean wraps;
    private final Line line;
    private boolean isRight;

    /** @param wraps whether it takes several lines rather than shorten the text */
    public Caption(String text, boolean wraps, String... styles) {
        this.wraps = wraps;
        line = new Line(text, styles);
        if (wraps) {
            line.keepAmounts();
        }
        getStyleClass().addAll(styles);
        getChildren().add(line);
        // Its size was perhaps asked for before the style was known.
        line.fontProperty().addListener(font -> requestLayout());
        if (wraps) {
            setMinHeight(USE_PREF_SIZE);
        }
    }

    /** Puts a text on one line at the right end of its room. */
    public Caption right() {
        isRight = true;
        return this;
    }

    public String getText() {
        return line.whole();
    }

    public void setText(String text) {
        if (!text.equals(line.whole())) {
            line.say(text);
            requestLayout();
        }
    }

    @Override
    public Orientation getContentBias() {
        return wraps ? Orientation.HORIZONTAL : null;
    }

    private double sides() {
        Insets insets = getInsets();
        return insets.getLeft() + insets.getRight();
    }

    @Override
    protected double computeMinWidth(double height) {
        return sides() + Math.min(LEAST_WIDTH, TextSize.width(line.whole(), line.getFont()));
    }

    @Override
    protected double computePrefWidth(double height) {
        return Math.ceil(TextSize.width(line.whole(), line.getFont())) + sides();
    }

    @Override
    protected double computePrefHeight(double width) {
        double wrap = wraps && width > 0 ? Math.max(1, width - sides()) : 0;
        Insets insets = getInsets();
        return Math.ceil(TextSize.height(line.shown(), line.getFont(), wrap)) + insets.getTop() + insets.getBottom();
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected double computeMaxHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    public double getBaselineOffset() {
        return getInsets().getTop() + line.getBaselineOffset();
    }

    @Override
    protected void layoutChildren() {
        Insets insets = getInsets();
        double room = getWidth() - sides();
        if (wraps) {
            line.setWrappingWidth(Math.max(1, room));
            line.relocate(insets.getLeft(), insets.getTop());
            return;
        }
        double top = insets.getTop();
        double spare = getHeight() - top - insets.getBottom() - line.height();
        // A rounding error must not cost the last letters.
        line.fit(room + 0.6);
        // Moved once only: a text that is moved to the left and back is painted anew, and with it the window.
        double left = isRight ? getWidth() - insets.getRight() - line.width() : insets.getLeft();
        line.relocate(left, top + Math.max(0, spare / 2));
    }
}
