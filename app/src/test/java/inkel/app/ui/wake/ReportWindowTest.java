package inkel.app.ui.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.TerminalPair;
import inkel.app.kit.WindowJourney;
import inkel.app.state.LineWork;
import inkel.app.ui.kit.Caption;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.FaultKind;
import inkel.core.document.LogLine;
import inkel.core.document.Meter;
import inkel.core.document.edit.Plug;
import inkel.core.finding.Stage;
import inkel.core.wake.Status;
import inkel.core.wake.WakePlan;
import inkel.core.wake.WakeState;
import inkel.core.wake.report.ReportPlan;
import inkel.core.wake.report.SimulatedBoard;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** What a board reports, in the real window. */
@ExtendWith(ApplicationExtension.class)
class ReportWindowTest extends WindowJourney {
    private static final String LAMP = "lamp";

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.MOTH_LAMP);
    }

    private Optional<WakeState> state() {
        return session.assessmentProperty().get() == null
                ? Optional.empty()
                : session.wake().of(session.assessmentProperty().get(), LAMP);
    }

    private void wake(FxRobot robot) throws Exception {
        open(robot, Given.MOTH_LAMP, Stage.WAKE);
        robot.interact(() -> session.apply(new Plug(
                LAMP,
                session.assessmentProperty().get().wires(LAMP).orElseThrow().steps().stream()
                        .map(WireStep::id)
                        .collect(Collectors.toSet()),
                true)));
        until(() -> state().isPresent());
        press(robot, "#wake-show-report");
        until(() -> isThere(robot, "#report-text"));
    }

    /** What a healthy board of this build prints. */
    private String healthy() {
        var reports = session.assessmentProperty().get().reports();
        List<WireList> lists = reports.wires();
        PracticeBench bench = new PracticeBench(reports.circuit(), lists, Twist.NONE, Meter.USUAL, 2);
        return new SimulatedBoard(
                        ReportPlan.of(WakePlan.of(reports.circuit(), Meter.USUAL)
                                .node(LAMP)
                                .orElseThrow()),
                        lists.get(0),
                        bench)
                .report();
    }

    private void paste(FxRobot robot, String text) throws Exception {
        robot.interact(
                () -> robot.lookup("#report-text").queryAs(TextArea.class).setText(text));
        fire(robot, "#report-judge");
        until(() -> session.reports().latestProperty().get() != null
                && session.reports().latestProperty().get().text().equals(text));
    }

    private static List<String> lines(FxRobot robot) {
        VBox lines = robot.lookup("#report-lines").queryAs(VBox.class);
        return lines.getChildren().stream()
                .map(line -> ((Caption) line).getText())
                .toList();
    }

    @Test
    void aPastedReportIsJudgedAndKeptAsOneStep(FxRobot robot) throws Exception {
        wake(robot);
        paste(robot, "boot 1.2\n" + healthy());
        assertTrue(
                lines(robot).get(0).startsWith("line 1: boot 1.2: is of another program"),
                lines(robot).toString());
        int before = session.build().orElseThrow().log().size();
        fire(robot, "#report-keep");
        until(() -> state().isPresent()
                && state().get()
                        .wake()
                        .check("register tilt 0x00")
                        .map(check -> state().get().result(check).status() == Status.IN)
                        .orElse(false));
        LogLine.Seen line = (LogLine.Seen) session.build()
                .orElseThrow()
                .log()
                .counting()
                .filter(LogLine.Seen.class::isInstance)
                .findFirst()
                .orElseThrow();
        assertEquals(LogLine.By.BOARD, line.by());
        robot.interact(() -> session.undo());
        until(() -> session.build().orElseThrow().log().counting().count() == before);
    }

    @Test
    void nonsenseIsToldLineByLineAndStaysInTheField(FxRobot robot) throws Exception {
        wake(robot);
        paste(robot, "inkel-wake 1 lamp\nreg tilt 0x00 many\nend 1");
        assertTrue(lines(robot).stream().anyMatch(line -> line.contains("cannot be read; for example reg")));
        assertEquals(
                "inkel-wake 1 lamp\nreg tilt 0x00 many\nend 1",
                robot.lookup("#report-text").queryAs(TextArea.class).getText());
        assertFalse(robot.lookup("#report-keep").query().isVisible());
        paste(robot, "");
        assertTrue(
                lines(robot).get(0).startsWith("This is no report"),
                lines(robot).toString());
    }

    @Test
    void aFileIsReadToo(FxRobot robot) throws Exception {
        wake(robot);
        Path file = Files.writeString(folder.resolve("board.txt"), healthy());
        robot.interact(() -> session.reports().open(file));
        until(() -> session.reports().latestProperty().get() != null);
        until(() -> lines(robot).stream().anyMatch(line -> line.contains("As it should be")));
        robot.interact(() -> session.reports().open(folder.resolve("nowhere.txt")));
        until(() -> session.notices().property().get() != null
                && session.notices().property().get().text().contains("nowhere.txt"));
    }

    @Test
    void theBoardThatIsNotThereIsPluggedInWhilePractising(FxRobot robot) throws Exception {
        wake(robot);
        assertFalse(robot.lookup("#report-plug").query().isVisible());
        robot.interact(() -> session.practice().begin(1, Optional.of(FaultKind.OTHER_ADDRESS), 5));
        until(() -> session.practice().roundProperty().get().planted().isPresent() && state().isPresent());
        fire(robot, "#report-plug");
        until(() -> session.reports().latestProperty().get() != null);
        fire(robot, "#report-keep");
        until(() -> state().isPresent() && state().get().outside() > 0);
        fire(robot, "#report-plug");
        until(() -> session.reports().latestProperty().get() != null);
        press(robot, "#bench-mine");
        until(() -> session.reports().latestProperty().get() == null);
        assertEquals("", robot.lookup("#report-text").queryAs(TextArea.class).getText());
        until(() -> session.build().orElseThrow().log().counting().noneMatch(LogLine.Seen.class::isInstance));
    }

    @Test
    void aReportThatIsUnderWayWhenPracticeEndsIsGivenUp(FxRobot robot) throws Exception {
        wake(robot);
        robot.interact(() -> session.practice().begin(0, Optional.empty(), 5));
        until(() -> session.practice().roundProperty().get().planted().isPresent());
        robot.interact(() -> {
            session.reports().plug();
            session.practice().leave();
        });
        // Whatever is drawn after it comes later in the same lane.
        boolean[] isDrawn = {false};
        robot.interact(() -> session.draw(() -> "", drawn -> isDrawn[0] = true));
        until(() -> isDrawn[0]);
        assertEquals(null, session.reports().latestProperty().get());
    }

    private static Caption told(FxRobot robot) {
        return robot.lookup("#line-told").queryAs(Caption.class);
    }

    @Test
    void aBoardAtAPortIsListenedToAndKnownAgain(FxRobot robot) throws Exception {
        wake(robot);
        try (TerminalPair pair = new TerminalPair(folder)) {
            assertEquals(
                    "38400",
                    robot.lookup("#line-rate").queryAs(TextField.class).getText(),
                    "8 MHz do not divide down to 57,600 within 2 %");
            type(robot, "#line-port", pair.port());
            until(() -> session.line().nowProperty().get().state() == LineWork.State.OPEN);
            pair.print("ready\r\n" + healthy().replace("\n", "\r\n"));
            until(() -> session.reports().latestProperty().get() != null);
            assertTrue(robot.lookup("#report-text")
                    .queryAs(TextArea.class)
                    .getText()
                    .startsWith("ready\n"));
            fire(robot, "#report-keep");
            until(() -> session.build().orElseThrow().log().counting().anyMatch(LogLine.Seen.class::isInstance));
            assertEquals(
                    Optional.of(LAMP),
                    session.line()
                            .knownProperty()
                            .get()
                            .boardAt(session.line().nowProperty().get().port().orElseThrow()));
            type(robot, "#line-number", "two");
            assertEquals("stop-text", told(robot).getStyleClass().get(0));
            type(robot, "#line-number", "2");
            assertEquals("2", pair.hear());
            pair.pull();
            until(() -> told(robot).getText().contains("went away"));
            fire(robot, "#line-listen");
            until(() -> !session.line().nowProperty().get().isListening());
        }
    }

    @Test
    void aPortThatCannotBeOpenedIsASentence(FxRobot robot) throws Exception {
        wake(robot);
        type(robot, "#line-port", "");
        assertTrue(
                told(robot).getText().startsWith("Say which port"), told(robot).getText());
        type(robot, "#line-port", folder.resolve("nothing").toString());
        until(() -> told(robot).getText().startsWith("There is no port"));
        type(robot, "#line-rate", "fast");
        assertTrue(
                told(robot).getText().startsWith("A rate is a whole number"),
                told(robot).getText());
        assertTrue(told(robot).isVisible());
    }
}
