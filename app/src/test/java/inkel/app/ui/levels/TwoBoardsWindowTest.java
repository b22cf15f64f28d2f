package inkel.app.ui.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.kit.Caption;
import inkel.core.catalog.Settings;
import inkel.core.document.Between;
import inkel.core.document.Carries;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Stage;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.quantity.Frequency;
import java.io.IOException;
import java.util.Optional;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Wires from board to board in the real window: in the list, with a piece in them, measured. */
@ExtendWith(ApplicationExtension.class)
class TwoBoardsWindowTest extends WindowJourney {
    private static final Place FROM = Place.of("porch", new Endpoint("board", "D4"));
    private static final Place TO = Place.of("cellar", new Endpoint("board", "GP5"));

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.TWO_BOARDS);
    }

    private Optional<Between> between() {
        return session.build().orElseThrow().links().get(0).between();
    }

    /** Of the wire as it is now; none while its new verdict is still worked out. */
    private Optional<Verdict> verdict() {
        return session
                .assessmentProperty()
                .get()
                .reports()
                .levels()
                .of(session.build().orElseThrow().links().get(0))
                .stream()
                .map(BoardLink::verdict)
                .findFirst();
    }

    @Test
    void aWireToAnotherBoardIsListedDividedAndUndone(FxRobot robot) throws Exception {
        open(robot, Given.TWO_BOARDS, Stage.LEVELS);
        press(robot, "#level-board-D4");
        until(() -> FROM.equals(session.selectionProperty().get()));
        assertEquals(Optional.of(Verdict.HARMS), verdict());
        until(() -> isThere(robot, "#piece-open"));
        press(robot, "#piece-open");
        until(() -> isThere(robot, "#piece-value-series"));
        assertTrue(!isThere(robot, "#piece-coil_driver"), "no winding hangs on another board");
        press(robot, "#piece-divider");
        until(() -> isThere(robot, "#piece-value-to_ground"));
        robot.interact(() -> robot.lookup("#piece-value-series")
                .queryAs(TextInputControl.class)
                .setText("3.3 kΩ"));
        type(robot, "#piece-value-to_ground", "5.6 kΩ");
        until(() -> between().filter(Between.Divider.class::isInstance).isPresent());
        until(() -> verdict().equals(Optional.of(Verdict.FINE)));
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> between().isEmpty());
    }

    @Test
    void aReadingBelongsToTheEndThatListens(FxRobot robot) throws Exception {
        open(robot, Given.TWO_BOARDS, Stage.LEVELS);
        press(robot, "#level-board-D4");
        until(() -> isThere(robot, "#measured-high"));
        type(robot, "#measured-high", "3.3 V");
        until(() -> session.build().orElseThrow().log().lines().stream()
                .anyMatch(
                        line -> line instanceof LogLine.Measured && line.place().equals(TO)));
        until(() -> verdict().equals(Optional.of(Verdict.FINE)));
    }

    @Test
    void whatItCarriesAndHowFastIsSaidAndUndone(FxRobot robot) throws Exception {
        open(robot, Given.TWO_BOARDS, Stage.PINS);
        robot.interact(() -> session.selectionProperty().set(FROM));
        until(() -> isThere(robot, "#action-serial"));
        assertTrue(!isThere(robot, "#link-rate"), "a plain signal has no rate");
        press(robot, "#action-serial");
        until(() -> isThere(robot, "#link-rate"));
        type(robot, "#link-rate", "fast");
        until(() -> robot.lookup("#why .stop-text").queryAllAs(Caption.class).stream()
                .anyMatch(caption -> caption.getText().equals("Not a rate: fast. Type one such as 9600.")));
        assertEquals(Optional.empty(), carries().baud());
        type(robot, "#link-rate", "19200");
        until(() -> carries()
                .equals(new Carries(Optional.of(Carries.Kind.SERIAL), Optional.of(Frequency.ofHertz(19_200)))));
        until(() -> isThere(robot, "#action-by-pins"));
        // What is half typed stays through what comes in meanwhile.
        robot.interact(() -> {
            rate(robot).requestFocus();
            rate(robot).setText("96");
            session.apply(new SetSetting("porch", "board", Settings.AMBIENT, "30 °C"));
        });
        until(() -> session.assessmentProperty()
                .get()
                .circuit("porch")
                .orElseThrow()
                .board()
                .part()
                .has(Settings.AMBIENT));
        assertEquals("96", seen(() -> rate(robot).getText()));
        robot.interact(session::undo);
        until(() -> isThere(robot, "#action-by-pins"));
        robot.interact(session::undo);
        until(() -> carries().baud().isEmpty());
        until(() -> isThere(robot, "#action-by-pins"));
        // The record speaks of what is proved, whatever is selected.
        robot.interact(() -> session.stageProperty().set(Stage.LOG));
        until(() -> !isThere(robot, "#link-rate") && !isThere(robot, "#piece-open"));
        robot.interact(() -> session.stageProperty().set(Stage.PINS));
        until(() -> isThere(robot, "#action-by-pins"));
        press(robot, "#action-by-pins");
        until(() -> carries().equals(Carries.UNSAID));
    }

    private static TextInputControl rate(FxRobot robot) {
        return robot.lookup("#link-rate").queryAs(TextInputControl.class);
    }

    private Carries carries() {
        return session.build().orElseThrow().links().get(0).carries();
    }
}
