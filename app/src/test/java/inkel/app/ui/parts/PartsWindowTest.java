package inkel.app.ui.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.testfx.util.WaitForAsyncUtils.waitForFxEvents;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Station;
import inkel.core.document.edit.RenamePart;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.skin.TextFieldSkin;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The Parts stage in the real window: finding, adding, own figures, own modules, boards, a new build. */
@ExtendWith(ApplicationExtension.class)
class PartsWindowTest extends WindowJourney {
    private static final String PEAK = "figure-current/3.3V/peak";

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS);
        session.files().open(folder.resolve(Given.LOCKS));
    }

    private void reopened(FxRobot robot) throws Exception {
        robot.interact(() -> session.files().open(folder.resolve(Given.LOCKS)));
        opened();
    }

    private void opened() throws Exception {
        until(() -> session.assessmentProperty().get() != null);
    }

    private static void fill(FxRobot robot, String id, String text) {
        robot.interact(() -> robot.lookup(id).queryAs(TextInputControl.class).setText(text));
    }

    private static void keys(FxRobot robot, KeyCode... codes) {
        robot.press(codes).release(codes);
    }

    private static boolean isDrawn(TextField field, String text) {
        return field.lookupAll(".text").stream()
                .anyMatch(node -> node instanceof Text drawn && drawn.getText().equals(text) && drawn.isVisible());
    }

    @Test
    void wordsPutInTheSleepingFinderAreSeen(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        TextField field = robot.lookup("#finder-field").queryAs(TextField.class);
        robot.interact(() -> field.setText("servo"));
        until(() -> isDrawn(field, "servo"));
    }

    @Test
    void twelvePartsAreSeenAtOnceAndTheFinderUnfoldsBesideThem(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        Region finder = robot.lookup("#part-finder").queryAs(Region.class);
        Region table = robot.lookup("#parts-table").queryAs(Region.class);
        until(() -> finder.getHeight() > 0 && finder.getHeight() < 80);
        Bounds seen = table.localToScene(table.getLayoutBounds());
        assertTrue(finder.localToScene(finder.getLayoutBounds()).getMaxY() <= seen.getMinY(), "above the table");
        long whole = robot.lookup(".part-card").queryAll().stream()
                .map(card -> card.localToScene(card.getLayoutBounds()))
                .filter(card -> card.getMaxY() <= seen.getMaxY() + 1)
                .count();
        assertTrue(whole >= 12, whole + " cards");
        TextField field = robot.lookup("#finder-field").queryAs(TextField.class);
        robot.interact(() -> field.setText("servo"));
        until(() -> finder.getHeight() > 300 && finder.getWidth() < 400);
        until(() -> isThere(robot, ".result-card"));
        robot.interact(field::clear);
        until(() -> finder.getHeight() < 80);
    }

    /** Until then it shows its prompt only. */
    @Test
    void theFinderWakesWhenSomebodyTurnsToIt(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        TextField field = robot.lookup("#finder-field").queryAs(TextField.class);
        assertFalse(field.getSkin() instanceof TextFieldSkin, "asleep");
        assertEquals(
                "gnd vcc ce csn sck mosi",
                robot.from(field).lookup(".prompt").queryAs(Line.class).getText());
        robot.clickOn(field).write("rad");
        until(() -> field.getText().equals("rad") && field.getSkin() instanceof TextFieldSkin);
        until(() -> isDrawn(field, "rad"));
        until(() -> isThere(robot, ".result-card"));
    }

    @Test
    void aPartIsFoundByItsLabelsAndPutOnTheTableByKeysAlone(FxRobot robot) throws Exception {
        opened();
        int before = node(NODE).parts().size();
        keys(robot, KeyCode.CONTROL, KeyCode.F);
        until(() -> robot.lookup("#finder-field").query().isFocused());
        robot.write("SDA sck mosi mis0 gnd rst", 0);
        until(() -> isThere(robot, "#result-tag-reader-spi"));
        robot.type(KeyCode.DOWN);
        until(() -> session.selection().inspectedProperty().get() != null);
        assertEquals(
                "tag-reader-spi", session.selection().inspectedProperty().get().id());
        assertEquals("Tag reader 13.56 MHz", text(robot, "#why-title"));
        robot.type(KeyCode.ENTER);
        until(() -> node(NODE).parts().size() == before + 1);
        Part added = node(NODE).parts().get(before);
        assertEquals("tag-reader-spi", added.classId());
        until(() -> isThere(robot, "#part-" + added.id()));
        until(() -> Place.ofPart(NODE, added.id())
                .equals(session.selectionProperty().get()));
        keys(robot, KeyCode.CONTROL, KeyCode.Z);
        until(() -> node(NODE).parts().size() == before);
    }

    @Test
    void severalAreAddedFromTheWhyPanel(FxRobot robot) throws Exception {
        opened();
        int before = node(NODE).parts().size();
        fill(robot, "#finder-field", "micro servo");
        until(() -> isThere(robot, "#result-servo-micro"));
        press(robot, "#result-servo-micro");
        until(() -> isThere(robot, "#action-add-4"));
        press(robot, "#action-add-4");
        until(() -> node(NODE).parts().size() >= before + 4);
        assertEquals(
                4,
                node(NODE).parts().stream()
                        .skip(before)
                        .filter(part -> part.classId().equals("servo-micro"))
                        .map(Part::name)
                        .distinct()
                        .count());
    }

    @Test
    void anOwnFigureChangesVerdictsAndTheClassFigureComesBack(FxRobot robot) throws Exception {
        opened();
        int before = session.assessmentProperty().get().findings().size();
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, "reader")));
        keys(robot, KeyCode.CONTROL, KeyCode.E);
        until(() -> find(robot, PEAK) != null);
        enter(robot, PEAK, "3 V");
        until(() -> isTold(robot, "20 mA"));
        assertEquals(before, session.assessmentProperty().get().findings().size(), "it was not taken");
        enter(robot, PEAK, "2 A");
        until(() -> session.assessmentProperty().get().findings().stream()
                .anyMatch(finding -> finding.code().equals("power.rail_peak")));
        until(() -> find(robot, "class-current/3.3V/peak") != null);
        robot.interact(((Pressable) find(robot, "class-current/3.3V/peak"))::fire);
        until(() -> session.assessmentProperty().get().findings().size() == before);
        assertEquals(java.util.Map.of(), node(NODE).part("reader").orElseThrow().figures());
    }

    @Test
    void whatIsTypedStaysWhileTheBuildIsJudgedAnew(FxRobot robot) throws Exception {
        opened();
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, "reader")));
        keys(robot, KeyCode.CONTROL, KeyCode.E);
        until(() -> find(robot, PEAK) != null);
        enter(robot, PEAK, "3 V");
        until(() -> isTold(robot, "20 mA"));
        robot.interact(() -> {
            TextInputControl purpose = (TextInputControl) find(robot, "own-purpose");
            purpose.requestFocus();
            purpose.setText("who is at");
            purpose.selectRange(7, 7);
        });
        javafx.scene.Node before = find(robot, PEAK);
        String wanted = node(NODE).part("reader").orElseThrow().purpose();
        inkel.core.checks.Assessment judged = session.assessmentProperty().get();
        robot.interact(() -> session.apply(new RenamePart(NODE, "reader", "Door reader")));
        until(() -> session.assessmentProperty().get() != judged && find(robot, PEAK) != before);
        assertEquals("3 V", ((TextInputControl) find(robot, PEAK)).getText());
        assertTrue(isTold(robot, "20 mA"));
        TextInputControl purpose = (TextInputControl) find(robot, "own-purpose");
        assertEquals("who is at", purpose.getText());
        assertTrue(purpose.isFocused());
        assertEquals(7, purpose.getCaretPosition());
        assertEquals("Door reader", ((TextInputControl) find(robot, "own-name")).getText());
        assertEquals(wanted, node(NODE).part("reader").orElseThrow().purpose(), "half a text was taken");
    }

    private static void enter(FxRobot robot, String id, String text) {
        robot.interact(() -> {
            TextInputControl field = (TextInputControl) find(robot, id);
            field.requestFocus();
            field.setText(text);
        });
        robot.type(KeyCode.ENTER);
        waitForFxEvents();
    }

    @Test
    void aModuleMadeInTheFormIsFoundWiredAndThereAfterARestart(FxRobot robot) throws Exception {
        opened();
        press(robot, "#make-part");
        until(() -> isThere(robot, "#maker-part-name"));
        assertTrue(robot.lookup("#maker-save").query().isDisabled(), "a module without name and pins is none");
        fill(robot, "#maker-part-name", "Rain gauge");
        fill(robot, "#maker-pins", "GND VCC SDA SCL INT");
        waitForFxEvents();
        assertTrue(text(robot, "#maker-problems").contains("address"));
        fill(robot, "#maker-address", "0x29");
        fill(robot, "#maker-idle", "2 mA");
        fill(robot, "#maker-peak", "30 mA");
        until(() -> !robot.lookup("#maker-save").query().isDisabled());
        assertTrue(isThere(robot, "#role-SDA"), "it is shown as the loom will show it");
        press(robot, "#maker-save");
        until(() -> session.catalog().find("own-rain-gauge").isPresent());

        fill(robot, "#finder-field", "rain gauge");
        until(() -> isThere(robot, "#result-own-rain-gauge"));
        robot.interact(() -> robot.lookup("#finder-field").query().requestFocus());
        robot.type(KeyCode.ENTER);
        until(() -> node(NODE).part("own-rain-gauge").isPresent());
        robot.interact(() -> session.stageProperty().set(Stage.PINS));
        robot.interact(() -> session.selectionProperty()
                .set(inkel.core.document.Place.of(NODE, new inkel.core.document.Endpoint("own-rain-gauge", "SDA"))));
        until(() -> isThere(robot, "#pin-own-rain-gauge-SDA"));

        robot.interact(session.files()::save);
        until(() -> !session.files().unsavedProperty().get());
        robot.interact(this::show);
        reopened(robot);
        assertTrue(node(NODE).part("own-rain-gauge").isPresent());
        fill(robot, "#finder-field", "rain gauge");
        until(() -> isThere(robot, "#result-own-rain-gauge"));
    }

    @Test
    void boardsAreAddedRenamedCopiedAndRemoved(FxRobot robot) throws Exception {
        opened();
        press(robot, "#node-add");
        until(() -> isThere(robot, "#maker-name"));
        press(robot, "#choice-board-tolerant-3v3");
        press(robot, "#maker-make");
        waitForFxEvents();
        assertEquals(2, session.build().orElseThrow().nodes().size(), "a board without a name is asked for one");
        fill(robot, "#maker-name", "Boat house");
        press(robot, "#maker-make");
        until(() -> session.nodeProperty().get().equals("boat-house"));
        until(() -> isThere(robot, "#parts-empty")
                && robot.lookup("#parts-empty").query().isVisible());

        press(robot, "#node-boat-house");
        robot.interact(() -> robot.lookup("#node-boat-house").query().requestFocus());
        robot.type(KeyCode.F2);
        until(() -> isThere(robot, "#rename-node"));
        fill(robot, "#rename-node", "Upper lock");
        robot.type(KeyCode.ENTER);
        until(() -> node("boat-house").name().equals("Upper lock"));

        robot.interact(() -> session.boards().copy("boat-house", 1));
        until(() -> session.build().orElseThrow().nodes().size() == 4);
        String copy = session.build().orElseThrow().nodes().get(3).id();
        until(() -> session.nodeProperty().get().equals(copy));
        robot.interact(() -> session.boards().remove(copy));
        until(() -> session.build().orElseThrow().nodes().size() == 3);
        until(() -> !session.nodeProperty().get().equals(copy));
    }

    @Test
    void equalBoardsAreAddedByNumber(FxRobot robot) throws Exception {
        opened();
        press(robot, "#node-add");
        until(() -> isThere(robot, "#equals-count"));
        fill(robot, "#equals-count", "none");
        press(robot, "#equals-add");
        waitForFxEvents();
        assertEquals(2, session.build().orElseThrow().nodes().size(), "a number is asked for");
        fill(robot, "#equals-count", "2");
        press(robot, "#equals-add");
        until(() -> session.build().orElseThrow().nodes().size() == 4);
        until(() -> session.nodeProperty().get().equals("lower-lock-2"));
        assertEquals(4, session.build().orElseThrow().air().get(0).stations().size(), "their radios are stations too");
    }

    @Test
    void aRadioBecomesTheHub(FxRobot robot) throws Exception {
        opened();
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, "radio")));
        until(() -> isThere(robot, "#action-role-hub"));
        press(robot, "#action-role-hub");
        until(() -> session.build().orElseThrow().air().get(0).stations().get(1).role() == Station.Role.HUB);
        assertEquals(
                Station.Role.LEAF,
                session.build().orElseThrow().air().get(0).stations().get(0).role());
    }

    @Test
    void aPartMovesToAnotherBoard(FxRobot robot) throws Exception {
        opened();
        robot.interact(() -> session.selectionProperty().set(Place.ofPart(NODE, "handset")));
        until(() -> isThere(robot, "#action-move-pump-house"));
        press(robot, "#action-move-pump-house");
        until(() -> node("pump-house").part("handset").isPresent());
        assertTrue(node(NODE).part("handset").isEmpty());
    }

    @Test
    void aBuildIsBegunInThreeChoices(FxRobot robot) throws Exception {
        opened();
        keys(robot, KeyCode.CONTROL, KeyCode.N);
        until(() -> isThere(robot, "#start-page"));
        press(robot, "#choice-board-dual-core-3v3");
        press(robot, "#choice-wall-supply-5v");
        fill(robot, "#maker-name", "Heron lamp");
        press(robot, "#maker-make");
        until(() -> session.build().orElseThrow().name().equals("Heron lamp"));
        List<Part> parts = session.build().orElseThrow().nodes().get(0).parts();
        assertEquals(
                List.of("board-dual-core-3v3", "wall-supply-5v"),
                parts.stream().map(Part::classId).toList());
        assertFalse(isThere(robot, "#start-page"));
        assertTrue(session.files().unsavedProperty().get());
        assertEquals(
                List.of(),
                session.assessmentProperty().get().findings().stream()
                        .filter(finding -> finding.severity() != inkel.core.finding.Severity.NOTE)
                        .toList());
    }

    /** Two boards talk by their ports; sharing out pins leaves both wires there, and one undo takes both away. */
    @Test
    void aSerialLineToAnotherBoard(FxRobot robot) throws Exception {
        opened();
        int before = session.build().orElseThrow().links().size();
        robot.interact(() -> session.selectionProperty().set(Place.ofPart("lower-lock", "board")));
        until(() -> isThere(robot, "#action-serial-to-pump-house"));
        press(robot, "#action-serial-to-pump-house");
        until(() -> session.build().orElseThrow().links().size() == before + 2);
        List<NodeWire> lines = session.build().orElseThrow().links().subList(before, before + 2);
        assertEquals(lines.get(0).from().node(), lines.get(1).to().node());
        assertTrue(lines.get(0).groundJoined());
        robot.interact(() -> session.undo());
        until(() -> session.build().orElseThrow().links().size() == before);
    }

    /** A bus goes on to another board by one press, and is taken away by one undo. */
    @Test
    void anI2cBusToAnotherBoard(FxRobot robot) throws Exception {
        opened();
        int before = session.build().orElseThrow().links().size();
        robot.interact(() -> session.selectionProperty().set(Place.ofPart("lower-lock", "board")));
        until(() -> isThere(robot, "#action-bus-to-pump-house"));
        press(robot, "#action-bus-to-pump-house");
        until(() -> session.build().orElseThrow().links().size() == before + 2);
        until(() -> !isThere(robot, "#action-bus-to-pump-house"));
        robot.interact(() -> session.undo());
        until(() -> session.build().orElseThrow().links().size() == before);
    }
}
