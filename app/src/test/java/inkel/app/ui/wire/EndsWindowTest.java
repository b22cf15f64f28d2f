package inkel.app.ui.wire;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.catalog.Habit;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.Wire;
import inkel.core.document.edit.Measure;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Stage;
import inkel.core.quantity.Voltage;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.nio.file.Files;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
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
        until(() -> seats().isPresent());
        ListView<WireStep> list = robot.lookup("#wire-list").queryAs(ListView.class);
        robot.interact(() -> list.getSelectionModel()
                .clearAndSelect(list.getItems()
                        .indexOf(list.getItems().stream()
                                .filter(step -> step.to().id().startsWith(to + "@"))
                                .findFirst()
                                .orElseThrow())));
        until(() -> isThere(robot, "#both-ends"));
    }

    private Optional<SeatPlan> seats() {
        return session.seats().of(session.assessmentProperty().get(), NODE);
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
        choose(robot, "shifter.HV3");
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

    private String number(FxRobot robot) {
        return text(robot, ".wire-number");
    }

    private static void order(FxRobot robot, Habit.WireOrder order) {
        robot.interact(() -> robot.lookup("#wire-order").queryAs(MenuButton.class).getItems().stream()
                .filter(item -> item.getUserData() == order)
                .findFirst()
                .orElseThrow()
                .fire());
    }

    @Test
    void theOrderIsChosenAndStaysWithTheBuild(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.WIRE);
        order(robot, Habit.WireOrder.PARTS);
        until(() -> session.build().orElseThrow().habits().is(Habit.WIRE_ORDER, Habit.WireOrder.PARTS));
        order(robot, Habit.WireOrder.SAFE);
        until(() -> session.build().orElseThrow().habits().is(Habit.WIRE_ORDER, Habit.WireOrder.SAFE));
    }

    @Test
    void partByPartGoesStraightIntoTheChecksOfThePart(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.WIRE);
        order(robot, Habit.WireOrder.PARTS);
        until(() -> session.build().orElseThrow().habits().is(Habit.WIRE_ORDER, Habit.WireOrder.PARTS));
        until(() -> seats().isPresent());
        List<WireStep> steps = seats().orElseThrow().list().steps();
        List<WireStep> radio = steps.stream()
                .filter(step -> step.subject().part().equals("radio"))
                .toList();
        assertTrue(radio.size() > 5);
        WireStep last = radio.get(radio.size() - 1);
        Set<String> others = steps.stream()
                .map(WireStep::id)
                .filter(id -> !id.equals(last.id()))
                .collect(Collectors.toSet());
        robot.interact(() -> session.apply(new Plug(NODE, others, true)));
        until(() -> seats().filter(plan -> plan.list().openCount() == 1).isPresent());
        robot.interact(() -> session.selection().wireProperty().set(last.id()));
        assertFalse(robot.lookup("#wire-wake").query().isVisible());
        fire(robot, "#wire-done");
        until(() -> robot.lookup("#wire-wake").query().isVisible());
        fire(robot, "#wire-wake");
        until(() -> session.stageProperty().get() == Stage.WAKE
                && session.wake().currentProperty().get() != null
                && session.wake().currentProperty().get().group().part().equals("radio"));
    }

    @Test
    void aWireIsFoundByItsNumber(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        robot.press(KeyCode.CONTROL, KeyCode.K).release(KeyCode.K, KeyCode.CONTROL);
        until(() -> isThere(robot, "#find-field"));
        robot.interact(() ->
                robot.lookup("#find-field").queryAs(TextInputControl.class).setText("31 radio mosi"));
        ListView<?> found = robot.lookup("#find-list").queryAs(ListView.class);
        until(() -> !found.getItems().isEmpty());
        robot.type(KeyCode.ENTER);
        until(() -> session.stageProperty().get() == Stage.WIRE && number(robot).equals("31"));
    }

    // Moved from D4, which is plugged: first it is pulled, then plugged, and nothing else is in the list.
    @Test
    void whatChangedIsPulledAndPlugged(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.WIRE);
        Endpoint out = new Endpoint("handset", "OUT");
        String was = node(NODE).wire(out).orElseThrow().to().toString();
        robot.interact(() -> {
            session.apply(new Plug(NODE, Set.of(was + "@1 > handset.OUT@1"), true));
            session.apply(new Measure(
                    NODE, out, LogLine.What.HIGH, Voltage.ofVolts(4.9), "4.9", LogLine.By.TYPED, Instant.EPOCH));
            session.apply(new SetWire(NODE, Wire.held(out, new Endpoint("board", "A3"), "")));
        });
        until(() -> session.assessmentProperty()
                        .get()
                        .wires(NODE)
                        .orElseThrow()
                        .pulls()
                        .size()
                == 1);
        until(() -> text(robot, "#wire-loose").endsWith("Gate-beam receiver OUT"));
        assertTrue(robot.lookup("#wire-loose").query().isVisible());
        press(robot, "#wire-changed");
        ListView<?> list = robot.lookup("#wire-list").queryAs(ListView.class);
        until(() -> ((WireStep) list.getItems().get(0)).kind() == WireStep.Kind.PULL);
        assertTrue(list.getItems().stream().skip(1).allMatch(task -> !((WireStep) task).plugged()));
        robot.interact(() -> list.getSelectionModel().clearAndSelect(0));
        until(() -> robot.lookup("#wire-done").queryAs(Button.class).getText().equals("Pulled, next"));
        fire(robot, "#wire-done");
        until(() -> session.assessmentProperty()
                .get()
                .wires(NODE)
                .orElseThrow()
                .pulls()
                .isEmpty());
        assertFalse(node(NODE).plugged().contains(was + "@1 > handset.OUT@1"));
    }

    @Test
    void severalWiresAreTickedOffAtOnce(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.WIRE);
        // The list is another one, with the bridges of rails, once the holes are known.
        until(() -> seen(() ->
                session.seats().of(session.assessmentProperty().get(), NODE).isPresent()));
        ListView<?> list = robot.lookup("#wire-list").queryAs(ListView.class);
        int before = node(NODE).plugged().size();
        robot.interact(() -> {
            int size = list.getItems().size();
            list.getSelectionModel().clearAndSelect(size - 3);
            list.getSelectionModel().selectRange(size - 3, size);
        });
        // Whatever comes in meanwhile makes a new list; what was marked stays so.
        var shown = list.getItems();
        robot.interact(() -> session.apply(new RenamePart(NODE, "radio", "Packet radio of the lock")));
        until(() -> list.getItems() != shown);
        // The new list comes first and its marks after it.
        until(() -> list.getSelectionModel().getSelectedItems().size() == 3);
        fire(robot, "#wire-done");
        until(() -> node(NODE).plugged().size() == before + 3);
    }

    @Test
    void ohmsAreJudgedWhileTheyAreTypedAndKeptWithEnter(FxRobot robot) throws Exception {
        choose(robot, "radio.MOSI");
        until(() -> isThere(robot, "#wire-ohms"));
        int before = session.build().orElseThrow().log().size();
        robot.interact(
                () -> robot.lookup("#wire-ohms").queryAs(TextInputControl.class).setText("12"));
        assertEquals("loose contact", text(robot, "#wire-ohms-verdict"));
        type(robot, "#wire-ohms", "0.4");
        until(() -> session.build().orElseThrow().log().size() == before + 1);
        until(() -> "joined".equals(text(robot, "#wire-ohms-verdict")));
        assertFalse(robot.lookup("#wire-ohms").query().isFocused(), "the keyboard is back with the wires");
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> robot.lookup("#wire-ohms")
                .queryAs(TextInputControl.class)
                .getText()
                .isEmpty());
    }

    @Test
    void chosenWiresAndWhatIsSaidAreTakenAlongAsText(FxRobot robot) throws Exception {
        choose(robot, "radio.MOSI");
        robot.interact(() -> robot.lookup("#wire-list").query().requestFocus());
        robot.press(KeyCode.CONTROL, KeyCode.C).release(KeyCode.C, KeyCode.CONTROL);
        until(() -> clipboard().equals("31. Board D11 → Packet radio MOSI: green, 20 cm, pin to socket; shared bus"));
        robot.interact(() -> session.stageProperty().set(Stage.PINS));
        robot.interact(() -> robot.lookup("#why").query().requestFocus());
        robot.press(KeyCode.CONTROL, KeyCode.C).release(KeyCode.C, KeyCode.CONTROL);
        until(() -> clipboard().startsWith("Packet radio MOSI\n"));
    }

    private static String clipboard() {
        String text = Clipboard.getSystemClipboard().getString();
        return text == null ? "" : text;
    }

    @Test
    void aPluggedWireIsOfAnotherColour(FxRobot robot) throws Exception {
        choose(robot, "radio.SCK");
        until(() -> isThere(robot, "#wire-made"));
        robot.interact(() -> robot.lookup("#wire-made").queryAs(MenuButton.class).getItems().stream()
                .filter(item -> "white".equals(item.getUserData()))
                .findFirst()
                .orElseThrow()
                .fire());
        until(() -> node(NODE).made().containsValue("white"));
        until(() -> text(robot, ".wire-colour").startsWith("white"));
    }

    // On this table the two halves of a rail are joined first, which is known when its breadboards are.
    @Test
    void itBeginsWithTheFirstWireOfTheTable(FxRobot robot) throws Exception {
        Files.writeString(
                folder.resolve("balcony.inkel.json"),
                """
                {"format": 2, "name": "Balcony", "nodes": [{"id": "lower-lock", "name": "Balcony",
                 "board": {"class": "board-single-core-3v3", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                  {"id": "soil", "class": "soil-moisture", "name": "Soil", "feeds": {"VCC": "board.3V3"}},
                  {"id": "bench", "class": "bench-supply", "name": "Bench"},
                  {"id": "pump", "class": "pump-transistor", "name": "Pump", "feeds": {"V+": "bench.+"}},
                  {"id": "charger", "class": "charger-lithium", "name": "Charger"},
                  {"id": "cell", "class": "battery-lithium", "name": "Cell"}],
                 "wires": [{"from": "soil.AOUT", "to": "board.A0"}, {"from": "pump.SIG", "to": "board.D1"}]}]}
                """);
        open(robot, "balcony.inkel.json", Stage.WIRE);
        until(() -> seats().isPresent() && isThere(robot, "#both-ends"));
        List<WireStep> planned =
                session.assessmentProperty().get().wires(NODE).orElseThrow().steps();
        WireStep first = seats().orElseThrow().list().steps().get(0);
        assertFalse(planned.stream().map(WireStep::id).anyMatch(first.id()::equals), first.id());
        until(() -> number(robot).equals("1"));
    }
}
