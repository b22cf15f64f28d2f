package inkel.app.ui.wire;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.finding.Finding;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A programmer comes to the table of a bare chip by the way out of its note, and its leads are shown apart. */
@ExtendWith(ApplicationExtension.class)
class ProgrammingWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.BARE_CHIP);
    }

    private List<Finding> found(String code) {
        return session.assessmentProperty().get().findings().stream()
                .filter(finding -> finding.code().equals(code))
                .toList();
    }

    private static int listed(FxRobot robot) {
        return robot.lookup("#wire-list").queryAs(ListView.class).getItems().size();
    }

    @Test
    void itsLeadsAreBelowTheListAndDoNotCount(FxRobot robot) throws Exception {
        open(robot, Given.BARE_CHIP, Stage.WIRE);
        Node strip = robot.lookup("#wire-programming").query();
        assertFalse(strip.isVisible());
        int before = listed(robot);
        assertEquals(List.of(), found("pins.program_line"));
        robot.interact(
                () -> session.apply(found("pins.no_programmer").get(0).fixes().get(0)));
        until(() -> strip.isVisible() && strip.lookupAll(".swatch").size() == 6);
        assertEquals(before, listed(robot));
        assertEquals(
                "sonar.ECHO",
                found("pins.program_line").get(0).place().endpoint().toString());
        robot.interact(session::undo);
        until(() -> !strip.isVisible());
    }
}
