package inkel.app.ui.wire;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.finding.Stage;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Both ends of a wire in the real window: the pins as they lie, from either side, and the thread between them. */
@ExtendWith(ApplicationExtension.class)
class EndsWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS);
    }

    @SuppressWarnings("unchecked")
    private void choose(FxRobot robot, String to) throws Exception {
        open(robot, Given.LOCKS, Stage.WIRE);
        ListView<WireStep> list = robot.lookup("#wire-list").queryAs(ListView.class);
        robot.interact(() -> list.getSelectionModel()
                .select(list.getItems().stream()
                        .filter(step -> step.to().id().startsWith(to + "@"))
                        .findFirst()
                        .orElseThrow()));
        until(() -> isThere(robot, "#both-ends"));
    }

    private static List<Text> names(FxRobot robot) {
        return robot.lookup(".end-name").queryAll().stream()
                .map(Text.class::cast)
                .filter(Node::isVisible)
                .toList();
    }

    private static double x(FxRobot robot, String name) {
        return names(robot).stream()
                .filter(text -> text.getText().equals(name))
                .mapToDouble(text -> middle(text))
                .findFirst()
                .orElseThrow();
    }

    private static double middle(Node node) {
        Bounds bounds = node.localToScene(node.getBoundsInLocal());
        return (bounds.getMinX() + bounds.getMaxX()) / 2;
    }

    @Test
    void thePinsOfARadioOnItsBackAreSwappedAndBackWhenItIsTurnedOver(FxRobot robot) throws Exception {
        choose(robot, "radio.MOSI");
        assertTrue(x(robot, "MOSI") < x(robot, "SCK"), "on its back");
        press(robot, "#turn-radio");
        until(() -> x(robot, "MOSI") > x(robot, "SCK"));
        press(robot, "#turn-radio");
        until(() -> x(robot, "MOSI") < x(robot, "SCK"));
        assertFalse(isThere(robot, "#turn-board"), "a board with sockets is wired from one side only");
    }

    // The sockets of the board seven and eight places from the USB end; the thread begins right of the name.
    @Test
    void theNeighboursAreThereToCountBy(FxRobot robot) throws Exception {
        choose(robot, "radio.MOSI");
        String all = names(robot).stream().map(Text::getText).collect(Collectors.joining(" "));
        assertTrue(all.startsWith("D13 D12 D11 D10 D9"), all);
        String counted = robot.lookup(".end-count").queryAll().stream()
                .map(Text.class::cast)
                .filter(Node::isVisible)
                .map(Text::getText)
                .limit(5)
                .collect(Collectors.joining(" "));
        assertEquals("5 6 7 8 9", counted);
        double nameEnds = names(robot).stream()
                .filter(text -> text.getText().equals("D11"))
                .mapToDouble(text -> text.localToScene(text.getBoundsInLocal()).getMaxX())
                .findFirst()
                .orElseThrow();
        double threadBegins = robot.lookup(".end-thread").queryAll().stream()
                .filter(Node::isVisible)
                .mapToDouble(
                        thread -> thread.localToScene(thread.getBoundsInLocal()).getMinX())
                .min()
                .orElseThrow();
        assertTrue(threadBegins > nameEnds, "no name is struck through");
    }
}
