package inkel.app.ui.tune;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.TerminalPair;
import inkel.app.kit.WindowJourney;
import inkel.app.state.LineWork;
import inkel.app.state.TuneWork;
import inkel.core.catalog.BenchKind;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Point;
import inkel.core.finding.Stage;
import inkel.core.tune.analog.AnalogDraft;
import inkel.core.tune.servo.ServoDraft;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The benches in the real window, by the presses of a builder. */
@ExtendWith(ApplicationExtension.class)
class TuneWindowTest extends WindowJourney {
    private static final TuneWork.At GATE = new TuneWork.At(Place.ofPart(NODE, "gate-upper"), BenchKind.SERVO);
    private static final TuneWork.At LEVEL = new TuneWork.At(Place.ofPart(NODE, "level"), BenchKind.ANALOG_IN);
    private static final double US = 1e-6;

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private void bench(FxRobot robot, TuneWork.At at, String first) throws Exception {
        open(robot, Given.LOCKS, Stage.TUNE);
        turnTo(robot, at, first);
    }

    private void turnTo(FxRobot robot, TuneWork.At at, String first) throws Exception {
        robot.interact(() -> session.tune().turnTo(at));
        until(() -> isThere(robot, first));
    }

    private ServoDraft servo() {
        return session.tune().servo(GATE).orElseThrow();
    }

    private Optional<AnalogDraft> level() {
        return session.tune().analog(LEVEL);
    }

    private List<Tuning> kept() {
        return session.build()
                .orElseThrow()
                .log()
                .counting()
                .filter(LogLine.Tuned.class::isInstance)
                .map(line -> ((LogLine.Tuned) line).tuning())
                .toList();
    }

    private double peak() {
        return session.assessmentProperty()
                .get()
                .circuit(NODE)
                .orElseThrow()
                .rail(new Endpoint("bench", "+"))
                .orElseThrow()
                .peak()
                .amperes();
    }

    @Test
    void aServoIsSteppedToItsEndOnThePracticeBenchAndNothingOfItIsKept(FxRobot robot) throws Exception {
        bench(robot, GATE, "#tune-more");
        double peak = peak();
        press(robot, "#tune-practice");
        until(() -> session.practice().isOn() && isThere(robot, "#tune-more"));
        press(robot, "#tune-more");
        until(() -> session.tune().did().isPresent());
        for (int i = 0; i < 150 && !session.tune().did().orElseThrow().hums(); i++) {
            press(robot, "#tune-more");
        }
        assertTrue(session.tune().did().orElseThrow().hums());
        double stopped = servo().now();
        press(robot, "#tune-stopped");
        until(() -> servo().ends().high().isPresent());
        assertTrue(servo().high() < stopped);
        type(robot, "#tune-stop", "500 mA");
        fire(robot, "#tune-keep");
        until(() -> kept().size() == 1 && Math.abs(peak() - peak) > 0.01);
        // What changed elsewhere is said.
        until(() -> text(robot, "#tune-state").contains("peak of Bench 6 V"));
        press(robot, "#tune-mine");
        until(() -> !session.practice().isOn() && session.assessmentProperty().get() != null);
        assertEquals(List.of(), kept());
        until(() -> Math.abs(peak() - peak) < 1e-9);
    }

