package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.testfx.util.WaitForAsyncUtils.waitForFxEvents;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Panner;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The loom in the real window: knots dragged, swapped, held and walked, other placements, folding and names. */
@ExtendWith(ApplicationExtension.class)
class PinsWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS, Given.FIRST_SKETCH);
    }

    private static Place place(String part, String pin) {
        return Place.of(NODE, new Endpoint(part, pin));
    }

    private Wire wire(String part, String pin) {
        return node(NODE).wire(new Endpoint(part, pin)).orElseThrow();
    }

    private String pinOf(String part, String pin) {
        return wire(part, pin).to().pin();
    }

    /** Opens an example with a signal selected, its row in view. */
    private void choose(FxRobot robot, String example, String part, String pin) throws Exception {
        open(robot, example, Stage.PINS);
        robot.interact(() -> session.selection().show(Stage.PINS, place(part, pin)));
        until(() -> isThere(robot, "#pin-" + part + "-" + pin));
        until(() -> !robot.lookup(".knot-open").queryAll().isEmpty());
    }

    private static Point2D middle(FxRobot robot, Node node) {
        Bounds bounds = node.localToScreen(node.getBoundsInLocal());
        return new Point2D((bounds.getMinX() + bounds.getMaxX()) / 2, (bounds.getMinY() + bounds.getMaxY()) / 2);
    }

    /** The knot at the right end of a row. */
    private static Point2D knot(FxRobot robot, String row) {
        Node knot = robot.from(robot.lookup(row)).lookup(".knot-shape").query();
        return middle(robot, knot);
    }

    private void dragOnto(FxRobot robot, String row, Point2D target) {
        robot.moveTo(knot(robot, row)).press(MouseButton.PRIMARY);
        robot.moveTo(target.subtract(8, 0)).moveTo(target);
        waitForFxEvents();
    }

    private void undo(FxRobot robot) {
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
    }

    @Test
    void aKnotIsDraggedToAFreePinAndUndone(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "handset", "OUT");
        String before = pinOf("handset", "OUT");
        dragOnto(
                robot,
                "#pin-handset-OUT",
                middle(robot, robot.lookup("#ring-A2").query()));
        assertTrue(text(robot, ".loom-hint").contains("Put OUT on A2"));
        robot.release(MouseButton.PRIMARY);
        until(() -> pinOf("handset", "OUT").equals("A2"));
        undo(robot);
        until(() -> pinOf("handset", "OUT").equals(before));
    }

    @Test
    void aPinThatCannotDoItSaysWhyAndTakesNothing(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "level", "S");
        String before = pinOf("level", "S");
        Build build = session.build().orElseThrow();
        Node thread = find(robot, "thread-D6");
        dragOnto(
                robot,
                "#pin-level-S",
                new Point2D(foot(thread), knot(robot, "#pin-level-S").getY()));
        assertEquals("D6 cannot measure a voltage.", text(robot, ".loom-hint"));
        robot.release(MouseButton.PRIMARY);
        waitForFxEvents();
        assertEquals(before, pinOf("level", "S"));
        assertEquals(build, session.build().orElseThrow());
        assertEquals(
                "D6 cannot measure a voltage.",
                session.notices().property().get().text());
    }

    /** Where a thread stands below its leaning name. */
    private static double foot(Node name) {
        return name.getParent().localToScreen(name.getLayoutX(), 0).getX();
    }

    /** The radio's IRQ is wired only when somebody wants it; what it asks for is read in the Why panel. */
    @Test
    void aSignalIsAskedForSharedOutAndDoneWithoutAgain(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "radio", "IRQ");
        until(() -> isSaid(robot, "nothing: it is wired only when you want it"));
        robot.clickOn("#action-want");
        until(() -> isSaid(robot, "a wire, since you want it"));
        until(() -> wireOf("radio", "IRQ").isPresent());
        until(() -> robot.lookup("#action-without").tryQuery().isPresent());
        press(robot, "#action-without");
        until(() -> isSaid(robot, "nothing: it is wired only when you want it"));
    }

    private static boolean isSaid(FxRobot robot, String text) {
        return robot.lookup((Node node) ->
                        node instanceof Caption caption && caption.getText().contains(text))
                .tryQuery()
                .isPresent();
    }

    private Optional<Wire> wireOf(String part, String pin) {
        return session.build()
                .orElseThrow()
                .node(session.nodeProperty().get())
                .orElseThrow()
                .wire(new Endpoint(part, pin));
    }

    @Test
    void aTakenPinOffersTheSwap(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "radio", "CSN");
        assertEquals("D8", pinOf("radio", "CSN"));
        assertEquals("D9", pinOf("radio", "CE"));
        dragOnto(robot, "#pin-radio-CSN", middle(robot, robot.lookup("#ring-D9").query()));
        robot.release(MouseButton.PRIMARY);
        until(() -> session.notices().property().get() != null);
        assertEquals("D8", pinOf("radio", "CSN"), "nothing moves before the builder says so");
        robot.interact(() -> robot.lookup("Change places of CSN and CE")
                .queryAs(Button.class)
                .fire());
        until(() -> pinOf("radio", "CSN").equals("D9"));
        assertEquals("D8", pinOf("radio", "CE"));
        assertTrue(wire("radio", "CE").held(), "what was held stays held where it went");
        undo(robot);
        until(() -> pinOf("radio", "CSN").equals("D8"));
        assertEquals("D9", pinOf("radio", "CE"));
    }

    @Test
    void doubleClickHoldsWithAReasonAndEnterLetsGo(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "radio", "CSN");
        robot.moveTo(knot(robot, "#pin-radio-CSN")).doubleClickOn(MouseButton.PRIMARY);
        until(() -> wire("radio", "CSN").held());
        until(() -> robot.lookup("#hold-reason").query().isVisible());
        type(robot, "#hold-reason", "soldered there");
        until(() -> wire("radio", "CSN").reason().equals("soldered there"));
        robot.interact(() -> robot.lookup("#loom").query().requestFocus());
        robot.type(KeyCode.ENTER);
        until(() -> !wire("radio", "CSN").held());
    }

    @Test
    void aReasonThatWasTypedIsKeptHoweverTheWireIsLeft(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "radio", "CE");
        until(() -> robot.lookup("#hold-reason").query().isVisible());
        robot.interact(() -> {
            TextField field = robot.lookup("#hold-reason").queryAs(TextField.class);
            field.requestFocus();
            field.setText("glued down");
            session.selection().show(Stage.PINS, place("radio", "CSN"));
        });
        until(() -> wire("radio", "CE").reason().equals("glued down"));
        assertTrue(wire("radio", "CSN").reason().isEmpty(), "and nothing goes to the next one");
        robot.interact(() -> session.selection().show(Stage.PINS, place("radio", "CE")));
        until(() ->
                robot.lookup("#hold-reason").queryAs(TextField.class).getText().equals("glued down"));
    }

    /** The same place may be held in both for reasons of their own. */
    @Test
    void aReasonDoesNotGoToAnotherBuild(FxRobot robot) throws Exception {
        Path other = folder.resolve("other.inkel.json");
        String text = Files.readString(folder.resolve(Given.LOCKS));
        String theirs = text.replace("the shield already has that trace", "glued");
        assertFalse(theirs.equals(text));
        Files.writeString(other, theirs);
        choose(robot, Given.LOCKS, "radio", "CE");
        until(() -> robot.lookup("#hold-reason").query().isVisible());
        robot.interact(() -> session.files().open(other));
        until(() -> other.equals(session.files().fileProperty().get())
                && wire("radio", "CE").held());
        robot.interact(() -> session.selection().show(Stage.PINS, place("radio", "CSN")));
        robot.interact(() -> session.selection().show(Stage.PINS, place("radio", "CE")));
        waitForFxEvents();
        assertEquals("glued", wire("radio", "CE").reason());
        assertFalse(session.files().unsavedProperty().get(), "nothing was edited");
        assertEquals(
                "glued", robot.lookup("#hold-reason").queryAs(TextField.class).getText());
    }

    @Test
    void arrowsAimAndEnterDrops(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "handset", "OUT");
        String before = pinOf("handset", "OUT");
        robot.interact(() -> robot.lookup("#loom").query().requestFocus());
        robot.type(KeyCode.LEFT);
        waitForFxEvents();
        assertTrue(robot.lookup(".loom-hint").query().isVisible());
        assertEquals(before, pinOf("handset", "OUT"), "aiming moves nothing");
        robot.type(KeyCode.ESCAPE);
        waitForFxEvents();
        assertFalse(robot.lookup(".loom-hint").query().isVisible());
        robot.type(KeyCode.LEFT, KeyCode.ENTER);
        until(() -> !pinOf("handset", "OUT").equals(before));
    }

    @Test
    void anotherPlacementIsComparedTakenAndUndone(FxRobot robot) throws Exception {
        choose(robot, Given.FIRST_SKETCH, "handset", "OUT");
        Build before = session.build().orElseThrow();
        fire(robot, "#alternatives");
        until(() -> isThere(robot, "#take-alternative"));
        until(() -> !robot.lookup(".wire-other").queryAll().isEmpty());
        assertEquals(before, session.build().orElseThrow(), "looking changes nothing");
        press(robot, "#alternative-sparing");
        waitForFxEvents();
        robot.interact(
                () -> robot.lookup("#take-alternative").queryAs(Button.class).fire());
        until(() -> !session.build().orElseThrow().equals(before));
        until(() -> robot.lookup(".wire-other").queryAll().isEmpty());
        assertEquals(
                0,
                session.assessmentProperty().get().of(NODE, Stage.PINS).stream()
                        .filter(finding -> finding.code().equals("pins.two_drivers")
                                || finding.code().equals("pins.not_placed"))
                        .count());
        undo(robot);
        until(() -> session.build().orElseThrow().equals(before));
    }

    @Test
    void sharingOutAnewKeepsWhatIsPlaced(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "handset", "OUT");
        Build before = session.build().orElseThrow();
        robot.press(KeyCode.CONTROL, KeyCode.P).release(KeyCode.P, KeyCode.CONTROL);
        until(() -> session.notices().property().get() != null);
        assertEquals(before, session.build().orElseThrow(), "nothing is better, so nothing moves");
    }

    @Test
    void freePinsAndModulesAreFoldedAndPinsNamedAnew(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "radio", "CE");
        assertTrue(find(robot, "thread-D2") != null);
        press(robot, "#fold-radio");
        until(() -> !isThere(robot, "#pin-radio-CE"));
        press(robot, "#fold-radio");
        until(() -> isThere(robot, "#pin-radio-CE"));
        item(robot, "hide_free");
        until(() -> find(robot, "thread-D2") == null);
        item(robot, "names-place");
        until(() -> find(robot, "thread-D9") == null);
        item(robot, "names-label");
        item(robot, "by_bus");
        until(() -> find(robot, "thread-D9") != null);
        robot.interact(() -> robot.lookup("#lens-current")
                .queryAs(javafx.scene.control.ToggleButton.class)
                .fire());
        until(() -> !robot.lookup(".wire-verdict-fine").queryAll().isEmpty());
    }

    private static void item(FxRobot robot, String id) {
        robot.interact(
                () -> robot.lookup("#loom-view").queryAs(javafx.scene.control.MenuButton.class).getItems().stream()
                        .filter(item -> id.equals(item.getId()))
                        .forEach(item -> {
                            if (item instanceof javafx.scene.control.CheckMenuItem check) {
                                check.setSelected(!check.isSelected());
                            }
                            item.fire();
                        }));
        waitForFxEvents();
    }

    @Test
    void ringsStandOnTheirThreadsWhateverTheWidth(FxRobot robot) throws Exception {
        choose(robot, Given.LOCKS, "handset", "OUT");
        for (double width : new double[] {1500, 1100, 1280}) {
            robot.interact(() -> robot.window(0).setWidth(width));
            waitForFxEvents();
            Node name = find(robot, "thread-A2");
            Node ring = robot.lookup("#ring-A2").query();
            assertEquals(foot(name), middle(robot, ring).getX(), 1.5, "at " + width);
        }
    }

    @Test
    void onlyWhatIsSeenIsMade(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PINS);
        until(() -> isThere(robot, ".loom-row"));
        int seen = robot.lookup(".loom-row").queryAll().size();
        int all = LoomModel.of(session.assessmentProperty().get(), NODE).shownRows();
        assertTrue(seen < all, seen + " of " + all);
        Panner view = robot.from(robot.lookup("#loom")).lookup(".panner").queryAs(Panner.class);
        robot.interact(() -> view.panTo(0, Double.MAX_VALUE));
        waitForFxEvents();
        until(() -> isThere(robot, "#pin-level-S"));
        assertTrue(find(robot, "pin-bench--") == null, "what has left the view is dropped");
    }

    private Panner narrow(FxRobot robot) {
        robot.interact(() -> {
            stage.setWidth(900);
            stage.setHeight(600);
        });
        waitForFxEvents();
        return robot.from(robot.lookup("#loom")).lookup(".panner").queryAs(Panner.class);
    }

    private static Bounds onScreen(Node node) {
        return node.localToScreen(node.getBoundsInLocal());
    }

    /** A servo's wire ends at the driver's channels, beyond the board's own threads. */
    @Test
    void aKnotOutOfSightComesIntoViewAndTheNamesStay(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PINS);
        Panner view = narrow(robot);
        until(() -> isThere(robot, "#fold-radio"));
        double names = onScreen(robot.lookup("#fold-radio").query()).getMinX();
        robot.interact(() -> session.selection().show(Stage.PINS, place("sluice", "SIG")));
        until(() -> isThere(robot, "#pin-sluice-SIG") && view.across() > 0);
        Bounds seen = onScreen(view);
        Point2D knot = knot(robot, "#pin-sluice-SIG");
        assertTrue(seen.contains(knot), knot + " in " + seen);
        Node fold = find(robot, "fold-sluice");
        assertEquals(names, onScreen(fold).getMinX(), 0.6, "names of modules stay where they are read");
        assertTrue(knot.getX() > onScreen(fold.getParent()).getMaxX(), "the knot is not under them");
        robot.interact(() -> view.panTo(0, view.top()));
        assertEquals(0, view.across());
    }

    @Test
    void aKnotHeldAtTheEdgeBringsThreadsIntoView(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PINS);
        Panner view = narrow(robot);
        robot.interact(() -> session.selection().show(Stage.PINS, place("radio", "CSN")));
        until(() -> isThere(robot, "#pin-radio-CSN")
                && !robot.lookup(".knot-open").queryAll().isEmpty());
        robot.interact(() -> session.selection().show(Stage.PINS, place("handset", "OUT")));
        until(() -> isThere(robot, "#pin-handset-OUT"));
        String before = pinOf("handset", "OUT");
        double across = view.across();
        Bounds seen = onScreen(view);
        Point2D edge = new Point2D(
                seen.getMinX() + view.viewWidth() - 8,
                knot(robot, "#pin-handset-OUT").getY());
        dragOnto(robot, "#pin-handset-OUT", edge);
        double most = 100;
        until(() -> view.across() >= across + most || view.across() > 0 && isAtEnd(view));
        assertTrue(view.across() > across, "from " + across + " to " + view.across());
        robot.press(KeyCode.ESCAPE).release(KeyCode.ESCAPE);
        robot.release(MouseButton.PRIMARY);
        waitForFxEvents();
        assertEquals(before, pinOf("handset", "OUT"), "let go by Escape");
    }

    private static boolean isAtEnd(Panner view) {
        double before = view.across();
        boolean hasMoved = view.panTo(before + 1, view.top());
        view.panTo(before, view.top());
        return !hasMoved;
    }

    @Test
    void pagesAreTurnedByKeysAndTheWheelGoesBothWays(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PINS);
        Panner view = narrow(robot);
        robot.interact(() -> robot.lookup("#loom").query().requestFocus());
        robot.type(KeyCode.PAGE_DOWN);
        until(() -> view.top() > 0);
        double down = view.top();
        robot.moveTo(view).scroll(3, VerticalDirection.UP);
        until(() -> view.top() < down);
        Node thumb = robot.from(view)
                .lookup(".rail-thumb")
                .match(Node::isVisible)
                .queryAll()
                .iterator()
                .next();
        double here = view.top();
        robot.drag(thumb).dropBy(0, 40);
        until(() -> view.top() > here);
        double thumbTop = onScreen(thumb).getMinY();
        assertTrue(thumbTop > onScreen(view).getMinY(), "the thumb went with the hand");
        robot.clickOn(new Point2D(onScreen(thumb).getCenterX(), onScreen(view).getMinY() + 2));
        until(() -> view.top() < here + 40);
        robot.press(KeyCode.SHIFT).scroll(5, VerticalDirection.DOWN).release(KeyCode.SHIFT);
        until(() -> view.across() > 0);
    }
}
