package inkel.app.ui.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.store.UserState;
import inkel.core.document.LogLine;
import inkel.core.document.Meter;
import inkel.core.document.edit.Plug;
import inkel.core.finding.Stage;
import inkel.core.wake.Check;
import inkel.core.wake.Status;
import inkel.core.wake.WakeState;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The first power-up in the real window: readings typed in any way, kept, judged, undone, made loose, saved in the middle. */
@ExtendWith(ApplicationExtension.class)
class WakeWindowTest extends WindowJourney {
    private static final String LAMP = "lamp";
    private static final String TILT = "volts tilt.VCC";
    private static final String BOARD = "volts board.USB";

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.MOTH_LAMP);
    }

    private Optional<WakeState> state() {
        return session.assessmentProperty().get() == null
                ? Optional.empty()
                : session.wake().of(session.assessmentProperty().get(), LAMP);
    }

    private Check check(String id) {
        return state().orElseThrow().wake().check(id).orElseThrow();
    }

    private Status status(String id) {
        return state().map(state ->
                        state.result(state.wake().check(id).orElseThrow()).status())
                .orElse(null);
    }

    /** All wires in, and one check on the card. */
    private void wake(FxRobot robot, String id) throws Exception {
        open(robot, Given.MOTH_LAMP, Stage.WAKE);
        Set<String> all = session.assessmentProperty().get().wires(LAMP).orElseThrow().steps().stream()
                .map(WireStep::id)
                .collect(Collectors.toSet());
        robot.interact(() -> session.apply(new Plug(LAMP, all, true)));
        until(() ->
                session.build().orElseThrow().node(LAMP).orElseThrow().plugged().size() == all.size()
                        && state().isPresent());
        show(robot, id);
    }

    private void show(FxRobot robot, String id) throws Exception {
        robot.interact(() -> session.wake().currentProperty().set(check(id)));
        until(() -> isThere(robot, "#wake-title")
                && session.wake().currentProperty().get().id().equals(id));
    }

    @Test
    void aReadingIsJudgedWhileItIsTypedAndKeptWithEnter(FxRobot robot) throws Exception {
        wake(robot, TILT);
        robot.interact(
                () -> robot.lookup("#wake-field").queryAs(TextField.class).setText("3,02"));
        assertTrue(text(robot, "#wake-verdict").startsWith("Too low by 0.14 V"), text(robot, "#wake-verdict"));
        type(robot, "#wake-field", "3,31");
        until(() -> status(TILT) == Status.IN);
        // It goes on to the next one that is open.
        assertFalse(session.wake().currentProperty().get().id().equals(TILT));
        var log = session.build().orElseThrow().log();
        LogLine.Measured line = (LogLine.Measured) log.lines().get(log.size() - 1);
        assertEquals("3,31", line.text());
        assertEquals(TILT, line.foretold().orElseThrow().check());
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> status(TILT) == Status.OPEN);
    }

    @Test
    void aWrongUnitIsASentenceAndWhatWasTypedStays(FxRobot robot) throws Exception {
        wake(robot, TILT);
        type(robot, "#wake-field", "3.3 A");
        assertEquals("3.3 A is no voltage; for example 3.16 V.", text(robot, "#wake-verdict"));
        assertEquals(
                "3.3 A", robot.lookup("#wake-field").queryAs(TextField.class).getText());
        assertEquals(Status.OPEN, status(TILT));
    }

    /** What is half typed at one check is there again when it is; what was kept is its reading. */
    @Test
    void whatWasTypedIsThereAgain(FxRobot robot) throws Exception {
        wake(robot, TILT);
        half(robot, "3.3 A");
        show(robot, BOARD);
        until(() -> field(robot).equals(""));
        half(robot, "5");
        show(robot, TILT);
        until(() -> field(robot).equals("3.3 A"));
        type(robot, "#wake-field", "3.31");
        until(() -> status(TILT) == Status.IN);
        show(robot, BOARD);
        until(() -> field(robot).equals("5"));
        half(robot, "");
        show(robot, TILT);
        until(() -> field(robot).equals("3.31 V"));
        show(robot, BOARD);
        until(() -> field(robot).equals(""));
    }

    /** Typed, and not kept. */
    private static void half(FxRobot robot, String text) {
        robot.interact(
                () -> robot.lookup("#wake-field").queryAs(TextField.class).setText(text));
    }

    private static String field(FxRobot robot) {
        return seen(() -> robot.lookup("#wake-field").queryAs(TextField.class).getText());
    }

    @Test
    void fTurnsVoltsIntoOhmsOfTheSamePointsAndBack(FxRobot robot) throws Exception {
        wake(robot, TILT);
        robot.interact(() -> robot.lookup("#stage-pane-wake").query().requestFocus());
        robot.type(KeyCode.F);
        until(() -> session.wake().currentProperty().get().kind() == Check.Kind.OHMS);
        assertEquals(
                TILT.replace("volts ", "ohms to ground "),
                session.wake().currentProperty().get().id());
        // The look is read as any other and stays in the list.
        type(robot, "#wake-field", "4k7");
        until(() -> session.build()
                .orElseThrow()
                .log()
                .counting()
                .anyMatch(line -> line instanceof LogLine.Measured measured && measured.what() == LogLine.What.OHMS));
        show(robot, TILT.replace("volts ", "ohms to ground "));
        fire(robot, "#wake-turn");
        until(() -> session.wake().currentProperty().get().id().equals(TILT));
    }

    @Test
    void digitsTypedAnywhereBeginAReading(FxRobot robot) throws Exception {
        wake(robot, TILT);
        robot.interact(() -> robot.lookup("#stage-pane-wake").query().requestFocus());
        robot.write("3.3");
        until(() ->
                robot.lookup("#wake-field").queryAs(TextField.class).getText().equals("3.3"));
        robot.type(KeyCode.ENTER);
        until(() -> status(TILT) == Status.IN);
    }

    @Test
    void aReadingOutsideIsTakenAsGoodWithAReason(FxRobot robot) throws Exception {
        wake(robot, TILT);
        type(robot, "#wake-field", "3.1");
        until(() -> status(TILT) == Status.OUT);
        until(() -> isThere(robot, "#wake-reason"));
        type(robot, "#wake-reason", "the cell is nearly flat");
        until(() -> status(TILT) == Status.IN);
        assertTrue(state().orElseThrow().result(check(TILT)).isTaken());
        // What is typed later is judged all the same.
        show(robot, TILT);
        assertTrue(text(robot, "#wake-verdict").contains("nearly flat"));
        robot.interact(
                () -> robot.lookup("#wake-field").queryAs(TextField.class).setText("12"));
        assertTrue(text(robot, "#wake-verdict").startsWith("Above "), text(robot, "#wake-verdict"));
    }

    @Test
    void aPulledWireMakesExactlyWhatStoodOnItLoose(FxRobot robot) throws Exception {
        wake(robot, "volts cell.+");
        type(robot, "#wake-field", "3.7");
        until(() -> status("volts cell.+") == Status.IN);
        show(robot, TILT);
        type(robot, "#wake-field", "3.3");
        until(() -> status(TILT) == Status.IN);
        String wire = check(TILT).wires().stream()
                .filter(id -> id.contains("tilt.VCC"))
                .findFirst()
                .orElseThrow();
        robot.interact(() -> session.wake().pull(Set.of(wire)));
        until(() -> status(TILT) == Status.STALE);
        assertEquals(Status.IN, status("volts cell.+"));
        robot.interact(() -> session.apply(new Plug(LAMP, Set.of(wire), true)));
        until(() ->
                session.build().orElseThrow().node(LAMP).orElseThrow().plugged().contains(wire)
                        && status(TILT) == Status.STALE);
    }

    @Test
    void whatIsSeenIsPressedAndAPartIsLeftOut(FxRobot robot) throws Exception {
        wake(robot, "look program");
        fire(robot, "#wake-well");
        until(() -> status("look program") == Status.IN);
        show(robot, "register tilt 0x00");
        type(robot, "#wake-field", "e5");
        until(() -> status("register tilt 0x00") == Status.IN);
        show(robot, TILT);
        fire(robot, "#wake-leave");
        until(() -> status(TILT) == Status.LEFT);
        fire(robot, "#wake-leave");
        until(() -> status(TILT) == Status.OPEN);
    }

    @Test
    void anotherMeterMakesOtherBands(FxRobot robot) throws Exception {
        wake(robot, TILT);
        String before = check(TILT).expected().toString();
        press(robot, "#wake-show-meter");
        type(robot, "#wake-meter-accuracy", "lots");
        until(() -> session.wake().meterProperty().get().accuracy() == 0.005);
        type(robot, "#wake-meter-accuracy", "2 %");
        until(() -> session.wake().meterProperty().get().accuracy() == 0.02
                && state().isPresent()
                && !check(TILT).expected().toString().equals(before));
    }

    @Test
    void itGoesOnWhereItWasWhenTheFileIsOpenedAgain(FxRobot robot) throws Exception {
        wake(robot, TILT);
        type(robot, "#wake-field", "3.31");
        until(() -> status(TILT) == Status.IN);
        robot.interact(() -> session.files().save());
        until(() ->
                java.nio.file.Files.readString(folder.resolve(Given.MOTH_LAMP)).contains("volts tilt.VCC"));
        robot.interact(() -> show());
        open(robot, Given.MOTH_LAMP, Stage.WAKE);
        until(() -> status(TILT) == Status.IN);
        assertEquals("look program", session.wake().currentProperty().get().id());
    }

    @Test
    void theMeterIsRemembered(FxRobot robot) throws Exception {
        wake(robot, TILT);
        robot.interact(() -> session.wake().meterProperty().set(new Meter(6000, 0.008, 3)));
        UserState state = UserState.read(folder);
        state.put(session.wake().meterProperty().get());
        state.write();
        robot.interact(() -> show());
        until(() -> session.wake().meterProperty().get().equals(new Meter(6000, 0.008, 3)));
    }
}
