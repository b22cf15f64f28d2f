package inkel.app.ui;

import java.io.File;
import java.io.IOException;
import javafx.css.Stylesheet;

/** Run by the build: turns the style sheet into the toolkit's binary form. */
public final class StyleCompiler {
    private StyleCompiler() {}

    /** @param args the style sheet, and the file to write */
    public static void main(String[] args) throws IOException {
        Stylesheet.convertToBinary(new File(args[0]), new File(args[1]));
    }
}
