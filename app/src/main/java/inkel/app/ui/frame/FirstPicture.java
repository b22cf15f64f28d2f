package inkel.app.ui.frame;

import java.util.function.BooleanSupplier;
import javafx.animation.AnimationTimer;

/** Waits until the window has shown what it has to show. */
public final class FirstPicture {
    private static final int FRAMES = 2;

    private FirstPicture() {}

    /** Runs something two frames after the condition holds for the first time. */
    public static void then(BooleanSupplier isThere, Runnable then) {
        new AnimationTimer() {
            private int frames;

            @Override
            public void handle(long now) {
                if (isThere.getAsBoolean() && ++frames == FRAMES) {
                    stop();
                    then.run();
                }
            }
        }.start();
    }
}
