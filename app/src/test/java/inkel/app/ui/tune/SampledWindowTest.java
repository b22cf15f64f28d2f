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
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.finding.Stage;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.stand.TuneReport;
import java.io.IOException;
import java.util.List;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The benches of readings in the real window. */
@ExtendWith(ApplicationExtension.class)
class SampledWindowTest extends WindowJourney {
    private static final TuneWork.At SCALE = new TuneWork.At(Place.ofPart("bed", "scale"), BenchKind.LOAD_CELL);
    private static final TuneWork.At RECEIVER = new TuneWork.At(Place.ofPart("bed", "rx"), BenchKind.RC_RECEIVER);

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.BED);
    }

    private void bench(FxRobot robot, TuneWork.At at) throws Exception {
        open(robot, Given.BED, Stage.TUNE);
        robot.interact(() -> session.tune().turnTo(at));
        until(() -> isThere(robot, "#tune-asked"));
    }

    private SampledDraft draft(TuneWork.At at) {
        return session.tune().readings().of(at).orElseThrow();
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

    private static String problem(FxRobot robot) {
        return text(robot, "#tune-problem");
    }

    private void weigh(FxRobot robot, String grams, String codes) throws Exception {
        int before = draft(SCALE).samples().size();
        robot.interact(
                () -> robot.lookup("#tune-known").queryAs(TextField.class).setText(grams));
        type(robot, "#tune-values", codes);
        until(() -> draft(SCALE).samples().size() == before + 1);
    }

    @Test
    void aScaleIsWeighedOnMyBenchUndoneAndOutlivesTheFile(FxRobot robot) throws Exception {
        bench(robot, SCALE);
        robot.interact(
                () -> robot.lookup("#tune-known").queryAs(TextField.class).setText("a cup"));
        type(robot, "#tune-values", "8000");
        assertEquals("That is to be a number from 0 g to 1000000 g.", problem(robot));
        assertEquals(
                "a cup", robot.lookup("#tune-known").queryAs(TextField.class).getText());
        robot.interact(
                () -> robot.lookup("#tune-known").queryAs(TextField.class).setText("0"));
        type(robot, "#tune-values", "8000 much");
        assertTrue(problem(robot).startsWith("Type what was read"), problem(robot));
        assertTrue(draft(SCALE).samples().isEmpty());
        weigh(robot, "0", "8000 8001 7999");
        weigh(robot, "500", "208000; 208001; 207999");
        assertFalse(robot.lookup("#tune-problem").query().isVisible());
        assertEquals(400, draft(SCALE).estimate("codes_a_gram").orElseThrow().value(), 1e-9);
        fire(robot, "#tune-keep");
        until(() -> kept().size() == 1);
        robot.interact(() -> session.undo());
        until(() -> kept().isEmpty());
        robot.interact(() -> session.redo());
        until(() -> kept().size() == 1);
        robot.interact(() -> session.files().save());
        until(() -> !session.files().unsavedProperty().get());
        open(robot, Given.BED, Stage.TUNE);
        robot.interact(() -> session.tune().turnTo(SCALE));
        until(() -> draft(SCALE).estimate("codes_a_gram").isPresent());
        assertEquals(400, draft(SCALE).estimate("codes_a_gram").orElseThrow().value(), 1e-9);
    }

    @Test
    void everyBenchOfReadingsIsPractisedAndNothingIsKept(FxRobot robot) throws Exception {
        bench(robot, RECEIVER);
        press(robot, "#tune-practice");
        until(() -> session.practice().isOn() && isThere(robot, "#tune-practise"));
        List<TuneReport.Stand> stands =
                session.assessmentProperty().get().reports().tunes().of("bed");
        assertEquals(17, stands.size(), stands.toString());
        for (TuneReport.Stand stand : stands) {
            TuneWork.At at = new TuneWork.At(stand.node().place(stand.part()), stand.bench());
            robot.interact(() -> session.tune().turnTo(at));
            until(() -> isThere(robot, "#tune-asked"));
            for (Ask ask : draft(at).bench().asks(draft(at).rig())) {
                if (isThere(robot, "#tune-ask-" + ask.id().replace(' ', '-'))) {
                    press(robot, "#tune-ask-" + ask.id().replace(' ', '-'));
                }
                int count = ask.known().map(known -> known.practised().size()).orElse(0);
                for (int i = 0; i < Math.max(1, count); i++) {
                    press(robot, "#tune-practise" + (count == 0 ? "" : "-" + i));
                }
            }
            assertFalse(draft(at).work().results().isEmpty(), stand.bench().text());
            int before = kept().size();
            fire(robot, "#tune-keep");
            until(() -> kept().size() == before + 1);
        }
        press(robot, "#tune-mine");
        until(() -> !session.practice().isOn());
        assertEquals(List.of(), kept());
    }

    @Test
    void whatALostSignalDoesIsChosenAndAReadingIsTakenOut(FxRobot robot) throws Exception {
        bench(robot, RECEIVER);
        press(robot, "#tune-set-lost-holds");
        until(() -> draft(RECEIVER).tuning().choice("lost").orElse("").equals("holds"));
        type(robot, "#tune-values", "1012 1013 1011");
        until(() -> draft(RECEIVER).samples().size() == 1);
        // 1012 µs; and it goes on to the middle by itself.
        assertEquals(1012e-6, draft(RECEIVER).estimate("ch1_low").orElseThrow().value(), 1e-9);
        until(() -> text(robot, "#tune-asked").startsWith("Let the stick go"));
        fire(robot, "#tune-run-out-0");
        until(() -> draft(RECEIVER).samples().isEmpty());
    }

    @Test
    void aSettingThatIsTypedIsTakenWhenTheFieldIsLeft(FxRobot robot) throws Exception {
        TuneWork.At compass = new TuneWork.At(Place.ofPart("bed", "compass"), BenchKind.COMPASS);
        bench(robot, compass);
        TextField field = robot.lookup("#tune-set-declination").queryAs(TextField.class);
        robot.interact(() -> {
            field.requestFocus();
            field.setText("4.5");
            robot.lookup("#tune-values").queryAs(TextField.class).requestFocus();
        });
        until(() -> session.tune().isDraft(compass));
        assertEquals(
                4.5,
                draft(compass).tuning().number("set_declination").orElseThrow().si(),
                1e-12);
        robot.interact(() -> {
            field.requestFocus();
            field.setText("north");
            robot.lookup("#tune-values").queryAs(TextField.class).requestFocus();
        });
        assertEquals("That is to be a number from -180 to 180.", problem(robot));
        assertEquals(
                4.5,
                draft(compass).tuning().number("set_declination").orElseThrow().si(),
                1e-12);
    }

    @Test
    void readingsComeOverTheLine(FxRobot robot) throws Exception {
        bench(robot, SCALE);
        try (TerminalPair pair = new TerminalPair(folder)) {
            robot.interact(() -> session.line().listen(pair.port(), 57_600));
            until(() -> session.line().nowProperty().get().state() == LineWork.State.OPEN);
            pair.print("1000\n1002, 998\nhello 5\nready\n");
            until(() -> session.tune().readings().heard().size() == 3);
            assertTrue(text(robot, "#tune-waiting").startsWith("3 "));
            type(robot, "#tune-known", "0");
            until(() -> draft(SCALE).samples().size() == 1);
            assertEquals(
                    List.of(1000.0, 1002.0, 998.0),
                    draft(SCALE).samples().get(0).values());
            assertEquals("", text(robot, "#tune-waiting"));
        }
        type(robot, "#tune-known", "500");
        assertTrue(!problem(robot).isEmpty());
    }
}
