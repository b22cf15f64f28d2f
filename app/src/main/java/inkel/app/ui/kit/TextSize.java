package inkel.app.ui.kit;

import javafx.scene.text.Font;
import javafx.scene.text.Text;

/**
 * How large a text becomes. It is found without touching what is on the screen, since a node that is changed while it
 * is being measured asks for another layout. For the window's thread only.
 */
public final class TextSize {
    private static final Text TRIAL = new Text();

    private TextSize() {}

    public static double width(String text, Font font) {
        return trial(text, font, 0).getLayoutBounds().getWidth();
    }

    /** @param wrap the width at which lines end, or 0 for one line */
    public static double height(String text, Font font, double wrap) {
        return trial(text, font, wrap).getLayoutBounds().getHeight();
    }

    private static Text trial(String text, Font font, double wrap) {
        TRIAL.setFont(font);
        TRIAL.setText(text);
        TRIAL.setWrappingWidth(wrap);
        return TRIAL;
    }
}
