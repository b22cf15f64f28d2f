package inkel.app.ui.start;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.kit.Tile;
import inkel.core.catalog.Habit;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

@ExtendWith(ApplicationExtension.class)
class HabitsWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage given) throws Exception {
        begin(given, Given.FIRST_SKETCH);
    }

    private boolean isChosen(FxRobot robot, String id) {
        return robot.lookup("#habit-" + id).queryAs(Tile.class).isSelected();
    }

    private long notes() {
        return session.assessmentProperty().get().count(Severity.NOTE);
    }

    private void shown(FxRobot robot) throws Exception {
        open(robot, Given.FIRST_SKETCH, Stage.PARTS);
        robot.interact(() -> ((Shell) stage.getScene().lookup(".shell")).run("habits"));
        until(() -> isThere(robot, "#habits-page"));
    }

    @Test
    void aSchoolIsChosenJudgedUndoneAndLeft(FxRobot robot) throws Exception {
        shown(robot);
        long before = notes();
        assertTrue(isChosen(robot, "decoupling-wanted"));
        press(robot, "#habit-decoupling-later");
        until(() -> isChosen(robot, "decoupling-later"));
        assertFalse(isChosen(robot, "decoupling-wanted"));
        assertTrue(notes() < before, "fewer notes than " + before);
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> isChosen(robot, "decoupling-wanted"));
        assertEquals(before, notes());
        press(robot, "#habits-leave");
        until(() -> !isThere(robot, "#habits-page"));
        assertTrue(isThere(robot, "#stage-pane-parts"));
    }

    @Test
    void theKeyboardAloneWillDo(FxRobot robot) throws Exception {
        shown(robot);
        robot.type(KeyCode.TAB).type(KeyCode.TAB).type(KeyCode.SPACE);
        until(() -> session.build().orElseThrow().habits().is(Habit.SHARING, Habit.Sharing.WHEN_ASKED));
    }

    @Test
    void aStageTakesThePlaceOfThePage(FxRobot robot) throws Exception {
        shown(robot);
        robot.press(KeyCode.CONTROL, KeyCode.DIGIT3).release(KeyCode.DIGIT3, KeyCode.CONTROL);
        until(() -> !isThere(robot, "#habits-page"));
    }
}
