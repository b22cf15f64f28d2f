package inkel.app.ui.kit;

import javafx.scene.text.Text;

/** A text on one line that is shortened with an ellipsis when there is too little room; lighter than a label. */
public final class Line extends Text {
    private static final String ELLIPSIS = "…";

    private String whole;
    private boolean keepsAmounts;

    public Line(String text, String... styles) {
        super(text);
        whole = text;
        getStyleClass().add("line");
        getStyleClass().addAll(styles);
        setTextOrigin(javafx.geometry.VPos.TOP);
    }

    /** The text as it is without shortening. */
    public String whole() {
        return whole;
    }

    public void say(String text) {
        whole = text;
        setText(shown());
    }

    /** From now on a number and its unit stay together where it is wrapped. */
    void keepAmounts() {
        keepsAmounts = true;
        setText(shown());
    }

    /** Whether some of it is not seen for want of room. */
    public boolean isShortened() {
        return !getText().equals(shown());
    }

    /** The text as it is laid out. */
    String shown() {
        return keepsAmounts ? Unbroken.of(whole) : whole;
    }

    /** Places it with its top left corner at x, y, within a width. */
    public void place(double x, double y, double width) {
        fit(width);
        relocate(x, y);
    }

    /** Places it with its top right corner at x, y. Answers the width it takes. */
    public double placeRight(double x, double y) {
        double width = width();
        relocate(x - width, y);
        return width;
    }

    public double width() {
        return getLayoutBounds().getWidth();
    }

    public double height() {
        return getLayoutBounds().getHeight();
    }

    /** Shortens it to what fits a width. */
    public void fit(double width) {
        String fitting = fitting(width);
        if (!fitting.equals(getText())) {
            setText(fitting);
        }
    }

    private String fitting(double width) {
        if (TextSize.width(whole, getFont()) <= width) {
            return whole;
        }
        int low = 0;
        int high = whole.length() - 1;
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (TextSize.width(whole.substring(0, middle) + ELLIPSIS, getFont()) <= width) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return whole.substring(0, low).stripTrailing() + ELLIPSIS;
    }
}
