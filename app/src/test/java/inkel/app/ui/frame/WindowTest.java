package inkel.app.ui.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.testfx.util.WaitForAsyncUtils.waitFor;
import static org.testfx.util.WaitForAsyncUtils.waitForAsyncFx;
import static org.testfx.util.WaitForAsyncUtils.waitForFxEvents;

import inkel.app.kit.Given;
import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.store.UserState;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Line;
import inkel.app.ui.kit.Pressable;
import inkel.core.document.Build;
import inkel.core.document.edit.RenamePart;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.io.document.BuildReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Whole journeys through the real window. */
@ExtendWith(ApplicationExtension.class)
class WindowTest {
    /** Words that no size of the window may cut. */
    private static final List<String> MUST_BE_READ = List.of(
            ".app-name",
            ".stage-title",
            ".why-title",
            ".knot-name",
            ".wire-end",
            ".main-button",
            ".pill-toggle",
            ".pill-button",
            ".pill-text");

    private static final long ASKED_MILLIS = 10_000;

    private static final String NODE = "lower-lock";

    private Path folder;
    private Path file;
    private Session session;
    private Shell shell;
    private javafx.stage.Stage stage;

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        folder = Files.createTempDirectory("inkel-window");
        file = Given.copy(Given.FIRST_SKETCH, folder);
        Window.dress();
        stage = given;
        show();
    }

    private void show() {
        session = Given.session(folder, Lanes.threads(Platform::runLater));
        shell = new Shell(session, UserState.read(folder));
        stage.setScene(Window.scene(shell, 1280, 800));
        stage.show();
        session.files().open(file);
    }

    private static void until(Callable<Boolean> condition) throws Exception {
        // Asked for on the window's thread: another one would look at nodes while they come and go.
        waitFor(90, TimeUnit.SECONDS, () -> waitForAsyncFx(ASKED_MILLIS, condition));
        waitForFxEvents();
    }

    private void opened() throws Exception {
        until(() -> session.assessmentProperty().get() != null);
    }

    private long stops() {
        return session.assessmentProperty().get().count(Severity.STOP);
    }

    private static void click(FxRobot robot, String id) {
        robot.interact(() -> {
            Node node = robot.lookup(id).query();
            if (node instanceof Pressable pressable) {
                pressable.fire();
            } else {
                ((javafx.scene.control.ButtonBase) node).fire();
            }
        });
    }

    @Test
    void aFaultIsReadMendedUndoneSavedAndFoundAgain(FxRobot robot) throws Exception {
        opened();
        long before = stops();

        robot.clickOn("#stage-power");
        Node finding = robot.lookup(node -> node instanceof Pressable button
                        && String.valueOf(button.getAccessibleText()).startsWith("The ground of Bench 6 V"))
                .query();
        robot.clickOn(finding);
        until(() -> robot.lookup("#way-0").tryQuery().isPresent());
        String verdict = robot.lookup("#why-verdict").queryAs(Caption.class).getText();
        assertEquals(
                "The ground of Bench 6 V is not joined to 16-way servo driver: no level between them means anything.",
                verdict);

        robot.clickOn("#way-0");
        until(() -> stops() < before);
        long after = stops();

        robot.clickOn("#undo");
        until(() -> stops() == before);
        robot.clickOn("#redo");
        until(() -> stops() == after);

        robot.press(KeyCode.CONTROL, KeyCode.DIGIT5).release(KeyCode.DIGIT5, KeyCode.CONTROL);
        until(() -> robot.lookup("#wire-card").tryQuery().isPresent());
        robot.interact(() -> robot.lookup("#stage-pane-wire").query().requestFocus());
        robot.type(KeyCode.SPACE).type(KeyCode.SPACE);
        until(() ->
                session.build().orElseThrow().node(NODE).orElseThrow().plugged().size() == 2);

        robot.press(KeyCode.CONTROL, KeyCode.S).release(KeyCode.S, KeyCode.CONTROL);
        until(() -> !session.files().unsavedProperty().get());
        Build saved = session.build().orElseThrow();
        assertEquals(saved, BuildReader.read(file, Given.CATALOG));

        robot.interact(this::show);
        opened();
        assertEquals(saved, session.build().orElseThrow());
        assertEquals(after, stops());
        robot.interact(() -> session.stageProperty().set(Stage.WIRE));
        assertEquals(
                "Done, next", robot.lookup("#wire-done").queryAs(Button.class).getText());
        assertEquals(
                2, session.assessmentProperty().get().wires(NODE).orElseThrow().pluggedCount());
    }

    @Test
    void pinsAreSelectedInTheLoomAndMoved(FxRobot robot) throws Exception {
        opened();
        robot.interact(() -> session.stageProperty().set(Stage.PINS));
        robot.interact(() -> session.selectionProperty()
                .set(inkel.core.document.Place.of("lower-lock", new inkel.core.document.Endpoint("handset", "GND"))));
        until(() -> robot.lookup("#pin-handset-OUT").tryQuery().isPresent());
        Node row = robot.lookup("#pin-handset-OUT").query();
        robot.interact(() -> row.getOnMouseClicked().handle(click(row)));
        until(() -> session.selectionProperty().get() != null);
        assertEquals("handset", session.selectionProperty().get().part());
        assertEquals(
                "Gate-beam receiver OUT",
                robot.lookup("#why-title").queryAs(Caption.class).getText());
        click(robot, "#way-0");
        until(() -> session.assessmentProperty().get().findings().stream()
                .noneMatch(finding -> finding.code().equals("pins.two_drivers")));
        assertNotNull(session.selectionProperty().get(), "what was selected stays selected");
        click(robot, "#plan");
        until(() -> session.assessmentProperty().get().findings().stream()
                .noneMatch(finding -> finding.code().startsWith("pins.")));
    }

    private static javafx.scene.input.MouseEvent click(Node on) {
        return new javafx.scene.input.MouseEvent(
                on,
                on,
                javafx.scene.input.MouseEvent.MOUSE_CLICKED,
                1,
                1,
                1,
                1,
                javafx.scene.input.MouseButton.PRIMARY,
                1,
                false,
                false,
                false,
                false,
                true,
                false,
                false,
                true,
                false,
                true,
                null);
    }

    @Test
    void findOrDoGoesToAPin(FxRobot robot) throws Exception {
        opened();
        robot.press(KeyCode.CONTROL, KeyCode.K).release(KeyCode.K, KeyCode.CONTROL);
        until(() -> robot.lookup("#find-field").tryQuery().isPresent());
        robot.interact(
                () -> robot.lookup("#find-field").queryAs(TextField.class).setText("tag miso pin"));
        robot.type(KeyCode.ENTER);
        until(() -> session.selectionProperty().get() != null);
        assertEquals("lower-lock/reader.MISO", session.selectionProperty().get().toString());
        assertEquals(Stage.PINS, session.stageProperty().get());
        assertFalse(robot.lookup("#find-box").query().isVisible());
    }

    /** A finding that speaks of a part comes behind the part itself. */
    @Test
    void whatIsCalledSoComesBeforeWhatSpeaksOfIt(FxRobot robot) throws Exception {
        opened();
        String name = session.build()
                .orElseThrow()
                .node("lower-lock")
                .orElseThrow()
                .part("radio")
                .orElseThrow()
                .name();
        robot.press(KeyCode.CONTROL, KeyCode.K).release(KeyCode.K, KeyCode.CONTROL);
        until(() -> robot.lookup("#find-field").tryQuery().isPresent());
        robot.interact(
                () -> robot.lookup("#find-field").queryAs(TextField.class).setText(name.toLowerCase(Locale.ROOT)));
        // The search fills the list while it goes on: it is read where it is filled.
        List<String> found = new ArrayList<>();
        robot.interact(() -> robot.lookup("#find-list")
                .queryAs(ListView.class)
                .getItems()
                .forEach(entry -> found.add(String.valueOf(entry))));
        assertTrue(found.get(0).contains("title=" + name + ","), found.get(0));
        assertTrue(found.stream().anyMatch(entry -> entry.contains("rank=FINDING")), "a finding speaks of it");
    }

    @Test
    void whatIsNotThereYetIsPutOnTheTable(FxRobot robot) throws Exception {
        opened();
        robot.press(KeyCode.CONTROL, KeyCode.K).release(KeyCode.K, KeyCode.CONTROL);
        until(() -> robot.lookup("#find-field").tryQuery().isPresent());
        robot.interact(
                () -> robot.lookup("#find-field").queryAs(TextField.class).setText("soil moisture"));
        ListView<?> found = robot.lookup("#find-list").queryAs(ListView.class);
        until(() -> found.getSelectionModel().getSelectedItem() != null);
        assertEquals(1, found.getItems().size(), "a probe for plants, and nothing that has but one of the words");
        robot.type(KeyCode.ENTER);
        until(() -> session.build().orElseThrow().node("lower-lock").orElseThrow().parts().stream()
                .anyMatch(part -> part.classId().equals("soil-moisture")));
        assertEquals(Stage.PARTS, session.stageProperty().get());
    }

    @Test
    void aPartIsRenamedAndRemovedByKeys(FxRobot robot) throws Exception {
        opened();
        robot.clickOn("#part-radio");
        robot.type(KeyCode.F2);
        until(() -> robot.lookup("#rename").tryQuery().isPresent());
        robot.interact(() -> robot.lookup("#rename").queryAs(TextField.class).setText("Lock radio"));
        robot.type(KeyCode.ENTER);
        until(() -> session.build()
                .orElseThrow()
                .node(NODE)
                .orElseThrow()
                .part("radio")
                .orElseThrow()
                .name()
                .equals("Lock radio"));
        until(() -> robot.lookup("Lock radio").tryQuery().isPresent());
        robot.type(KeyCode.DELETE);
        until(() -> session.build()
                .orElseThrow()
                .node(NODE)
                .orElseThrow()
                .part("radio")
                .isEmpty());
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> session.build()
                .orElseThrow()
                .node(NODE)
                .orElseThrow()
                .part("radio")
                .isPresent());
    }

    @Test
    void aDamagedFileIsToldAboveTheStage(FxRobot robot) throws Exception {
        opened();
        Path bad = folder.resolve("bad.inkel.json");
        Files.writeString(bad, "{\"format\": 1,\n \"name\": 3, \"nodes\": []}");
        robot.interact(() -> session.files().open(bad));
        until(() -> robot.lookup("#notice-text").tryQuery().isPresent());
        String told = robot.lookup("#notice-text").queryAs(Caption.class).getText();
        assertTrue(told.contains("bad.inkel.json: line 2, /name:"), told);
        robot.clickOn("#notice-close");
        assertFalse(robot.lookup("#notice").query().isVisible());
    }

    @Test
    void everyStageSaysWhatItIsFor(FxRobot robot) throws Exception {
        opened();
        for (Stage stage : Stage.values()) {
            click(robot, "#stage-" + stage.text());
            waitForFxEvents();
            assertTrue(robot.lookup("#stage-pane-" + stage.text()).tryQuery().isPresent());
        }
    }

    @Test
    void keysReachEveryStage(FxRobot robot) throws Exception {
        opened();
        KeyCode[] digits = {
            KeyCode.DIGIT1,
            KeyCode.DIGIT2,
            KeyCode.DIGIT3,
            KeyCode.DIGIT4,
            KeyCode.DIGIT5,
            KeyCode.DIGIT6,
            KeyCode.DIGIT7,
            KeyCode.DIGIT8
        };
        for (Stage at : Stage.values()) {
            KeyCode digit = digits[at.ordinal()];
            robot.press(KeyCode.CONTROL, digit).release(digit, KeyCode.CONTROL);
            until(() -> session.stageProperty().get() == at);
        }
    }

    @Test
    void arrowsWalkTheLoomAndShiftF1LeadsToTheWaysOut(FxRobot robot) throws Exception {
        opened();
        robot.interact(() -> session.stageProperty().set(Stage.PINS));
        until(() -> robot.lookup("#loom").tryQuery().isPresent());
        robot.interact(() -> robot.lookup("#loom").query().requestFocus());
        robot.type(KeyCode.DOWN);
        until(() -> session.selectionProperty().get() != null);
        var first = session.selectionProperty().get();
        robot.type(KeyCode.DOWN);
        until(() -> !first.equals(session.selectionProperty().get()));
        robot.type(KeyCode.UP);
        until(() -> first.equals(session.selectionProperty().get()));
        robot.interact(
                () -> session.selection().show(Stage.PINS, new inkel.core.document.Place(NODE, "handset", "OUT")));
        robot.press(KeyCode.SHIFT, KeyCode.F1).release(KeyCode.F1, KeyCode.SHIFT);
        until(() -> robot.lookup("#way-0").query().isFocused());
        long before = stops();
        robot.type(KeyCode.SPACE);
        until(() -> stops() < before);
    }

    @Test
    void noTwoCommandsHaveTheSameKeysOrTheSameName(FxRobot robot) {
        robot.interact(() -> {
            List<String> keys = shell.commands().stream()
                    .flatMap(command -> command.keys().stream())
                    .map(Object::toString)
                    .toList();
            assertEquals(keys.size(), Set.copyOf(keys).size(), keys.toString());
            List<String> names = shell.commands().stream()
                    .map(inkel.app.ui.stage.Command::id)
                    .toList();
            assertEquals(names.size(), Set.copyOf(names).size(), names.toString());
        });
    }

    @Test
    void theMenuHasEveryCommandAndTheNightBench(FxRobot robot) throws Exception {
        opened();
        assertFalse(shell.getStyleClass().contains("night"));
        robot.clickOn("#menu");
        until(() -> robot.lookup("#menu-part-window").tryQuery().isPresent());
        robot.clickOn("#menu-part-window");
        until(() -> robot.lookup("#menu-theme").tryQuery().isPresent());
        robot.clickOn("#menu-theme");
        until(() -> shell.getStyleClass().contains("night"));
        robot.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.N).release(KeyCode.N, KeyCode.SHIFT, KeyCode.CONTROL);
        until(() -> !shell.getStyleClass().contains("night"));
    }

    @Test
    void wiringGoesBackAndPullsOut(FxRobot robot) throws Exception {
        opened();
        robot.interact(() -> session.stageProperty().set(Stage.WIRE));
        until(() -> robot.lookup("#wire-done").tryQuery().isPresent());
        click(robot, "#wire-done");
        until(() ->
                session.build().orElseThrow().node(NODE).orElseThrow().plugged().size() == 1);
        robot.interact(() -> robot.lookup("#stage-pane-wire").query().requestFocus());
        robot.type(KeyCode.BACK_SPACE);
        until(() -> robot.lookup("#wire-pull").tryQuery().isPresent());
        click(robot, "#wire-pull");
        until(() ->
                session.build().orElseThrow().node(NODE).orElseThrow().plugged().isEmpty());
        String before = robot.lookup("#wire-to").queryAs(Caption.class).getText();
        click(robot, "#wire-skip");
        waitForFxEvents();
        assertFalse(
                before.equals(robot.lookup("#wire-to").queryAs(Caption.class).getText()));
    }

    /** No text is cut to nothing and no card leaves the window, from the smallest size to a large one, day and night. */
    @ParameterizedTest(name = "{0} x {1}, night {2}")
    @CsvSource({"900, 600, false", "1100, 700, false", "1280, 800, true", "2400, 1300, false"})
    void theWindowFitsEverySize(double width, double height, boolean isNight, FxRobot robot) throws Exception {
        opened();
        robot.interact(() -> {
            if (isNight) {
                shell.getStyleClass().add("night");
            }
            stage.setWidth(width);
            stage.setHeight(height);
        });
        for (Stage at : new Stage[] {Stage.PARTS, Stage.POWER, Stage.LEVELS, Stage.PINS, Stage.WIRE}) {
            robot.interact(() -> {
                session.stageProperty().set(at);
                shell.applyCss();
                shell.layout();
            });
            waitForFxEvents();
            Scene scene = shell.getScene();
            Bounds why = robot.lookup("#why")
                    .query()
                    .localToScene(robot.lookup("#why").query().getLayoutBounds());
            assertTrue(why.getMaxX() <= scene.getWidth() + 1, "the Why panel is inside");
            Bounds edge = robot.lookup(".selvedge").query().localToScene(new javafx.geometry.BoundingBox(0, 0, 1, 1));
            assertTrue(edge.getMinX() >= 0, "the selvedge is inside");
            List<Node> looked = new ArrayList<>();
            List<String> wrong = new ArrayList<>();
            // What comes in from the background may make a part of the window anew at any time: laid out and looked at
            // in one.
            robot.interact(() -> {
                shell.applyCss();
                shell.layout();
                for (String style : MUST_BE_READ) {
                    for (Node node :
                            robot.lookup(style).match(WindowTest::isSeen).queryAll()) {
                        looked.add(node);
                        if (node.getLayoutBounds().getWidth() <= 8) {
                            wrong.add(node + " has no room");
                        } else if (isCut(node)) {
                            wrong.add(node + " is cut");
                        }
                    }
                }
            });
            assertEquals(List.of(), wrong, "at " + width + " in " + at);
            assertTrue(looked.size() > 10, "there are words to look at in " + at);
        }
    }

    private static boolean isSeen(Node node) {
        Node at = node;
        while (at != null && at.isVisible()) {
            at = at.getParent();
        }
        return at == null;
    }

    /** Whether a text, or one inside a control, is shortened. */
    private static boolean isCut(Node node) {
        if (node instanceof Line line) {
            return line.isVisible() && line.isShortened();
        }
        if (node instanceof Labeled labeled
                && labeled.lookup(".text") instanceof javafx.scene.text.Text shown
                && labeled.isVisible()) {
            return !shown.getText().equals(labeled.getText());
        }
        return false;
    }

    @Test
    void closingWithUnsavedChangesAsksInTheWindow(FxRobot robot) throws Exception {
        until(() -> session.assessmentProperty().get() != null);
        robot.interact(() -> {
            shell.askBeforeClosing(stage);
            session.apply(new RenamePart(NODE, "radio", "Not saved"));
            stage.fireEvent(new WindowEvent(stage, WindowEvent.WINDOW_CLOSE_REQUEST));
        });
        assertTrue(stage.isShowing());
        assertEquals(3, robot.lookup("#notice .pill-button").queryAll().size());
        robot.interact(() -> robot.lookup("#notice .pill-button").<Button>queryAll().stream()
                .findFirst()
                .orElseThrow()
                .fire());
        until(() -> !stage.isShowing());
        assertEquals(
                "Not saved",
                BuildReader.read(file, Given.CATALOG)
                        .node(NODE)
                        .orElseThrow()
                        .part("radio")
                        .orElseThrow()
                        .name());
    }

    @Test
    void whatIsBeingTypedWhenTheWindowIsClosedIsTakenOver(FxRobot robot) throws Exception {
        until(() -> session.assessmentProperty().get() != null);
        robot.interact(() -> {
            shell.askBeforeClosing(stage);
            shell.renameBoard();
        });
        robot.interact(
                () -> robot.lookup("#rename-node").queryAs(TextField.class).setText("Half typed"));
        robot.interact(() -> stage.fireEvent(new WindowEvent(stage, WindowEvent.WINDOW_CLOSE_REQUEST)));
        assertTrue(stage.isShowing(), "there is something to ask about now");
        assertEquals(
                "Half typed",
                session.build().orElseThrow().node(NODE).orElseThrow().name());
    }

    @Test
    void aNameBeingTypedOutlivesAnAssessment(FxRobot robot) throws Exception {
        until(() -> session.assessmentProperty().get() != null);
        robot.interact(() -> shell.renameBoard());
        TextField field = robot.lookup("#rename-node").queryAs(TextField.class);
        robot.interact(() -> {
            field.setText("Upper lo");
            session.apply(new RenamePart(NODE, "radio", "Meanwhile"));
        });
        until(() -> session.assessmentProperty()
                .get()
                .build()
                .node(NODE)
                .orElseThrow()
                .part("radio")
                .orElseThrow()
                .name()
                .equals("Meanwhile"));
        assertEquals(
                "Upper lo",
                robot.lookup("#rename-node").queryAs(TextField.class).getText());
        robot.interact(() -> {
            field.setText("Upper lock");
            field.fireEvent(new javafx.event.ActionEvent());
        });
        until(() ->
                session.build().orElseThrow().node(NODE).orElseThrow().name().equals("Upper lock"));
    }
}
