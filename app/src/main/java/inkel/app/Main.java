package inkel.app;

import inkel.app.cli.Cli;
import inkel.app.store.Examples;
import inkel.app.ui.frame.Window;
import java.nio.file.Path;
import java.util.List;

/** Starts the window or runs a command. The window is started without the command line's machinery, to start sooner. */
public final class Main {
    /** How the name of a build ends, whoever named it; a file manager gives the name alone. */
    private static final String BUILD = ".json";

    private Main() {}

    public static void main(String[] args) {
        List<String> words = List.of(args);
        if (words.isEmpty()) {
            Window.open(null);
        } else if (words.equals(List.of("demo"))) {
            Window.open(Examples.folder().resolve(Examples.SEASON));
        } else if (words.size() == 2 && words.get(0).equals("open")) {
            Window.open(Path.of(words.get(1)));
        } else if (words.size() == 1 && isBuild(words.get(0))) {
            Window.open(Path.of(words.get(0)));
        } else {
            System.exit(Cli.run(args));
        }
    }

    private static boolean isBuild(String word) {
        return word.endsWith(BUILD);
    }
}
