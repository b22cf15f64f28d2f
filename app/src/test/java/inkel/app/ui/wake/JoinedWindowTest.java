package inkel.app.ui.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.kit.Caption;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.finding.Stage;
import inkel.core.wake.Check;
import inkel.core.wake.Status;
import inkel.core.wake.WakeState;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.ListView;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Wires between boards in the real window: the grounds of both, and what one puts out as the other hears it. */
@ExtendWith(ApplicationExtension.class)
class JoinedWindowTest extends WindowJourney {
    private static final String HERE = "lower-lock";
    private static final String GROUND = "ohms ground of pump-house";

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS);
    }

    private Optional<WakeState> state() {
        return session.assessmentProperty().get() == null
                ? Optional.empty()
                : session.wake().of(session.assessmentProperty().get(), HERE);
    }

    private Optional<Check> check(String id) {
        return state().flatMap(state -> state.wake().check(id));
    }

    private void show(FxRobot robot, String id) throws Exception {
        until(() -> check(id).isPresent());
        robot.interact(() -> session.wake().currentProperty().set(check(id).orElseThrow()));
        until(() -> isThere(robot, "#wake-title")
                && session.wake().currentProperty().get().id().equals(id));
    }

    private static String tips(FxRobot robot) {
        return seen(() -> robot.lookup(".wake-tip-place").queryAll().stream()
                .filter(Caption.class::isInstance)
                .map(Caption.class::cast)
                .map(Caption::getText)
                .collect(Collectors.joining(" | ")));
    }

    @Test
    void whatAnotherBoardPutsOutIsReadHere(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.WAKE);
        join(robot);
        show(robot, GROUND);
        assertEquals("Ground, from this board to Pump house", text(robot, "#wake-title"));
        assertTrue(tips(robot).contains("ground of Pump house"), tips(robot));
        String high = "high pump-house/board.A8";
        show(robot, high);
        assertEquals("D5 while Pump house puts A8 high", text(robot, "#wake-title"));
        type(robot, "#wake-field", "3.3");
        until(() -> state().map(state -> state.result(check(high).orElseThrow()).status())
                .filter(status -> status == Status.IN)
                .isPresent());
        LogLine.Measured line = (LogLine.Measured) session.build()
                .orElseThrow()
                .log()
                .lines()
                .get(session.build().orElseThrow().log().size() - 1);
        assertEquals(HERE + "/board.D5", line.place().toString());
        robot.interact(session::undo);
        until(() -> state().map(state -> state.result(check(high).orElseThrow()).status())
                .filter(status -> status == Status.OPEN)
                .isPresent());
    }

    private void join(FxRobot robot) {
        robot.interact(() -> session.apply(new AddNodeWire(new NodeWire(
                Place.of("pump-house", new Endpoint("board", "A8")),
                Place.of(HERE, new Endpoint("board", "D5")),
                true,
                Extras.NONE))));
    }

    @Test
    void aWireInTheListOfTheOtherTableIsWaitedForAndFound(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.WAKE);
        join(robot);
        show(robot, "high pump-house/board.A8");
        String there = "#wake-to-wire-pump-house";
        until(() -> isThere(robot, there));
        assertTrue(
                told(robot).contains("At Pump house 3 wires are still to be plugged for this"),
                () -> "the wire, and two of the ground: " + told(robot));
        fire(robot, there);
        until(() -> isThere(robot, "#wire-list")
                && session.nodeProperty().get().equals("pump-house")
                && chosen(robot).contains("away " + HERE + "/board.D5"));
    }

    @SuppressWarnings("unchecked")
    private static String chosen(FxRobot robot) {
        ListView<WireStep> list = robot.lookup("#wire-list").queryAs(ListView.class);
        return Optional.ofNullable(list.getSelectionModel().getSelectedItem())
                .map(WireStep::id)
                .orElse("");
    }

    private static String told(FxRobot robot) {
        return seen(() -> robot.lookup(".look-text").queryAll().stream()
                .filter(Caption.class::isInstance)
                .map(Caption.class::cast)
                .map(Caption::getText)
                .collect(Collectors.joining(" | ")));
    }
}