    @Test
    void whatIsFoundOnMyBenchChangesPowerIsUndoneAndOutlivesTheFile(FxRobot robot) throws Exception {
        bench(robot, GATE, "#tune-more");
        double peak = peak();
        robot.interact(() -> session.tune().servo(GATE, servo().to(2380 * US)));
        press(robot, "#tune-more");
        press(robot, "#tune-stopped");
        until(() -> servo().ends().high().isPresent());
        type(robot, "#tune-stop", "much");
        assertTrue(text(robot, "#tune-problem").startsWith("That is no current"), text(robot, "#tune-problem"));
        assertEquals("much", robot.lookup("#tune-stop").queryAs(TextField.class).getText());
        type(robot, "#tune-stop", "0,69");
        assertFalse(robot.lookup("#tune-problem").query().isVisible());
        type(robot, "#tune-place-name", "open");
        until(() -> servo().places().containsKey("open"));
        assertTrue(session.tune().isDraft(GATE));
        fire(robot, "#tune-keep");
        until(() -> kept().size() == 1 && Math.abs(peak() - peak) > 0.01);
        assertFalse(session.tune().isDraft(GATE));
        double tuned = peak();
        // The map of the class goes beyond the end: that is told, with its way out.
        until(() -> session.assessmentProperty().get().findings().stream()
                .anyMatch(finding -> finding.code().equals("servo.out_of_range")));
        robot.interact(() -> session.undo());
        until(() -> Math.abs(peak() - peak) < 1e-9);
        robot.interact(() -> session.redo());
        until(() -> Math.abs(peak() - tuned) < 1e-9);
        Path file = folder.resolve("tuned.inkel.json");
        robot.interact(() -> session.files().saveAs(file));
        until(() -> file.toFile().exists()
                && file.equals(session.files().fileProperty().get()));
        Build saved = session.build().orElseThrow();
        robot.interact(() -> session.files().open(file));
        until(() -> session.assessmentProperty().get() != null
                && session.build().orElseThrow() != saved
                && session.build().orElseThrow().log().equals(saved.log()));
        assertEquals(2380 * US, servo().high(), 5 * US);
        assertTrue(servo().places().containsKey("open"));
    }

    @Test
    void anotherServoIsGivenTheSamePlaces(FxRobot robot) throws Exception {
        bench(robot, GATE, "#tune-more");
        type(robot, "#tune-place-name", "open");
        until(() -> servo().places().containsKey("open"));
        robot.interact(() ->
                session.tune().giveTo(GATE, session.tune().otherServos(GATE).get(0)));
        TuneWork.At other = session.tune().currentProperty().get();
        assertFalse(other.equals(GATE));
        assertTrue(session.tune().servo(other).orElseThrow().places().containsKey("open"));
        assertTrue(session.tune().isDraft(other));
        until(() -> isThere(robot, "#tune-go-open"));
    }

    @Test
    void arrowsStepTheServoAndACornerIsTyped(FxRobot robot) throws Exception {
        bench(robot, GATE, "#tune-more");
        robot.interact(() -> robot.lookup("#stage-pane-tune").query().requestFocus());
        double before = servo().now();
        robot.type(KeyCode.RIGHT);
        until(() -> servo().now() > before);
        type(robot, "#tune-corner-code-0", "2000");
        assertTrue(text(robot, "#tune-problem").startsWith("The codes of corners rise"));
        type(robot, "#tune-corner-pulse-0", "90");
        type(robot, "#tune-corner-code-0", "12");
        until(() -> servo().map().get(0).x() == 12
                || robot.lookup("#tune-problem").query().isVisible());
        fire(robot, "#tune-corner-add");
        until(() -> servo().map().size() == 3);
        // A drag goes the same way.
        robot.interact(() -> session.tune()
                .servo(
                        GATE,
                        servo().mapped(List.of(
                                new Point(0, 600 * US), new Point(500, 1200 * US), new Point(1023, 2300 * US)))));
        until(() -> isThere(robot, "#curve-corner-1"));
        robot.interact(() -> robot.lookup("#curve-corner-1").query().requestFocus());
        robot.type(KeyCode.UP);
        until(() -> servo().map().get(1).y() > 1200 * US);
        fire(robot, "#tune-forget");
        until(() -> !session.tune().isDraft(GATE));
        assertEquals(2, servo().map().size());
    }

    @Test
    void codesComeOverTheLineAndMakeTheReference(FxRobot robot) throws Exception {
        bench(robot, LEVEL, "#tune-codes");
        String pin = level().orElseThrow().rig().pin().pin();
        try (TerminalPair pair = new TerminalPair(folder)) {
            robot.interact(() -> session.line().listen(pair.port(), 57_600));
            until(() -> session.line().nowProperty().get().state() == LineWork.State.OPEN);
            fire(robot, "#tune-ask");
            assertEquals("a", pair.hear());
            pair.print(("adc " + pin + " 100\n").repeat(10) + "adc OTHER 7\nadc " + pin + " 102\n");
            until(() -> session.tune().waiting() == 11);
            type(robot, "#tune-volts", "0.5 V");
            until(() -> level().orElseThrow().runs().size() == 1);
            pair.print(("adc " + pin + " 900\n").repeat(10));
            until(() -> session.tune().waiting() == 10);
            type(robot, "#tune-volts", "4.5");
            until(() -> level().orElseThrow().fit().orElseThrow().scale().isPresent());
        }
        fire(robot, "#tune-keep");
        until(() -> kept().size() == 1);
        Tuning tuning = kept().get(0);
        // (4.5 − 0.5) V over 900 − 100.18 codes.
        assertEquals(
                4 / (900 - 1102 / 11.0),
                tuning.number("volts_a_code").orElseThrow().si(),
                1e-9);
        LogLine.Tuned line = (LogLine.Tuned) session.build()
                .orElseThrow()
                .log()
                .counting()
                .filter(LogLine.Tuned.class::isInstance)
                .findFirst()
                .orElseThrow();
        assertEquals(LogLine.By.BOARD, line.by());
    }

