package inkel.app.kit;

import static org.testfx.util.WaitForAsyncUtils.waitFor;
import static org.testfx.util.WaitForAsyncUtils.waitForAsyncFx;
import static org.testfx.util.WaitForAsyncUtils.waitForFxEvents;

import inkel.app.lane.Lanes;
import inkel.app.line.SerialPorts;
import inkel.app.state.Session;
import inkel.app.store.UserState;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.frame.Window;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Pressable;
import inkel.core.document.Node;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.testfx.api.FxRobot;

/** What journeys through the real window have in common: a window of its own state, and ways to press, type and wait. */
public abstract class WindowJourney {
    private static final long ASKED_MILLIS = 10_000;

    public static final String NODE = "lower-lock";

    protected Path folder;
    protected Session session;
    protected javafx.stage.Stage stage;

    /** Shows the window, with copies of the examples beside it that a test may write to. */
    protected void begin(javafx.stage.Stage given, String... examples) throws IOException {
        folder = Files.createTempDirectory("inkel-journey");
        for (String example : examples) {
            Given.copy(example, folder);
        }
        Window.dress();
        stage = given;
        show();
    }

    /** A window as after a start: the same folder, nothing else kept. */
    protected void show() {
        session = Given.session(folder, Lanes.threads(Platform::runLater));
        session.line().use(new SerialPorts(folder));
        stage.setScene(Window.scene(new Shell(session, UserState.read(folder)), 1280, 800));
        stage.setWidth(1280);
        stage.setHeight(800);
        stage.show();
    }

    protected void open(FxRobot robot, String example, Stage at) throws Exception {
        robot.interact(() -> session.files().open(folder.resolve(example)));
        until(() -> session.assessmentProperty().get() != null);
        robot.interact(() -> session.stageProperty().set(at));
        until(() -> isThere(robot, "#stage-pane-" + at.text()));
    }

    protected static void until(Callable<Boolean> condition) throws Exception {
        // Asked for on the window's thread: another one would look at nodes while they come and go.
        waitFor(90, TimeUnit.SECONDS, () -> waitForAsyncFx(ASKED_MILLIS, condition));
        waitForFxEvents();
    }

    protected Node node(String id) {
        return session.build().orElseThrow().node(id).orElseThrow();
    }

    /** What is seen on the window's thread, where nodes do not come and go while they are looked at. */
    protected static <T> T seen(Callable<T> look) {
        // Asked for from a condition too, which is on that thread already.
        return Platform.isFxApplicationThread() ? call(look) : waitForAsyncFx(ASKED_MILLIS, look);
    }

    private static <T> T call(Callable<T> look) {
        try {
            return look.call();
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    protected static boolean isThere(FxRobot robot, String id) {
        return seen(() -> robot.lookup(id).tryQuery().isPresent());
    }

    protected static String text(FxRobot robot, String id) {
        return seen(() -> robot.lookup(id).queryAs(Caption.class).getText());
    }

    protected static void press(FxRobot robot, String id) {
        robot.interact(() -> robot.lookup(id).queryAs(Pressable.class).fire());
    }

    protected static void fire(FxRobot robot, String id) {
        robot.interact(() -> robot.lookup(id).queryButton().fire());
    }

    /** Puts a text in a field and presses Enter. */
    protected static void type(FxRobot robot, String id, String text) {
        robot.interact(() -> {
            TextInputControl field = robot.lookup(id).queryAs(TextInputControl.class);
            field.requestFocus();
            field.setText(text);
        });
        robot.type(KeyCode.ENTER);
        waitForFxEvents();
    }

    /** Ids with a slash or a plus cannot be asked for by a selector. */
    protected static javafx.scene.Node find(FxRobot robot, String id) {
        return seen(
                () -> robot.lookup(node -> id.equals(node.getId())).tryQuery().orElse(null));
    }

    /** Whether a sentence of trouble on the screen has these words. */
    protected static boolean isTold(FxRobot robot, String words) {
        return seen(() -> robot.lookup(".stop-text").queryAll().stream()
                .anyMatch(node -> node instanceof Caption text
                        && text.isVisible()
                        && text.getText().contains(words)));
    }
}
