package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.kit.Caption;
import inkel.core.finding.Stage;
import java.io.IOException;
import javafx.scene.control.TextArea;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Constants of a program that is pasted are held against those of the plan. */
@ExtendWith(ApplicationExtension.class)
class FoundConstantsWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    @Test
    void whatIsPlannedOtherwiseIsToldAndTheRestIsUnderstood(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PINS);
        fire(robot, "#found");
        until(() -> robot.lookup("#found-sheet").query().isVisible());
        robot.interact(() -> robot.lookup("#found-text")
                .queryAs(TextArea.class)
                .setText("#define PACKET_RADIO_CHANNEL 90\n#define PACKET_RADIO_CHECK_BYTES 2\nint SPEED = 7;\n"));
        assertEquals("0 wires understood, 1 line not", text(robot, "#found-told"));
        until(() -> isTold(robot, "Line 1: PACKET_RADIO_CHANNEL is 90, and the plan has 76."));
        assertTrue(seen(() -> robot.lookup(".finding-text").queryAll().stream()
                .anyMatch(node -> node instanceof Caption text
                        && text.getText().equals("PACKET_RADIO_CHECK_BYTES is as the plan has it."))));
    }
}
