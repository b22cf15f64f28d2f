package inkel.app.lab;

import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.store.Recovery;
import inkel.app.store.UserState;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.frame.Window;
import inkel.core.catalog.Catalog;
import inkel.core.finding.Stage;
import inkel.core.io.catalog.Shelf;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.control.ListView;

/** For the benchmark: scrolls through a capture in the real window, to and fro and by leaps, and counts the frames. */
final class ScrollProbe {
    private static final int LONGEST_SECONDS = 240;
    private static final int SETTLE = 30;
    private static final int FRAMES = 240;

    /** Every so many frames it leaps to another end of the capture, as a dragged bar does. */
    private static final int LEAP = 20;

    private final CountDownLatch done = new CountDownLatch(1);
    private double framesPerSecond;
    private double shownSeconds;
    private long rows;

    private ScrollProbe() {}

    /**
     * @param framesPerSecond while scrolling
     * @param shownSeconds from the asking until it was shown
     * @param rows how many lines it has
     */
    record Scroll(double framesPerSecond, double shownSeconds, long rows) {}

    static Scroll scroll(Path build, Catalog catalog, Path capture) throws Exception {
        // As while dragging is counted: the toolkit's own timer would keep below 60 over an empty window.
        System.setProperty("javafx.animation.fullspeed", "true");
        ScrollProbe probe = new ScrollProbe();
        Path state = Files.createTempDirectory("inkel-probe");
        Runnable start = () -> probe.start(build, catalog, state, capture);
        try {
            Platform.startup(start);
        } catch (IllegalStateException alreadyRunning) {
            Platform.runLater(start);
        }
        Platform.setImplicitExit(false);
        if (!probe.done.await(LONGEST_SECONDS, TimeUnit.SECONDS)) {
            throw new IllegalStateException("the capture was not shown within " + LONGEST_SECONDS + " s");
        }
        return new Scroll(probe.framesPerSecond, probe.shownSeconds, probe.rows);
    }

    private void start(Path build, Catalog catalog, Path state, Path capture) {
        Session session = new Session(
                catalog, Shelf.read(state), Lanes.threads(Platform::runLater), Clock.systemUTC(), new Recovery(state));
        Shell shell = new Shell(session, UserState.read(state));
        javafx.stage.Stage stage = new javafx.stage.Stage();
        stage.setScene(Window.scene(shell, Window.WIDTH, Window.HEIGHT));
        stage.show();
        session.files().open(build);
        new AnimationTimer() {
            private int frame;
            private long asked;
            private long began;
            private ListView<?> list;

            @Override
            public void handle(long now) {
                if (session.assessmentProperty().get() == null) {
                    return;
                } else if (asked == 0) {
                    asked = now;
                    session.stageProperty().set(Stage.TUNE);
                    session.captures().open(capture);
                } else if (session.captures().shownProperty().get() != null) {
                    scroll(now);
                }
            }

            private void scroll(long now) {
                frame++;
                if (frame == 1) {
                    shownSeconds = (now - asked) / 1e9;
                    list = (ListView<?>) shell.lookup("#capture-list");
                    rows = list.getItems().size();
                } else if (frame == SETTLE) {
                    began = now;
                } else if (frame > SETTLE) {
                    int step = frame - SETTLE;
                    int leap = step / LEAP;
                    long from = leap % 2 == 0 ? rows * leap / (FRAMES / LEAP) : rows - rows * leap / (FRAMES / LEAP);
                    list.scrollTo((int) Math.max(0, Math.min(rows - 1, from + step % LEAP * 3)));
                    if (step == FRAMES) {
                        framesPerSecond = FRAMES / ((now - began) / 1e9);
                        stop();
                        stage.hide();
                        done.countDown();
                    }
                }
            }
        }.start();
    }
}
