package inkel.app.ui.tune;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.state.CaptureWork;
import inkel.app.state.TuneWork;
import inkel.core.capture.CaptureReader;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.catalog.BenchKind;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Captures in the real window. */
@ExtendWith(ApplicationExtension.class)
class CaptureWindowTest extends WindowJourney {
    private static final TuneWork.At RECEIVER = new TuneWork.At(Place.ofPart("bed", "rx"), BenchKind.RC_RECEIVER);
    private static final int PULSES = 100;

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.BED);
    }

    /** Pulses of 1.5 ms, but for one of 0.64 ms. */
    private Path servo() throws IOException {
        StringBuilder dump =
                new StringBuilder("$timescale 1 us $end\n$var wire 1 ! CH1 $end\n$enddefinitions $end\n#0\n0!\n");
        for (int i = 0; i < PULSES; i++) {
            int from = 1000 + 20_000 * i;
            dump.append("#" + from + "\n1!\n#" + (from + (i == 40 ? 640 : 1500)) + "\n0!\n");
        }
        return Files.writeString(Files.createTempFile("inkel", ".vcd"), dump + "#0\n");
    }

    private CaptureWork.Shown shown() {
        return session.captures().shownProperty().get();
    }

    private void capture(FxRobot robot, Path file) throws Exception {
        open(robot, Given.BED, Stage.TUNE);
        robot.interact(() -> session.captures().open(file));
        until(() -> shown() != null && isThere(robot, "#capture-list"));
    }

    private static ListView<?> list(FxRobot robot) {
        return robot.lookup("#capture-list").queryListView();
    }

    @Test
    void pulsesAreShownJudgedAndTakenToTheirBench(FxRobot robot) throws Exception {
        capture(robot, servo());
        // The last line of the file goes back in time: that is told, and the rest is there.
        assertEquals(Kind.PULSES, shown().kind());
        assertEquals(
                "rx.CH1",
                robot.lookup("#capture-wire-CH1").queryAs(TextField.class).getText());
        assertEquals(PULSES, shown().result().orElseThrow().found().messages().size());
        until(() -> text(robot, "#capture-said").contains("1 pulse is outside"));
        fire(robot, "#capture-wrong");
        // 32 stitches stand in a line: the 41st pulse is in the second.
        until(() -> list(robot).getSelectionModel().getSelectedIndex() == 1);
        robot.interact(() -> list(robot).requestFocus());
        robot.type(KeyCode.RIGHT);
        until(() -> text(robot, "#capture-between").startsWith("1.5 ms long"));
        robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        until(() -> text(robot, "#capture-between").endsWith("20 ms from one to the other."));
        press(robot, "#capture-give-middle");
        until(() ->
                !session.tune().readings().of(RECEIVER).orElseThrow().samples().isEmpty());
        assertEquals(
                1500e-6,
                session.tune()
                        .readings()
                        .of(RECEIVER)
                        .orElseThrow()
                        .estimate("ch1_middle")
                        .orElseThrow()
                        .value(),
                1e-9);
        until(() -> isThere(robot, "#tune-asked"));
    }

    @Test
    void aChannelIsSaidToBeAnotherWire(FxRobot robot) throws Exception {
        capture(robot, servo());
        type(robot, "#capture-wire-CH1", "somewhere");
        assertTrue(text(robot, "#capture-problem").startsWith("That is no wire of this table"));
        assertEquals(
                "somewhere",
                robot.lookup("#capture-wire-CH1").queryAs(TextField.class).getText());
        type(robot, "#capture-wire-CH1", "rx.CH2");
        until(() -> shown().wires().get("CH1").equals("rx.CH2"));
        press(robot, "#capture-i2c");
        until(() ->
                text(robot, "#capture-said").equals("To be read as I2C it must be said which channel is sda, scl."));
        press(robot, "#capture-pulses");
        until(() -> shown().result().isPresent());
        type(robot, "#capture-find", "1.2 s");
        // 1.2 s is behind the 60th pulse, which begins at 1.181 s: in the second line.
        until(() -> list(robot).getSelectionModel().getSelectedIndex() == 1);
    }

    @Test
    void aFileThatIsNoCaptureLeavesWhatWasThere(FxRobot robot) throws Exception {
        capture(robot, servo());
        CaptureWork.Shown before = shown();
        Path other = Files.writeString(Files.createTempFile("inkel", ".csv"), "nothing of the sort\n");
        robot.interact(() -> session.captures().open(other));
        until(() -> session.notices().property().get() != null
                && session.notices()
                        .property()
                        .get()
                        .text()
                        .contains(other.getFileName().toString()));
        assertEquals(before, shown());
        robot.interact(() -> session.captures().open(Path.of("not", "there.vcd")));
        until(() -> session.notices().property().get().text().contains("there.vcd"));
        assertEquals(before, shown());
    }

    @Test
    void thePracticeBenchIsTakenDownAndSaved(FxRobot robot) throws Exception {
        open(robot, Given.BED, Stage.TUNE);
        robot.interact(() -> session.captures().openProperty().set(true));
        until(() -> isThere(robot, "#capture-practise"));
        assertFalse(robot.lookup("#capture-practise").query().isVisible(), "my bench has no such wires");
        robot.interact(() -> session.practice().beginWithNone());
        until(() -> session.practice().roundProperty().get() != null
                && session.practice().roundProperty().get().planted().isPresent());
        robot.interact(() -> session.captures().openProperty().set(true));
        until(() -> robot.lookup("#capture-practise").query().isVisible());
        fire(robot, "#capture-practise");
        until(() -> shown() != null && shown().capture().channel("rx.CH1").isPresent());
        assertEquals("rx.CH1", shown().wires().get("rx.CH1"));
        Path file = folder.resolve("bench.vcd");
        robot.interact(() -> session.captures().save(file));
        until(() -> Files.exists(file));
        assertEquals(shown().capture().edges(), CaptureReader.read(file).edges());
    }
}
