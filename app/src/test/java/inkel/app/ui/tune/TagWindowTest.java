package inkel.app.ui.tune;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.TerminalPair;
import inkel.app.kit.WindowJourney;
import inkel.app.state.LineWork;
import inkel.app.state.TuneWork;
import inkel.core.catalog.BenchKind;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import inkel.core.tune.tags.Tap;
import java.io.IOException;
import java.util.List;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Tags are made known, let in and refused, on the practice bench and on the own one. */
@ExtendWith(ApplicationExtension.class)
class TagWindowTest extends WindowJourney {
    private static final TuneWork.At READER = new TuneWork.At(Place.ofPart(NODE, "reader"), BenchKind.TAGS);

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private void reader(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.TUNE);
        robot.interact(() -> {
            session.nodeProperty().set(NODE);
            session.tune().turnTo(READER);
        });
        until(() -> isThere(robot, "#tag-number"));
    }

    private static void put(FxRobot robot, String id, String text) {
        robot.interact(() -> robot.lookup(id).queryAs(TextField.class).setText(text));
    }

    private Tap.Sort last() {
        List<Tap> taps = session.tune().tags().taps();
        return taps.get(taps.size() - 1).sort();
    }

    private int known() {
        return session.tune().tags().of(READER).orElseThrow().tags().size();
    }

    private boolean isCopyableTold() {
        return session.assessmentProperty().get().findings().stream()
                .anyMatch(finding -> finding.code().equals("tag.copyable"));
    }

    @Test
    void aTagIsMadeKnownLetInAndRefusedOnThePracticeBench(FxRobot robot) throws Exception {
        reader(robot);
        press(robot, "#tune-practice");
        until(() -> session.practice().isOn() && isThere(robot, "#tag-tap-seven"));
        press(robot, "#tag-tap-seven");
        until(() -> isThere(robot, "#tag-take-0"));
        assertEquals(Tap.Sort.STRANGE, last());
        fire(robot, "#tag-take-0");
        put(robot, "#tag-does", "gate opens");
        type(robot, "#tag-name", "Blue fob");
        until(() -> known() == 1);
        press(robot, "#tag-tap-seven");
        until(() -> last() == Tap.Sort.ALLOWED);
        fire(robot, "#tag-turn-0");
        press(robot, "#tag-tap-seven");
        until(() -> last() == Tap.Sort.REFUSED);
        press(robot, "#tag-tap-random");
        until(() -> last() == Tap.Sort.RANDOM);
        press(robot, "#tag-tap-torn");
        until(() -> last() == Tap.Sort.BAD);
        press(robot, "#tune-mine");
        until(() -> !session.practice().isOn() && known() == 0);
    }

    @Test
    void whatIsTypedOrComesOverTheLineIsHeldThereAndKept(FxRobot robot) throws Exception {
        reader(robot);
        put(robot, "#tag-name", "Blue fob");
        type(robot, "#tag-number", "a blue one");
        assertTrue(text(robot, "#tune-problem").startsWith("That is no number"));
        type(robot, "#tag-number", "DE AD BE EF");
        until(() -> known() == 1);
        put(robot, "#tag-name", "blue fob");
        type(robot, "#tag-number", "11 22 33 44");
        assertTrue(text(robot, "#tune-problem").contains("cannot tell them apart"));
        assertEquals(1, known());
        try (TerminalPair pair = new TerminalPair(folder)) {
            robot.interact(() -> session.line().listen(pair.port(), 57_600));
            until(() -> session.line().nowProperty().get().state() == LineWork.State.OPEN);
            pair.print("ready\nDE:AD:BE:EF\n");
            until(() -> session.tune().tags().taps().size() == 1 && last() == Tap.Sort.ALLOWED);
        }
        fire(robot, "#tune-keep");
        until(this::isCopyableTold);
        robot.interact(() -> session.undo());
        until(() -> !isCopyableTold());
        robot.interact(() -> session.redo());
        until(this::isCopyableTold);
        robot.interact(() -> session.files().save());
        until(() -> !session.files().unsavedProperty().get());
        reader(robot);
        until(() -> known() == 1);
    }
}
