package inkel.app.ui.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.finding.Stage;
import java.io.IOException;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
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
}
