package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.document.Build;
import inkel.core.finding.Stage;
import java.io.IOException;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Every board tried on a table, in the real window. */
@ExtendWith(ApplicationExtension.class)
class BoardsWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS);
    }

    private void ask(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PINS);
        fire(robot, "#boards");
        until(() -> isThere(robot, "#board-sheet"));
    }

    private static String progress(FxRobot robot) {
        return text(robot, "#board-progress");
    }

    @Test
    void anotherBoardIsTakenAndUndone(FxRobot robot) throws Exception {
        ask(robot);
        Build before = session.build().orElseThrow();
        until(() -> progress(robot).endsWith("would do"));
        assertEquals(before, session.build().orElseThrow(), "trying changes nothing");
        assertFalse(isThere(robot, "#take-board-board-classic-5v"), "that is the one that is there");
        press(robot, "#take-board-board-big-5v");
        until(() -> node(NODE).board().classId().equals("board-big-5v"));
        until(() -> !robot.lookup("#board-sheet").query().isVisible());
        assertTrue(robot.lookup("#loom").query().isVisible());
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> session.build().orElseThrow().equals(before));
    }

    @Test
    void closingStopsTheSearch(FxRobot robot) throws Exception {
        ask(robot);
        until(() -> session.planning().busyProperty().get());
        press(robot, "#boards-close");
        until(() -> !session.planning().busyProperty().get());
        assertTrue(robot.lookup("#loom").query().isVisible());
        assertFalse(robot.lookup("#board-sheet").query().isVisible());
    }
}
