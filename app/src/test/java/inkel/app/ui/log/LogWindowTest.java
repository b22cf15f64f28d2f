package inkel.app.ui.log;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.Wire;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Stage;
import inkel.core.log.Entry;
import java.io.IOException;
import java.util.List;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The record in the real window: what enters it by itself, what is written, searched, and the build as it was. */
@ExtendWith(ApplicationExtension.class)
class LogWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private void log(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.LOG);
        until(() -> isThere(robot, "#log-list"));
    }

    private List<String> said() {
        return session.build().orElseThrow().log().lines().stream()
                .map(LogLine::text)
                .toList();
    }

    private String last() {
        return said().get(said().size() - 1);
    }

    private static void put(FxRobot robot, String id, String text) {
        robot.interact(() -> robot.lookup(id).queryAs(TextField.class).setText(text));
    }

    @Test
    void aChangeOfThePlanEntersByItselfAndGoesWithUndoUntilItIsSaved(FxRobot robot) throws Exception {
        log(robot);
        Build opened = session.build().orElseThrow();
        robot.interact(() -> session.apply(new Feed(NODE, "radio", "VCC", new Endpoint("board", "3V3"))));
        assertEquals("VCC fed from Classic 5 V board 3V3, was 3.3 V regulator", last());
        robot.interact(() -> session.undo());
        assertEquals(opened, session.build().orElseThrow(), "nothing of it is left");
        robot.interact(() -> session.redo());
        int lines = said().size();
        assertEquals(opened.log().size() + 1, lines);
        robot.interact(() -> session.files().save());
        until(() -> !session.files().unsavedProperty().get());
        robot.interact(() -> session.undo());
        Build undone = session.build().orElseThrow();
        assertEquals(lines + 1, undone.log().size(), "what a file has is taken back by a further line");
        assertTrue(undone.log().lines().get(lines) instanceof LogLine.TakenBack);
        assertFalse(undone.log().counts(lines - 1));
        assertEquals(opened.nodes(), undone.nodes());
    }

    @Test
    void aDecisionCarriesItsReasonAndAReadingIsNoChangeOfThePlan(FxRobot robot) throws Exception {
        log(robot);
        robot.interact(() -> session.apply(new SetWire(
                NODE,
                Wire.held(new Endpoint("radio", "CE"), new Endpoint("board", "D5"), "the shield has that trace"))));
        List<LogLine> lines = session.build().orElseThrow().log().lines();
        assertTrue(lines.get(lines.size() - 1) instanceof LogLine.Decided, lines.toString());
        assertEquals("CE held on D5: the shield has that trace", last());
    }

    @Test
    void linesAreWrittenAnsweredSearchedAndSorted(FxRobot robot) throws Exception {
        log(robot);
        press(robot, "#log-write");
        until(() -> isThere(robot, "#log-form"));
        press(robot, "#log-add");
        assertTrue(seen(() -> robot.lookup("#log-form").query().isVisible()), "nothing was said yet");
        press(robot, "#log-write-went_wrong");
        put(robot, "#log-text", "reset at each message");
        put(robot, "#log-value", "3.1 V");
        press(robot, "#log-add");
        assertEquals("reset at each message: 3.1 V", last());
        int wrong = said().size() - 1;
        until(() -> session.log()
                .selected()
                .filter(entry -> entry.number() == wrong)
                .isPresent());
        press(robot, "#log-answer");
        put(robot, "#log-text", "a capacitor helped");
        put(robot, "#log-picture", "../elsewhere.jpg");
        press(robot, "#log-add");
        assertEquals(wrong + 1, said().size(), "a picture elsewhere is none");
        put(robot, "#log-picture", "photos/capacitor.jpg");
        press(robot, "#log-add");
        assertEquals(
                List.of(wrong + 1),
                session.log()
                        .register()
                        .orElseThrow()
                        .entry(wrong)
                        .orElseThrow()
                        .answers());
        robot.interact(() -> session.log().search("MESSAGE 3.1 v"));
        assertEquals(
                List.of(wrong),
                session.log().shown().stream().map(Entry::number).toList());
        robot.interact(() -> session.log().search("regulator since 3 May 2026"));
        assertEquals(1, session.log().shown().size());
        robot.interact(() -> session.log().search("regulator since 10 May 2026"));
        assertEquals(0, session.log().shown().size());
        robot.interact(() -> session.log().search(""));
        press(robot, "#log-sort-went_wrong");
        assertEquals(
                List.of(wrong),
                session.log().shown().stream().map(Entry::number).toList());
        press(robot, "#log-all");
        assertEquals(wrong + 2, session.log().shown().size());
    }

    @Test
    void theBuildIsLookedAtAsItWasAndNothingIsChangedMeanwhile(FxRobot robot) throws Exception {
        log(robot);
        Build first = session.build().orElseThrow();
        robot.interact(() -> session.apply(new SetSetting(NODE, "bench", Settings.VOLTS, "5 V")));
        int line = said().size() - 1;
        Build second = session.build().orElseThrow();
        robot.interact(() -> session.apply(new SetSetting(NODE, "bench", Settings.VOLTS, "7 V")));
        Build third = session.build().orElseThrow();
        assertEquals(
                List.of("Bench 6 V: set to: 7 V, was 5 V"),
                session.log().since(line).orElseThrow().plan());
        robot.interact(() -> session.log().select(line));
        until(() -> isThere(robot, "#log-look"));
        until(() -> isThere(robot, "#log-back-0"));
        fire(robot, "#log-back-0");
        until(() -> volts().equals("5 V"));
        robot.interact(() -> session.undo());
        until(() -> isThere(robot, "#log-look"));
        press(robot, "#log-look");
        until(() -> session.log().isLooking()
                && seen(() -> robot.lookup("#looking-mark").query().isVisible()));
        assertEquals(
                second.node(NODE).orElseThrow().part("bench"),
                session.build().orElseThrow().node(NODE).orElseThrow().part("bench"));
        robot.interact(() -> session.apply(new SetSetting(NODE, "bench", Settings.VOLTS, "9 V")));
        assertEquals(
                second.node(NODE).orElseThrow().part("bench"),
                session.build().orElseThrow().node(NODE).orElseThrow().part("bench"));
        press(robot, "#looking-mark");
        until(() -> !session.log().isLooking());
        assertEquals(third, session.build().orElseThrow(), "the present one was left as it is");
        assertEquals(
                first.node(NODE).orElseThrow().part("bench").orElseThrow().typed(Settings.VOLTS),
                session.log()
                        .then(line - 1)
                        .orElseThrow()
                        .node(NODE)
                        .orElseThrow()
                        .part("bench")
                        .orElseThrow()
                        .typed(Settings.VOLTS));
    }

    private String volts() {
        return session.build()
                .orElseThrow()
                .node(NODE)
                .orElseThrow()
                .part("bench")
                .orElseThrow()
                .typed(Settings.VOLTS)
                .orElse("");
    }
}
