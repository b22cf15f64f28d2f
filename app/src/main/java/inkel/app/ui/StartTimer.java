package inkel.app.ui;

import java.lang.management.ManagementFactory;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.stage.Stage;

/** For the benchmark: prints how long the program took from the start of the JVM to the first full picture, and ends. */
public final class StartTimer {
    private static final String WANTED = "inkel.bench.start";

    private StartTimer() {}

    /** Prints how far the start has come. */
    static void mark(String what) {
        if (Boolean.getBoolean(WANTED)) {
            System.out.println("at_millis " + sinceStart() + " " + what);
        }
    }

    private static long sinceStart() {
        return System.currentTimeMillis() - ManagementFactory.getRuntimeMXBean().getStartTime();
    }

    static void watch(Stage stage, Workbench bench) {
        if (Boolean.getBoolean(WANTED)) {
            watch(() -> stage.isShowing() && bench.assessmentProperty().get() != null);
        }
    }

    /** Ends the program two frames after the condition holds for the first time. */
    public static void watch(java.util.function.BooleanSupplier isThere) {
        new AnimationTimer() {
            private int frames;

            @Override
            public void handle(long now) {
                if (isThere.getAsBoolean() && ++frames == 2) {
                    stop();
                    System.out.println("start_millis " + sinceStart());
                    Platform.exit();
                }
            }
        }.start();
    }
}
