package inkel.app.lab;

import inkel.app.ui.frame.Window;
import java.util.concurrent.CountDownLatch;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.layout.Pane;
import javafx.scene.robot.Robot;
import javafx.scene.shape.Rectangle;

/** For the benchmark: the frames a second that the machine gives to a small square that follows the real pointer. */
public final class FrameCeiling {
    private static final int SETTLE = 60;
    private static final int FRAMES = 240;
    private static final double REACH = 200;
    private static final double PACE = 0.0175;

    private FrameCeiling() {}

    /** Shows a window that is empty but for the square. The window toolkit must be running. */
    public static double framesPerSecond() throws InterruptedException {
        CountDownLatch done = new CountDownLatch(1);
        double[] counted = new double[1];
        Platform.runLater(() -> follow(counted, done));
        done.await();
        return counted[0];
    }

    private static void follow(double[] counted, CountDownLatch done) {
        Rectangle square = new Rectangle(16, 16);
        Pane pane = new Pane(square);
        pane.setOnMouseMoved(event -> square.setX(event.getX()));
        javafx.stage.Stage stage = new javafx.stage.Stage();
        stage.setScene(new Scene(pane, Window.WIDTH, Window.HEIGHT));
        stage.setX(0);
        stage.setY(0);
        stage.show();
        new AnimationTimer() {
            private final Robot robot = new Robot();
            private int frame;
            private long began;

            @Override
            public void handle(long now) {
                frame++;
                robot.mouseMove(Window.WIDTH / 2 + REACH * Math.cos(frame * PACE), Window.HEIGHT / 2);
                if (frame == SETTLE) {
                    began = now;
                } else if (frame == SETTLE + FRAMES) {
                    counted[0] = FRAMES / ((now - began) / 1e9);
                    stop();
                    stage.hide();
                    done.countDown();
                }
            }
        }.start();
    }
}
