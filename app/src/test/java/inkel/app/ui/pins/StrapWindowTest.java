package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** An address chosen in the window, and the strap that gives it. */
@ExtendWith(ApplicationExtension.class)
class StrapWindowTest extends WindowJourney {
    private static final Endpoint STRAP = new Endpoint("tilt", "SDO");

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.MOTH_LAMP);
    }

    private Optional<Endpoint> tied() {
        return node("lamp").wire(STRAP).map(Wire::to);
    }

    /** SDO low gives 0x53, SDO at the supply 0x1D. */
    @Test
    void theStrapFollowsTheAddressWithTheNextPlan(FxRobot robot) throws Exception {
        open(robot, Given.MOTH_LAMP, Stage.PARTS);
        Optional<Endpoint> before = tied();
        assertEquals(Optional.of(new Endpoint("board", "GND")), before);
        robot.interact(() -> session.selectionProperty().set(Place.ofPart("lamp", "tilt")));
        until(() -> isThere(robot, "#own-figures"));
        press(robot, "#own-figures");
        until(() -> isThere(robot, "#setting-address"));
        type(robot, "#setting-address", "0x1D");
        until(() ->
                "0x1D".equals(node("lamp").part("tilt").orElseThrow().settings().get("address")));
        until(() -> session.assessmentProperty().get().findings().stream()
                .anyMatch(finding -> finding.code().equals("i2c.strap_differs")));
        robot.interact(() -> session.stageProperty().set(Stage.PINS));
        until(() -> isThere(robot, "#loom"));
        robot.interact(() -> robot.lookup("#loom").query().requestFocus());
        robot.press(KeyCode.CONTROL, KeyCode.P).release(KeyCode.P, KeyCode.CONTROL);
        until(() -> tied().equals(Optional.of(new Endpoint("board", "3V3"))));
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> tied().equals(before));
    }
}
