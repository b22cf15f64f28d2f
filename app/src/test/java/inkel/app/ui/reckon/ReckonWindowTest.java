package inkel.app.ui.reckon;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.calc.Calculation;
import inkel.core.calc.Calculator;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import java.io.IOException;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The reckoner in the real window. */
@ExtendWith(ApplicationExtension.class)
class ReckonWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private static TextField field(FxRobot robot, String id) {
        return robot.lookup(id).queryAs(TextField.class);
    }

    @Test
    void aLampIsReckonedFromFindOrDoAndByTyping(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        robot.push(KeyCode.CONTROL, KeyCode.K);
        until(() -> isThere(robot, "#find-field")
                && robot.lookup("#find-field").query().isFocused());
        robot.interact(() -> field(robot, "#find-field").setText("led 5 V 20 mA"));
        robot.type(KeyCode.ENTER);
        until(() -> isThere(robot, "#reckon-key-vf"));
        assertEquals("20mA", field(robot, "#reckon-key-i").getText());
        assertEquals("150 Ω", text(robot, "#reckon-answer-r_ohm"));
        assertTrue(text(robot, "#reckon-formula").startsWith("R = (5V − 2.0V) / 20mA"));
        // (5 V − 3 V) / 20 mA = 100 Ω; the answer follows the typing.
        robot.interact(() -> field(robot, "#reckon-key-vf").setText("3V"));
        assertEquals("100 Ω", text(robot, "#reckon-answer-r_ohm"));
        robot.interact(() -> field(robot, "#reckon-key-vf").setText("3 lamps"));
        assertTrue(text(robot, "#reckon-problem").contains("\"vf\""), text(robot, "#reckon-problem"));
        assertEquals("3 lamps", field(robot, "#reckon-key-vf").getText());
        press(robot, "#reckon-leave");
        until(() -> isThere(robot, "#stage-pane-parts"));
    }

    @Test
    void anAnswerIsUsedInTheSelectedWireAndUndone(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PINS);
        Endpoint signal = new Endpoint("gate-upper", "SIG");
        robot.interact(() -> {
            session.nodeProperty().set(NODE);
            session.selectionProperty().set(Place.of(NODE, signal));
        });
        robot.push(KeyCode.CONTROL, KeyCode.R);
        until(() -> isThere(robot, "#reckon-page"));
        press(robot, "#reckon-led");
        until(() -> !isThere(robot, "#reckon-use"));
        press(robot, "#reckon-divider");
        until(() -> isThere(robot, "#reckon-use"));
        press(robot, "#reckon-use");
        until(() -> node(NODE).between(signal).isPresent());
        robot.interact(() -> session.undo());
        until(() -> node(NODE).between(signal).isEmpty());
    }

    @Test
    void anotherBuildComesInPlaceOfThePage(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PINS);
        robot.push(KeyCode.CONTROL, KeyCode.R);
        until(() -> isThere(robot, "#reckon-page"));
        robot.interact(() -> session.files().open(session.files().fileProperty().get()));
        until(() -> !isThere(robot, "#reckon-page"));
    }

    @Test
    void aWireByItsNumberIsFoundBeforeASum(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        robot.push(KeyCode.CONTROL, KeyCode.K);
        until(() -> isThere(robot, "#find-field")
                && robot.lookup("#find-field").query().isFocused());
        robot.interact(() -> field(robot, "#find-field").setText("wire 3"));
        robot.type(KeyCode.ENTER);
        until(() -> session.stageProperty().get() == Stage.WIRE);
        assertFalse(isThere(robot, "#reckon-page"));
    }

    @Test
    void everyCalculationIsShownWithItsExampleAnswered(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        robot.push(KeyCode.CONTROL, KeyCode.R);
        until(() -> isThere(robot, "#reckon-page"));
        for (Calculation calculation : Calculator.all()) {
            press(robot, "#reckon-" + calculation.name());
            assertFalse(robot.lookup("#reckon-problem").query().isVisible(), calculation.name());
        }
    }
}
