package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.kit.Caption;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.util.Optional;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A wiring pasted from somewhere, in the real window. */
@ExtendWith(ApplicationExtension.class)
class FoundWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.TEXT_BOX);
    }

    private void paste(FxRobot robot, String text) throws Exception {
        open(robot, Given.TEXT_BOX, Stage.PINS);
        fire(robot, "#found");
        until(() -> robot.lookup("#found-sheet").query().isVisible());
        robot.interact(() -> robot.lookup("#found-text").queryAs(TextArea.class).setText(text));
    }

    private Optional<Endpoint> to(String part, String pin) {
        return node("box").wire(new Endpoint(part, pin)).map(Wire::to);
    }

    private static String told(FxRobot robot) {
        return text(robot, "#found-told");
    }

    @Test
    void aWiringForThisBoardIsTakenAndUndone(FxRobot robot) throws Exception {
        paste(robot, "#define RS 12\n#define E 11\nD4 -> 5\nbacklight -> 3\n");
        Build before = session.build().orElseThrow();
        assertEquals("3 wires understood, 1 line not", told(robot));
        assertTrue(isTold(robot, "Nothing on this table has a pin \"backlight\"."));
        press(robot, "#found-take");
        until(() -> to("text", "RS").equals(Optional.of(new Endpoint("board", "D12"))));
        assertEquals(Optional.of(new Endpoint("board", "D5")), to("text", "D4"));
        press(robot, "#found-close");
        until(() -> robot.lookup("#loom").query().isVisible());
        robot.interact(() -> robot.lookup("#loom").query().requestFocus());
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> session.build().orElseThrow().equals(before));
    }

    @Test
    void aWiringForAnotherBoardIsSharedOutForThisOne(FxRobot robot) throws Exception {
        paste(robot, "RS = Pin(16)\nE = Pin(17)\n");
        assertEquals("0 wires understood, 2 lines not", told(robot));
        robot.interact(() -> robot.lookup("#found-board").queryAs(MenuButton.class).getItems().stream()
                .filter(item -> item.getId().equals("found-for-board-dual-core-3v3"))
                .forEach(item -> item.fire()));
        until(() -> told(robot).equals("2 wires understood, 0 lines not"));
        press(robot, "#found-take");
        until(() -> to("text", "RS").isPresent());
        until(() -> robot.lookup(".finding-text").queryAll().stream()
                .anyMatch(node ->
                        node instanceof Caption text && text.getText().startsWith("Text RS was on GP16, is on Board")));
    }
}
