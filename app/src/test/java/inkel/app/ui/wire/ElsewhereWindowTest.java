package inkel.app.ui.wire;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.finding.Stage;
import inkel.core.wiring.WireList;
import java.io.IOException;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A wire that was plugged at another pin than the plan has. */
@ExtendWith(ApplicationExtension.class)
class ElsewhereWindowTest extends WindowJourney {
    private static final Endpoint BUTTON = new Endpoint("press", "A");

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.TEXT_BOX);
    }

    private WireList list() {
        return session.assessmentProperty().get().wires("box").orElseThrow();
    }

    /** Shows the button's wire, and the field for where it sits. */
    private void ask(FxRobot robot) throws Exception {
        open(robot, Given.TEXT_BOX, Stage.WIRE);
        robot.interact(() -> list().steps().stream()
                .filter(step ->
                        step.subject().isPin() && step.subject().endpoint().equals(BUTTON))
                .findFirst()
                .ifPresent(step -> robot.lookup("#wire-list")
                        .queryAs(ListView.class)
                        .getSelectionModel()
                        .select(step.number() - 1)));
        until(() -> isThere(robot, "#wire-elsewhere"));
        robot.interact(
                () -> robot.lookup("#wire-elsewhere").queryAs(Button.class).fire());
        until(() -> isThere(robot, "#wire-elsewhere-pin"));
    }

    private Wire wire() {
        return node("box").wire(BUTTON).orElseThrow();
    }

    @Test
    void itIsHeldWhereItSitsAndCountsAsPlugged(FxRobot robot) throws Exception {
        ask(robot);
        Build before = session.build().orElseThrow();
        type(robot, "#wire-elsewhere-pin", "4");
        until(() -> wire().to().equals(new Endpoint("board", "D4")));
        assertTrue(wire().held());
        until(() -> list().steps().stream()
                .anyMatch(step -> step.plugged()
                        && step.subject().isPin()
                        && step.subject().endpoint().equals(BUTTON)));
        robot.press(KeyCode.CONTROL, KeyCode.P).release(KeyCode.P, KeyCode.CONTROL);
        until(() -> node("box").wire(new Endpoint("text", "RS")).isPresent());
        assertEquals(new Endpoint("board", "D4"), wire().to(), "sharing out leaves it where it sits");
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> session.build().orElseThrow().equals(before));
    }

    @Test
    void aPinThatIsNotThereIsToldAndKeysGoToTheField(FxRobot robot) throws Exception {
        ask(robot);
        Build before = session.build().orElseThrow();
        robot.write("D 99");
        assertEquals(
                "D 99",
                robot.lookup("#wire-elsewhere-pin").queryAs(TextField.class).getText(),
                "a space ticks no wire off while it is typed");
        robot.type(KeyCode.ENTER);
        until(() -> isTold(robot, "Nothing can be plugged at \"D 99\"."));
        assertEquals(before, session.build().orElseThrow());
    }
}
