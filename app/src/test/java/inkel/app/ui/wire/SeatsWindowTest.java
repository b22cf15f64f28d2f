package inkel.app.ui.wire;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.kit.Caption;
import inkel.app.words.Words;
import inkel.core.catalog.Settings;
import inkel.core.document.Place;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Stage;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Seats in the real window: looked at, dragged, turned, taken off, kept by what is plugged, undone. */
@ExtendWith(ApplicationExtension.class)
class SeatsWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS);
    }

    private void seats(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.WIRE);
        until(() -> plan().isPresent());
        press(robot, "#wire-tab-seats");
        until(() -> isThere(robot, "#seat-reader"));
    }

    private Optional<SeatPlan> plan() {
        return session.seats().of(session.assessmentProperty().get(), NODE);
    }

    private SeatChoice seat(String part) {
        return plan().orElseThrow().seat(part).orElseThrow().at();
    }

    private Map<String, SeatChoice> kept() {
        return node(NODE).seats();
    }

    private static String title(FxRobot robot) {
        return text(robot, "#why-title");
    }

    private void action(FxRobot robot, String id) throws Exception {
        until(() -> find(robot, "action-" + id) != null);
        press(robot, "#action-" + id);
    }

    @Test
    void aSeatIsLookedAtAndItsPinsAreNamedWithTheirHoles(FxRobot robot) throws Exception {
        seats(robot);
        press(robot, "#seat-reader");
        until(() -> title(robot).equals("Tag reader"));
        SeatChoice at = seat("reader");
        char letter = at.side() == Side.LEFT ? 'a' : 'j';
        int first = at.isTurned() ? at.row() + 7 : at.row();
        until(() -> says(robot, "row " + first + ", hole " + letter));
    }

    private static boolean says(FxRobot robot, String words) {
        return robot.lookup(
                        node -> node instanceof Caption text && text.getText().contains(words))
                .tryQuery()
                .isPresent();
    }

    @Test
    void aSeatIsDraggedAndTheDragIsUndone(FxRobot robot) throws Exception {
        seats(robot);
        SeatChoice before = seat("level");
        Bounds box = bounds(robot.lookup("#seat-level").query());
        Node map = robot.lookup(".seat-map").query();
        Bounds whole = bounds(map);
        double cell = box.getWidth() / 3;
        robot.moveTo(box.getMinX() + cell / 2, box.getMinY() + 8)
                .press(MouseButton.PRIMARY)
                .moveTo(box.getMinX() + cell / 2 + 6, box.getMinY() + 12)
                .moveTo(whole.getMinX() + 18 + cell * 22.5, box.getMinY() + 20)
                .release(MouseButton.PRIMARY);
        SeatChoice there = new SeatChoice(1, Side.LEFT, 23, before.isTurned());
        until(() -> plan().isPresent() && seat("level").equals(there));
        assertEquals(Map.of("level", there), kept());
        robot.interact(() -> session.undo());
        until(() -> plan().isPresent() && seat("level").equals(before));
        assertEquals(Map.of(), kept());
    }

    private static Bounds bounds(Node node) {
        return node.localToScreen(node.getBoundsInLocal());
    }

    @Test
    void whereItCannotSitIsSaidAndNothingChanges(FxRobot robot) throws Exception {
        seats(robot);
        SeatPlan.Seat reader = plan().orElseThrow().seat("reader").orElseThrow();
        robot.interact(() -> robot.lookup("#seat-reader").query().requestFocus());
        SeatChoice last = new SeatChoice(1, reader.at().side(), 56, reader.at().isTurned());
        robot.interact(() -> session.seats().move("reader", last));
        until(() -> plan().isPresent() && seat("reader").equals(last));
        robot.interact(() -> robot.lookup("#seat-reader").query().requestFocus());
        robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        until(() -> text(robot, "#seats-help").equals("It needs 8 rows: the last one it can begin at is 56."));
        assertEquals(last, seat("reader"));
    }

    @Test
    void byKeysAloneASeatIsTurnedAndMoved(FxRobot robot) throws Exception {
        seats(robot);
        SeatChoice before = seat("level");
        robot.interact(() -> robot.lookup("#seat-level").query().requestFocus());
        robot.type(KeyCode.T);
        until(() -> plan().isPresent() && seat("level").isTurned() != before.isTurned());
        until(() -> robot.lookup("#seat-level").query().isFocused());
        robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        until(() -> plan().isPresent() && seat("level").row() == before.row() + 1);
    }

    @Test
    void offTheBreadboardAndBackOn(FxRobot robot) throws Exception {
        seats(robot);
        press(robot, "#seat-reader");
        action(robot, "seat-off");
        until(() -> plan().isPresent() && plan().get().seat("reader").isEmpty());
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, "reader")));
        action(robot, "seat-on");
        until(() -> plan().isPresent() && plan().get().seat("reader").isPresent());
    }

    /** A press of the space bar keeps what the wire is plugged at; undo lets it go. */
    @Test
    @SuppressWarnings("unchecked")
    void whatIsPluggedIsKept(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.WIRE);
        until(() -> plan().isPresent());
        ListView<WireStep> list = robot.lookup("#wire-list").queryAs(ListView.class);
        robot.interact(() -> list.getSelectionModel()
                .select(list.getItems().stream()
                        .filter(step -> step.id().endsWith("> level.S@1"))
                        .findFirst()
                        .orElseThrow()));
        int row = seat("level").row();
        until(() -> text(robot, "#wire-to-place").startsWith("row "));
        robot.interact(() -> robot.lookup("#wire-list").query().requestFocus());
        robot.type(KeyCode.SPACE);
        until(() -> kept().containsKey("level") && plan().isPresent());
        assertEquals(row, kept().get("level").row());
        robot.interact(() -> session.undo());
        until(() -> !kept().containsKey("level"));
    }

    @Test
    void withoutABreadboardThatIsSaid(FxRobot robot) throws Exception {
        seats(robot);
        robot.interact(() -> session.apply(new SetSetting(NODE, "board", Settings.TABLE, "strip")));
        until(() -> says(robot, Words.get("seats.none.table", "table", Words.get("seats.table.strip"))));
        assertFalse(isThere(robot, "#seat-reader"));
    }
}
