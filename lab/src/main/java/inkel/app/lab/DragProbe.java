package inkel.app.lab;

import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.store.Recovery;
import inkel.app.store.UserState;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.frame.Window;
import inkel.core.catalog.Catalog;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;

/** For the benchmark: drags a knot to and fro in the real window with the real pointer, and counts the frames. */
public final class DragProbe {
    private static final int SETTLE = 30;
    private static final int LONGEST_SECONDS = 60;
    private static final int PICK_UP = 20;
    private static final int FRAMES = 240;
    private static final double REACH = 400;
    private static final double PACE = 7;
    private static final double LEAST_WAY = 100;

    private final CountDownLatch done = new CountDownLatch(1);
    private final Endpoint signal;
    private Session session;
    private double framesPerSecond;
    private double pickUpMillis;
    private double leftmost = Double.MAX_VALUE;
    private double rightmost = -Double.MAX_VALUE;

    private DragProbe(Endpoint signal) {
        this.signal = signal;
    }

    /**
     * How a drag went.
     *
     * @param pickUpMillis from the press to the knot's twentieth frame in the hand
     */
    public record Drag(double framesPerSecond, double pickUpMillis) {}

    /** Drags the knot of a signal of the first node. The window toolkit must be running. */
    public static Drag drag(Path file, Catalog catalog, Endpoint signal) throws Exception {
        DragProbe probe = new DragProbe(signal);
        Path state = Files.createTempDirectory("inkel-probe");
        Platform.runLater(() -> probe.start(file, catalog, state));
        if (!probe.done.await(LONGEST_SECONDS, TimeUnit.SECONDS)) {
            throw new IllegalStateException("the knot of " + signal + " could not be dragged");
        }
        // Frames of a knot that no hand had taken would be counted just as well.
        if (probe.rightmost - probe.leftmost < LEAST_WAY) {
            throw new IllegalStateException("the knot of " + signal + " did not follow the pointer");
        }
        return new Drag(probe.framesPerSecond, probe.pickUpMillis);
    }

    private void start(Path file, Catalog catalog, Path state) {
        session = new Session(
                catalog,
                inkel.core.io.catalog.Shelf.read(state),
                Lanes.threads(Platform::runLater),
                Clock.systemUTC(),
                new Recovery(state));
        Shell shell = new Shell(session, UserState.read(state));
        javafx.stage.Stage stage = new javafx.stage.Stage();
        stage.setScene(Window.scene(shell, Window.WIDTH, Window.HEIGHT));
        stage.setX(0);
        stage.setY(0);
        stage.show();
        session.files().open(file);
        new AnimationTimer() {
            private final Robot robot = new Robot();
            private int frame;
            private Node row;
            private double x;
            private double y;
            private long taken;
            private long began;

            @Override
            public void handle(long now) {
                if (session.assessmentProperty().get() == null) {
                    return;
                }
                frame++;
                if (frame == 1) {
                    session.selection()
                            .show(Stage.PINS, Place.of(session.nodeProperty().get(), signal));
                } else if (frame == SETTLE) {
                    takeHold(now);
                } else if (frame > SETTLE) {
                    int step = frame - SETTLE - PICK_UP;
                    robot.mouseMove(x - REACH / 2 + REACH / 2 * Math.cos(step * PACE / REACH), y);
                    double at = middle().getX();
                    leftmost = Math.min(leftmost, at);
                    rightmost = Math.max(rightmost, at);
                    if (step == 0) {
                        // What it takes to pick the knot up is told apart.
                        pickUpMillis = (now - taken) / 1e6;
                        began = now;
                    } else if (step == FRAMES) {
                        robot.mouseRelease(MouseButton.PRIMARY);
                        framesPerSecond = FRAMES / ((now - began) / 1e9);
                        stop();
                        stage.hide();
                        done.countDown();
                    }
                }
            }

            private void takeHold(long now) {
                row = shell.lookup("#pin-" + signal.part() + "-" + signal.pin());
                x = middle().getX();
                y = middle().getY();
                robot.mouseMove(x, y);
                robot.mousePress(MouseButton.PRIMARY);
                taken = now;
            }

            private Point2D middle() {
                Node knot = row.lookup(".knot-shape");
                Bounds bounds = knot.localToScreen(knot.getBoundsInLocal());
                return new Point2D(bounds.getCenterX(), bounds.getCenterY());
            }
        }.start();
    }
}
