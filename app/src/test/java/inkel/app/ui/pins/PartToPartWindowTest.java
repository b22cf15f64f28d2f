package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.testfx.util.WaitForAsyncUtils.waitForFxEvents;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.kit.Caption;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Signals from part to part, and parts in a wire, in the real window. */
@ExtendWith(ApplicationExtension.class)
class PartToPartWindowTest extends WindowJourney {
    private static final String BOX = "box";

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.TEXT_BOX);
    }

    private void choose(FxRobot robot, String part, String pin) throws Exception {
        open(robot, Given.TEXT_BOX, Stage.PINS);
        robot.interact(() -> session.selection().show(Stage.PINS, Place.of(BOX, new Endpoint(part, pin))));
        until(() -> isThere(robot, "#pin-" + part + "-" + pin));
    }

    private Optional<Endpoint> to(String part, String pin) {
        return node(BOX).wire(new Endpoint(part, pin)).map(Wire::to);
    }

    private static Point2D middle(Node node) {
        Bounds bounds = node.localToScreen(node.getBoundsInLocal());
        return new Point2D((bounds.getMinX() + bounds.getMaxX()) / 2, (bounds.getMinY() + bounds.getMaxY()) / 2);
    }

    private void drag(FxRobot robot, String row, String thread) {
        Point2D knot =
                middle(robot.from(robot.lookup(row)).lookup(".knot-shape").query());
        Node name = find(robot, thread);
        Point2D target =
                new Point2D(name.getParent().localToScreen(name.getLayoutX(), 0).getX(), knot.getY());
        robot.moveTo(knot).press(MouseButton.PRIMARY);
        robot.moveTo(target.subtract(8, 0)).moveTo(target);
        waitForFxEvents();
        robot.release(MouseButton.PRIMARY);
    }

    private void undo(FxRobot robot) {
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
    }

    @Test
    void theContrastIsDraggedToTheKnobAndStaysThereWhenPinsAreSharedOut(FxRobot robot) throws Exception {
        choose(robot, "text", "VO");
        drag(robot, "#pin-text-VO", "thread-OUT");
        until(() -> to("text", "VO").equals(Optional.of(new Endpoint("knob", "OUT"))));
        robot.press(KeyCode.CONTROL, KeyCode.P).release(KeyCode.P, KeyCode.CONTROL);
        until(() -> to("text", "RS").isPresent());
        assertEquals(Optional.of(new Endpoint("knob", "OUT")), to("text", "VO"));
        assertEquals(Optional.empty(), to("knob", "OUT"), "the board has no use for it");
        undo(robot);
        until(() -> to("text", "RS").isEmpty());
        undo(robot);
        until(() -> to("text", "VO").equals(Optional.of(new Endpoint("board", "GND"))));
    }

    @Test
    void theWayOutOfATiedContrastIsTheKnobThatIsThere(FxRobot robot) throws Exception {
        choose(robot, "text", "VO");
        until(() -> isThere(robot, "#way-0"));
        press(robot, "#way-0");
        until(() -> to("text", "VO").equals(Optional.of(new Endpoint("knob", "OUT"))));
    }

    /** The receiver's second channel: one is enough for this model. */
    @Test
    void aSignalIsDoneWithoutForATypedReason(FxRobot robot) throws Exception {
        choose(robot, "air", "CH2");
        until(() -> isThere(robot, "#action-without"));
        press(robot, "#action-without");
        until(() -> robot.lookup("#hold-reason").query().isVisible());
        type(robot, "#hold-reason", "one channel is enough");
        until(() ->
                node(BOX).part("air").orElseThrow().settings().get("declined").equals("CH2 (one channel is enough)"));
        robot.interact(() -> robot.lookup("#loom").query().requestFocus());
        undo(robot);
        until(() ->
                node(BOX).part("air").orElseThrow().settings().get("declined").equals("CH2"));
    }

    @Test
    void aLampIsPutOnAChannelOfTheReceiver(FxRobot robot) throws Exception {
        choose(robot, "lamp", "A");
        drag(robot, "#pin-lamp-A", "thread-CH3");
        until(() -> to("lamp", "A").equals(Optional.of(new Endpoint("air", "CH3"))));
    }

    @Test
    void aLowPassIsPutInTheWireOfAButtonAndTakenOutAgain(FxRobot robot) throws Exception {
        choose(robot, "press", "A");
        until(() -> isThere(robot, "#piece-open"));
        press(robot, "#piece-open");
        until(() -> isThere(robot, "#piece-value-series"));
        type(robot, "#piece-value-series", "ten");
        assertTrue(isTold(robot, "ten"), "what is wrong is said beside it");
        assertEquals(Optional.empty(), node(BOX).between(new Endpoint("press", "A")));
        robot.interact(() -> robot.lookup("#piece-value-capacitor")
                .queryAs(TextInputControl.class)
                .setText("100n"));
        type(robot, "#piece-value-series", "10k");
        until(() -> node(BOX).between(new Endpoint("press", "A")).isPresent());
        Between.Series low =
                (Between.Series) node(BOX).between(new Endpoint("press", "A")).orElseThrow();
        assertEquals(10_000, low.resistance().ohms(), 1e-9);
        assertEquals(100e-9, low.capacitor().orElseThrow().farads(), 1e-15);
        until(() -> isThere(robot, "#action-take-out"));
        assertTrue(robot.lookup(".row-value").queryAll().stream()
                .anyMatch(
                        value -> value instanceof Caption text && text.getText().equals("10 kΩ, 100 nF")));
        press(robot, "#action-take-out");
        until(() -> node(BOX).between(new Endpoint("press", "A")).isEmpty());
    }

    @Test
    void anotherKindTakesItsOwnValuesAndLeavingChangesNothing(FxRobot robot) throws Exception {
        choose(robot, "press", "A");
        press(robot, "#piece-open");
        until(() -> isThere(robot, "#piece-value-series"));
        press(robot, "#piece-opto");
        until(() -> isThere(robot, "#piece-value-pull_up"));
        assertFalse(isThere(robot, "#piece-value-capacitor"));
        press(robot, "#piece-leave");
        until(() -> isThere(robot, "#piece-open"));
        assertEquals(Optional.empty(), node(BOX).between(new Endpoint("press", "A")));
    }

    private String leg() {
        return node(BOX).part("press").orElseThrow().feeds() + " "
                + node(BOX)
                        .between(new Endpoint("press", "A"))
                        .map(Between::text)
                        .orElse("straight");
    }

    @Test
    void theOtherLegOfAContactGoesToASupplyWithAResistorAndBack(FxRobot robot) throws Exception {
        choose(robot, "press", "A");
        String rail = session.assessmentProperty()
                .get()
                .circuit(BOX)
                .orElseThrow()
                .ioRail(to("press", "A").orElseThrow())
                .orElseThrow()
                .id()
                .toString();
        robot.interact(() -> session.selection().show(Stage.PARTS, Place.ofPart(BOX, "press")));
        until(() -> isThere(robot, "#action-leg-to-supply"));
        press(robot, "#action-leg-to-supply");
        until(() -> leg().equals("{B=" + rail + "} pull-down 10000.0"));
        until(() -> isThere(robot, "#action-leg-to-ground"));
        press(robot, "#action-leg-to-ground");
        until(() -> leg().equals("{} straight"));
        undo(robot);
        until(() -> leg().equals("{B=" + rail + "} pull-down 10000.0"));
        undo(robot);
        until(() -> leg().equals("{} straight"));
    }
}
