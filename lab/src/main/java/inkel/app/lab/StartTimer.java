package inkel.app.lab;

import inkel.app.Main;
import inkel.app.store.StartMarks;
import inkel.app.ui.frame.FirstPicture;
import java.lang.management.ManagementFactory;
import javafx.application.Platform;
import javafx.stage.Window;

/** Starts the program, prints how long it took from the start of the JVM to the first full picture, and ends it. */
public final class StartTimer {
    private StartTimer() {}

    /** @param args as for the program */
    public static void main(String[] args) {
        StartMarks.tell(StartTimer::mark);
        Main.main(args);
    }

    private static void mark(String what) {
        System.out.println("at_millis " + sinceStart() + " " + what);
        if (what.equals("shown")) {
            FirstPicture.then(() -> Window.getWindows().stream().anyMatch(Window::isShowing), StartTimer::end);
        }
    }

    private static long sinceStart() {
        return System.currentTimeMillis() - ManagementFactory.getRuntimeMXBean().getStartTime();
    }

    static void end() {
        System.out.println("start_millis " + sinceStart());
        Platform.exit();
    }
}
