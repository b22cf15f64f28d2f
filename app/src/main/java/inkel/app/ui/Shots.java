package inkel.app.ui;

import java.nio.file.Path;

public final class Shots {
    public static void take(Path f) {}
}
