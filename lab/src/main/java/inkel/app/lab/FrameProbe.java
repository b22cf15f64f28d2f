package inkel.app.lab;

import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.store.Recovery;
import inkel.app.store.UserState;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.frame.Window;
import inkel.core.catalog.Catalog;
import inkel.core.document.edit.RenamePart;
import inkel.core.finding.Stage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Arrays;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicLong;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/** For the benchmark: edits a build in the real window and times what the window's thread does for each edit. */
public final class FrameProbe {
    private static final int WARM_UP = 60;
    private static final int EDITS = 100;

    private final AtomicLong work = new AtomicLong();
    private final double[] longest = new double[EDITS];
    private final CountDownLatch done = new CountDownLatch(1);
    private Session session;
    private int edit = -WARM_UP;

    private final Stage[] stages;

    private FrameProbe(Stage... stages) {
        this.stages = stages;
    }

    /**
     * Renames a part again and again in the stages Parts, Power, Pins and Wire.
     *
     * @return the median over all edits of the longest single piece of work, layout included, in milliseconds
     */
    public static double longestAfterEdits(Path file, Catalog catalog) throws Exception {
        return run(new FrameProbe(Stage.PARTS, Stage.POWER, Stage.PINS, Stage.WIRE), file, catalog);
    }

    /** As {@link #longestAfterEdits}, in the stage Power alone. */
    public static double longestInPower(Path file, Catalog catalog) throws Exception {
        return run(new FrameProbe(Stage.POWER), file, catalog);
    }

    private static double run(FrameProbe probe, Path file, Catalog catalog) throws Exception {
        Path state = Files.createTempDirectory("inkel-probe");
        Runnable start = () -> probe.start(file, catalog, state);
        try {
            Platform.startup(start);
        } catch (IllegalStateException alreadyRunning) {
            Platform.runLater(start);
        }
        Platform.setImplicitExit(false);
        probe.done.await();
        Arrays.sort(probe.longest);
        return probe.longest[EDITS / 2];
    }

    private void start(Path file, Catalog catalog, Path state) {
        Window.dress();
        Executor timedScreen = task -> Platform.runLater(() -> timed(task));
        session = new Session(
                catalog,
                inkel.core.io.catalog.Shelf.read(java.nio.file.Path.of("no-shelf")),
                Lanes.threads(timedScreen),
                Clock.systemUTC(),
                new Recovery(state));
        Shell shell = new Shell(session, UserState.read(state));
        javafx.stage.Stage stage = new javafx.stage.Stage();
        stage.setScene(Window.scene(shell, Window.WIDTH, Window.HEIGHT));
        stage.show();
        session.files().open(file);
        new AnimationTimer() {
            private int frame;

            @Override
            public void handle(long now) {
                if (session.assessmentProperty().get() == null || ++frame % 4 != 0) {
                    return;
                }
                // Styles and layout that the last answer asked for are paid here, not in the next pulse.
                timed(() -> {
                    shell.applyCss();
                    shell.layout();
                });
                if (edit > 0) {
                    longest[edit - 1] = work.get() / 1e6;
                }
                if (edit == EDITS) {
                    stop();
                    stage.hide();
                    done.countDown();
                    return;
                }
                work.set(0);
                next();
            }
        }.start();
    }

    private void next() {
        edit++;
        session.stageProperty().set(stages[Math.floorMod(edit / 20, stages.length)]);
        timed(() -> session.apply(new RenamePart(session.nodeProperty().get(), "radio", "Radio " + edit)));
    }

    private void timed(Runnable task) {
        long start = System.nanoTime();
        task.run();
        work.accumulateAndGet(System.nanoTime() - start, Math::max);
    }
}