    @Test
    void codesAreTypedAndWhatTheyMeanIsALine(FxRobot robot) throws Exception {
        bench(robot, LEVEL, "#tune-codes");
        type(robot, "#tune-codes", "many");
        assertTrue(text(robot, "#tune-problem").startsWith("Type codes from 0 to 1023"), text(robot, "#tune-problem"));
        type(robot, "#tune-codes", "5000");
        assertTrue(robot.lookup("#tune-problem").query().isVisible());
        type(robot, "#tune-codes", "400, 402 404");
        until(() -> level().orElseThrow().runs().size() == 1);
        robot.interact(
                () -> robot.lookup("#tune-mean-code").queryAs(TextField.class).setText("100"));
        type(robot, "#tune-mean-value", "0");
        robot.interact(
                () -> robot.lookup("#tune-mean-code").queryAs(TextField.class).setText("700"));
        type(robot, "#tune-mean-value", "60");
        until(() -> level().orElseThrow().meant(402).isPresent());
        assertEquals(30.2, level().orElseThrow().meant(402).orElseThrow(), 1e-9);
        type(robot, "#tune-averaged", "0");
        assertTrue(text(robot, "#tune-problem").startsWith("A whole number of readings"));
        type(robot, "#tune-averaged", "16");
        until(() -> level().orElseThrow().averaged() == 16);
        // Another part, and back: the draft waits.
        turnTo(robot, GATE, "#tune-more");
        turnTo(robot, LEVEL, "#tune-codes");
        assertEquals(1, level().orElseThrow().runs().size());
    }

    @Test
    void whatIsNotTakenOverWaitsForItsBuildAndIsAskedForBeforeClosing(FxRobot robot) throws Exception {
        bench(robot, GATE, "#tune-more");
        press(robot, "#tune-more");
        until(() -> session.tune().isDraft(GATE));
        double stepped = servo().now();
        Path lamp = Given.copy(Given.MOTH_LAMP, folder);
        robot.interact(() -> session.files().open(lamp));
        until(() -> session.build().orElseThrow().name().equals("Moth lamp"));
        assertFalse(session.tune().hasDrafts());
        robot.interact(() -> session.files().open(folder.resolve(Given.LOCKS)));
        until(() -> session.tune().isDraft(GATE) && session.tune().servo(GATE).isPresent());
        assertEquals(stepped, servo().now(), 1e-12);
        boolean[] isClosed = {false};
        robot.interact(() -> isClosed[0] = session.files().mayLeave(() -> {}, saved -> {}));
        assertFalse(isClosed[0]);
        robot.interact(
                () -> session.notices().property().get().actions().get(0).run().run());
        until(() -> kept().size() == 1 && !session.tune().hasDrafts());
    }

    @Test
    void theRoundIsBegunApartByAPressAndUndone(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.TUNE);
        press(robot, "#tune-round");
        until(() -> isThere(robot, "#round-driver"));
        String head = text(robot, "#round-head");
        press(robot, "#round-apart");
        until(() -> node(NODE).board().settings().containsKey("turns")
                && session.assessmentProperty()
                        .get()
                        .reports()
                        .loops()
                        .node(NODE)
                        .orElseThrow()
                        .apart()
                        .isPresent());
        assertEquals(head, text(robot, "#round-head"));
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> !node(NODE).board().settings().containsKey("turns"));
        press(robot, "#tune-capture");
        until(() -> isThere(robot, "#capture-list") && !isThere(robot, "#round-head"));
    }
}
