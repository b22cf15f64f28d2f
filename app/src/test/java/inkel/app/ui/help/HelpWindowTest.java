package inkel.app.ui.help;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.kit.Caption;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.util.stream.Collectors;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

@ExtendWith(ApplicationExtension.class)
class HelpWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private static String said(FxRobot robot, String id) {
        return seen(() -> robot.lookup(id).query().lookupAll(".line").stream()
                .map(node -> ((inkel.app.ui.kit.Line) node).whole())
                .collect(Collectors.joining("\n")));
    }

    @Test
    void f1ExplainsWhatIsSelectedAndItsWordsWithTheNumbersOfTheBoard(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.LEVELS);
        robot.interact(() -> {
            session.selectionProperty().set(Place.of(NODE, new Endpoint("reader", "MISO")));
            stage.getScene().getRoot().requestFocus();
        });
        robot.type(KeyCode.F1);
        until(() -> isThere(robot, "#help-page"));
        assertTrue(said(robot, "#help-subject").contains("Tag reader MISO"), said(robot, "#help-subject"));
        press(robot, "#help-in-margin");
        assertTrue(said(robot, "#help-term").contains("The least:"), said(robot, "#help-term"));

        robot.interact(() -> robot.lookup("#help-find").queryAs(TextField.class).setText("dropout"));
        until(() -> !isThere(robot, "#help-term-baud"));
        press(robot, "#help-term-dropout");
        // The board's own: 0.3 V of dropout over 3.3 V, from a USB port that may be as low as 4.75 V.
        assertTrue(
                said(robot, "#help-term").contains("gives 3.30 V, needs 3.60 V and gets 4.75 V"),
                said(robot, "#help-term"));
        assertTrue(said(robot, "#help-keys").contains("Ctrl+K"), said(robot, "#help-keys"));
        press(robot, "#help-leave");
        until(() -> isThere(robot, "#stage-pane-levels"));
    }

    @Test
    void withNothingOpenItHasTheWordsAndNoNumbers(FxRobot robot) throws Exception {
        robot.interact(() -> ((Shell) stage.getScene().lookup(".shell")).run("help"));
        until(() -> isThere(robot, "#help-page"));
        assertTrue(said(robot, "#help-subject").contains("Nothing is selected"));
        press(robot, "#help-leave");
        until(() -> isThere(robot, "#start-page"));
    }

    @Test
    void aboutShowsTheLicenceOfALibrary(FxRobot robot) throws Exception {
        robot.interact(() -> ((Shell) stage.getScene().lookup(".shell")).run("about"));
        until(() -> isThere(robot, "#about-page"));
        press(robot, "#library-slf4j-api");
        String text = seen(
                () -> robot.lookup("#about-licence").queryAs(TextArea.class).getText());
        assertTrue(text.contains("slf4j-api"), text);
        assertFalse(seen(() -> robot.lookup("#about-page").query().lookupAll(".caption").stream()
                .anyMatch(node ->
                        node instanceof Caption caption && caption.getText().contains("{"))));
        press(robot, "#about-leave");
        until(() -> isThere(robot, "#start-page"));
    }
}
