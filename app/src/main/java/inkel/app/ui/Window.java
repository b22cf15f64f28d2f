package inkel.app.ui;

import java.nio.file.Path;

public final class Window {
    public static void open(Path file) {}
}
