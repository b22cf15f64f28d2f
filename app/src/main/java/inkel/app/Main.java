package inkel.app;

import inkel.app.cli.Cli;
import inkel.app.state.Examples;
import inkel.app.ui.frame.Window;
import java.nio.file.Path;
import java.util.List;

/** Starts the window or runs a command. The window is started without the command line's machinery, to start sooner. */
public final class Main {
    private Main() {}

    public static void main(String[] args) {
        List<String> words = List.of(args);
        if (words.isEmpty()) {
            Window.open(null);
        } else if (words.equals(List.of("demo"))) {
            Window.open(Examples.folder().resolve(Examples.SEASON));
        } else if (words.size() == 2 && words.get(0).equals("open")) {
            Window.open(Path.of(words.get(1)));
        } else {
            System.exit(Cli.run(args));
        }
    }
}
