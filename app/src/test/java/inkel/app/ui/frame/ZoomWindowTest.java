package inkel.app.ui.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.store.UserState;
import inkel.core.finding.Stage;
import java.io.IOException;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.ScrollEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Text and pictures in another size. */
@ExtendWith(ApplicationExtension.class)
class ZoomWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private static Bounds onScreen(FxRobot robot, String id) {
        return seen(() -> {
            Node node = robot.lookup(id).query();
            node.getScene().getRoot().layout();
            return node.localToScene(node.getLayoutBounds());
        });
    }

    private Shell shell() {
        return (Shell) stage.getScene().lookup(".shell");
    }

    private void command(FxRobot robot, String id) {
        robot.interact(() -> shell().run(id));
    }

    @Test
    void everythingGrowsTogetherFillsTheWindowAndIsRemembered(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        double usual = onScreen(robot, "#stage-parts").getWidth();
        robot.interact(() -> stage.getScene().getRoot().requestFocus());
        robot.press(KeyCode.CONTROL, KeyCode.MINUS).release(KeyCode.MINUS, KeyCode.CONTROL);
        assertEquals(usual, onScreen(robot, "#stage-parts").getWidth(), 0.01, "smaller than usual there is nothing");
        for (int i = 0; i < 3; i++) {
            command(robot, "text_larger");
        }
        assertEquals(1.5 * usual, onScreen(robot, "#stage-parts").getWidth(), 0.01);
        Bounds shell = onScreen(robot, ".shell");
        assertEquals(stage.getScene().getWidth(), shell.getWidth(), 0.5);
        assertEquals(stage.getScene().getHeight(), shell.getHeight(), 0.5);

        // A program that ends waits for what is still to be written; this one does not end.
        until(() -> UserState.read(folder).number("zoom", 1) == 1.5);
        robot.interact(() -> {
            shell().dispose();
            show();
        });
        open(robot, Given.LOCKS, Stage.PARTS);
        assertEquals(1.5 * usual, onScreen(robot, "#stage-parts").getWidth(), 0.01);
        command(robot, "text_usual");
        assertEquals(usual, onScreen(robot, "#stage-parts").getWidth(), 0.01);
    }

    @Test
    void aPressFindsWhatItIsOnAlsoWhenAllIsLarger(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        command(robot, "text_larger");
        command(robot, "text_larger");
        onScreen(robot, "#stage-power");
        robot.clickOn("#stage-power");
        until(() -> isThere(robot, "#stage-pane-power"));
    }

    private double menuHeight(FxRobot robot) throws Exception {
        // What has the keyboard is brought into view, also where the window is too small for all.
        robot.interact(() -> robot.lookup("#menu").query().requestFocus());
        until(() -> isSeen(robot, "#menu"));
        robot.clickOn("#menu");
        until(() -> isThere(robot, "#menu-part-window"));
        double height = seen(() ->
                robot.lookup("#menu-part-window").query().getLayoutBounds().getHeight());
        robot.type(KeyCode.ESCAPE);
        until(() -> !isThere(robot, "#menu-part-window"));
        return height;
    }

    @Test
    void menusThatOpenOverItGrowWithIt(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        double usual = menuHeight(robot);
        for (int i = 0; i < 5; i++) {
            command(robot, "text_larger");
        }
        onScreen(robot, "#menu");
        double large = menuHeight(robot);
        // Letters are twice as high; the room around them is not.
        assertTrue(large > 1.4 * usual, usual + " " + large);
        command(robot, "text_usual");
        onScreen(robot, "#menu");
        assertEquals(usual, menuHeight(robot), 0.5);
    }

    private boolean isSeen(FxRobot robot, String id) {
        Bounds at = onScreen(robot, id);
        return at.getMinX() >= 0
                && at.getMinY() >= 0
                && at.getMaxX() <= stage.getScene().getWidth()
                && at.getMaxY() <= stage.getScene().getHeight();
    }

    @Test
    void aWindowThatIsTooSmallForItIsMovedAbout(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.POWER);
        for (int i = 0; i < 5; i++) {
            command(robot, "text_larger");
        }
        // Twice as large there are 640 by 400 left, less than stages can be used at.
        Bounds shell = onScreen(robot, ".shell");
        assertTrue(shell.getWidth() > stage.getScene().getWidth() + 100, shell.toString());
        assertTrue(shell.getHeight() > stage.getScene().getHeight() + 100, shell.toString());
        for (String id : new String[] {"#stage-log", "#menu", "#stage-parts"}) {
            robot.interact(() -> stage.getScene().getRoot().requestFocus());
            robot.interact(() -> robot.lookup(id).query().requestFocus());
            until(() -> isSeen(robot, id));
        }
        assertEquals(0, onScreen(robot, ".shell").getMinX(), 0.5, "no farther than its end");
        robot.interact(() -> stage.getScene().getRoot().fireEvent(wheel(-5000)));
        until(() ->
                Math.abs(onScreen(robot, ".shell").getMaxY() - stage.getScene().getHeight()) < 15);
        command(robot, "text_usual");
        until(() -> onScreen(robot, ".shell").getMinY() == 0 && isSeen(robot, "#menu"));
    }

    private static ScrollEvent wheel(double down) {
        return new ScrollEvent(
                ScrollEvent.SCROLL,
                0,
                0,
                0,
                0,
                false,
                false,
                false,
                false,
                false,
                false,
                0,
                down,
                0,
                down,
                ScrollEvent.HorizontalTextScrollUnits.NONE,
                0,
                ScrollEvent.VerticalTextScrollUnits.NONE,
                0,
                0,
                null);
    }
}
