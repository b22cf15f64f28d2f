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
import inkel.core.document.Moment;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Point;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Stage;
import inkel.core.tune.analog.AnalogDraft;
import inkel.core.tune.analog.AnalogSignal;
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
        return session.tune().servos().of(GATE).orElseThrow();
    }

    private Optional<AnalogSignal> level() {
        return session.tune().analogs().of(LEVEL).map(AnalogDraft::signal);
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
        until(() -> session.tune().servos().did().isPresent());
        for (int i = 0; i < 150 && !session.tune().servos().did().orElseThrow().hums(); i++) {
            press(robot, "#tune-more");
        }
        assertTrue(session.tune().servos().did().orElseThrow().hums());
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
        robot.interact(() -> session.tune().servos().change(GATE, servo().to(2380 * US)));
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
        robot.interact(() -> session.tune()
                .servos()
                .giveTo(GATE, session.tune().servos().others(GATE).get(0)));
        TuneWork.At other = session.tune().currentProperty().get();
        assertFalse(other.equals(GATE));
        assertTrue(session.tune().servos().of(other).orElseThrow().places().containsKey("open"));
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
                .servos()
                .change(
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
            until(() -> session.tune().analogs().waiting() == 11);
            type(robot, "#tune-volts", "0.5 V");
            until(() -> level().orElseThrow().runs().size() == 1);
            pair.print(("adc " + pin + " 900\n").repeat(10));
            until(() -> session.tune().analogs().waiting() == 10);
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
        until(() ->
                session.tune().isDraft(GATE) && session.tune().servos().of(GATE).isPresent());
        assertEquals(stepped, servo().now(), 1e-12);
        boolean[] isClosed = {false};
        robot.interact(() -> isClosed[0] = session.files().mayLeave(() -> {}, saved -> {}));
        assertFalse(isClosed[0]);
        robot.interact(
                () -> session.notices().property().get().actions().get(0).run().run());
        until(() -> kept().size() == 1 && !session.tune().hasDrafts());
    }

    @Test
    void thePlayOfAServoIsFoundFromBothSidesOnThePracticeBench(FxRobot robot) throws Exception {
        bench(robot, GATE, "#tune-more");
        press(robot, "#tune-practice");
        until(() -> session.practice().isOn() && isThere(robot, "#tune-more"));
        press(robot, "#tune-less");
        fire(robot, "#tune-mark");
        assertTrue(text(robot, "#tune-problem").startsWith("Come to the place with a step upward"));
        for (int i = 0; i < 12; i++) {
            press(robot, "#tune-more");
        }
        double mark = servo().now();
        double arm = session.tune().servos().did().orElseThrow().arm();
        fire(robot, "#tune-mark");
        until(() -> servo().play().mark().isPresent());
        for (int i = 0; i < 8; i++) {
            press(robot, "#tune-more");
        }
        fire(robot, "#tune-mark-again");
        assertTrue(text(robot, "#tune-problem").startsWith("Go beyond the mark"));
        for (int i = 0; i < 40 && session.tune().servos().did().orElseThrow().arm() > arm; i++) {
            press(robot, "#tune-less");
        }
        assertTrue(servo().now() < mark, "it comes back later than it went");
        fire(robot, "#tune-mark-again");
        until(() -> servo().play().found().isPresent());
        assertTrue(text(robot, "#tune-play").startsWith("Play "), text(robot, "#tune-play"));
    }

    @Test
    void servosStartOneAfterAnotherAsMomentsOfPower(FxRobot robot) throws Exception {
        bench(robot, GATE, "#tune-more");
        int before = node(NODE).moments().size();
        type(robot, "#tune-move", "1.5 s");
        press(robot, "#tune-in-turn");
        until(() -> node(NODE).moments().size() > before);
        List<Moment> moves = node(NODE).moments().stream()
                .filter(moment -> moment.name().endsWith(" moves"))
                .toList();
        assertTrue(moves.stream().anyMatch(moment -> moment.length().seconds() == 1.5));
        assertTrue(moves.stream().allMatch(moment -> moment.at().isPresent()));
        robot.interact(() -> session.undo());
        until(() -> node(NODE).moments().size() == before);
        type(robot, "#tune-hanging", "heavy");
        assertTrue(text(robot, "#tune-problem").startsWith("Say what hangs there"));
        robot.interact(() -> robot.lookup("#tune-arm").queryAs(TextField.class).setText("35 mm"));
        type(robot, "#tune-hanging", "80");
        until(() -> servo().arm().isPresent());
        assertEquals(0.0275, servo().arm().orElseThrow().torque(), 1e-4);
    }

    @Test
    void bothSignalsOfAStickAreReadAndOneIsAThermistorsCurve(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.TUNE);
        TuneWork.At stick = new TuneWork.At(Place.ofPart(NODE, "stick"), BenchKind.ANALOG_IN);
        robot.interact(() -> {
            session.nodeProperty().set(NODE);
            session.apply(new AddPart(NODE, Part.of("stick", "joystick", "Stick", "")));
            session.apply(List.of(
                    new Feed(NODE, "stick", "+5V", new Endpoint(Part.BOARD, "5V")),
                    new SetWire(NODE, Wire.placed(new Endpoint("stick", "VRX"), new Endpoint(Part.BOARD, "A1"))),
                    new SetWire(NODE, Wire.placed(new Endpoint("stick", "VRY"), new Endpoint(Part.BOARD, "A2")))));
        });
        until(() -> session.tune()
                .analogs()
                .of(stick)
                .filter(draft -> draft.signals().size() == 2)
                .isPresent());
        turnTo(robot, stick, "#tune-signal-1");
        type(robot, "#tune-codes", "10 12");
        press(robot, "#tune-signal-1");
        type(robot, "#tune-codes", "900 901 902");
        until(() ->
                session.tune().analogs().of(stick).orElseThrow().signal().runs().size() == 1);
        press(robot, "#tune-thermistor");
        until(() -> robot.lookup("#tune-divider").query().isVisible());
        type(robot, "#tune-divider", "none");
        assertTrue(text(robot, "#tune-problem").startsWith("That is no resistor"));
        type(robot, "#tune-divider", "4.7k");
        for (String[] point : new String[][] {{"203", "60"}, {"511", "25"}, {"788", "0"}}) {
            robot.interact(() ->
                    robot.lookup("#tune-mean-code").queryAs(TextField.class).setText(point[0]));
            type(robot, "#tune-mean-value", point[1]);
        }
        until(() -> session.tune()
                .analogs()
                .of(stick)
                .orElseThrow()
                .signal()
                .curve()
                .isPresent());
        fire(robot, "#tune-keep");
        until(() -> kept().size() == 1);
        assertEquals(10, kept().get(0).number("vrx_lowest_code").orElseThrow().si());
        assertEquals(
                4700, kept().get(0).number("vry_divider_resistor").orElseThrow().si());
        press(robot, "#tune-straight");
        until(() -> session.tune()
                .analogs()
                .of(stick)
                .orElseThrow()
                .signal()
                .divider()
                .isEmpty());
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
