package inkel.app.ui.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.util.List;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A long line in the real window: run from table to table, its terminators set right, taken off and undone. */
@ExtendWith(ApplicationExtension.class)
class LongLineWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LONG_LINE);
    }

    private List<NodeWire> links() {
        return session.build().orElseThrow().links();
    }

    private void choose(FxRobot robot, String table) {
        robot.interact(() -> {
            session.nodeProperty().set(table);
            session.selectionProperty().set(Place.ofPart(table, "bus"));
        });
    }

    @Test
    void aLineIsRunFromTableToTable(FxRobot robot) throws Exception {
        open(robot, Given.LONG_LINE, Stage.PARTS);
        choose(robot, "house");
        until(() -> isThere(robot, "#action-line-gate-bus"));
        press(robot, "#action-line-gate-bus");
        until(() -> links().size() == 2);
        choose(robot, "shed");
        until(() -> isThere(robot, "#action-line-house-bus"));
        press(robot, "#action-line-house-bus");
        until(() -> links().size() == 4);
        assertTrue(links().get(2).touches("house") && links().get(2).touches("shed"), "from one to the next");
        choose(robot, "gate");
        until(() -> isThere(robot, "#action-terminator-off"));
        until(() -> isThere(robot, "#way-0"));
        press(robot, "#way-0");
        until(() -> session.build()
                .orElseThrow()
                .node("house")
                .orElseThrow()
                .part("bus")
                .orElseThrow()
                .settings()
                .getOrDefault("terminator", "")
                .equals("off"));
        choose(robot, "house");
        until(() -> isThere(robot, "#action-line-off-shed-bus"));
        press(robot, "#action-line-off-shed-bus");
        until(() -> links().size() == 2);
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> links().size() == 4);
        assertEquals(2, links().stream().filter(NodeWire::groundJoined).count());
    }
}
