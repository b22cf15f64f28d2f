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
import inkel.core.tune.infrared.Heard;
import java.io.IOException;
import java.util.List;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A key is learnt and acted on, and is still there after the power was cut. */
@ExtendWith(ApplicationExtension.class)
class KeyWindowTest extends WindowJourney {
    private static final TuneWork.At EAR = new TuneWork.At(Place.ofPart(NODE, "handset"), BenchKind.INFRARED);

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private void ear(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.TUNE);
        robot.interact(() -> {
            session.nodeProperty().set(NODE);
            session.tune().turnTo(EAR);
        });
        until(() -> isThere(robot, "#key-name"));
    }

    private Heard.Sort last() {
        List<Heard> all = session.tune().keys().heard();
        return all.get(all.size() - 1).sort();
    }

    private int known() {
        return session.tune().keys().of(EAR).orElseThrow().keys().size();
    }

    @Test
    void aKeyIsLearntAndHeldOnThePracticeBench(FxRobot robot) throws Exception {
        ear(robot);
        type(robot, "#key-name", "Up");
        assertTrue(text(robot, "#tune-problem").startsWith("Nothing that can be learnt"));
        press(robot, "#tune-practice");
        until(() -> session.practice().isOn() && isThere(robot, "#key-press-pulse-distance-1"));
        press(robot, "#key-press-pulse-distance-1");
        until(() -> last() == Heard.Sort.STRANGE);
        robot.interact(() -> robot.lookup("#key-does").queryAs(TextField.class).setText("gate rises"));
        press(robot, "#key-way-held");
        type(robot, "#key-name", "Up");
        until(() -> known() == 1);
        press(robot, "#key-press-pulse-distance-1");
        until(() -> last() == Heard.Sort.PRESSED);
        press(robot, "#key-hold-pulse-distance");
        until(() -> last() == Heard.Sort.STILL);
        press(robot, "#key-press-bi-phase-1");
        until(() -> last() == Heard.Sort.STRANGE);
        type(robot, "#key-name", "up");
        assertTrue(text(robot, "#tune-problem").contains("cannot be told apart"));
        press(robot, "#tune-mine");
        until(() -> !session.practice().isOn() && known() == 0);
    }

    @Test
    void aTrainOverTheLineIsLearntAndOutlivesTheFile(FxRobot robot) throws Exception {
        ear(robot);
        // Pulse width: command 21 and address 1.
        String train =
                "2450,580,1210,600,610,590,1190,600,600,610,1220,590,590,600,600,600,1200,600,600,590,600,600,610,600,600";
        try (TerminalPair pair = new TerminalPair(folder)) {
            robot.interact(() -> session.line().listen(pair.port(), 57_600));
            until(() -> session.line().nowProperty().get().state() == LineWork.State.OPEN);
            pair.print("hello\n5\n" + train + "\n");
            until(() -> session.tune().keys().heard().size() == 1);
        }
        assertTrue(text(robot, "#key-which").contains("1/21"), text(robot, "#key-which"));
        type(robot, "#key-name", "Down");
        until(() -> known() == 1);
        fire(robot, "#tune-keep");
        until(() -> !session.tune().isDraft(EAR));
        robot.interact(() -> session.files().save());
        until(() -> !session.files().unsavedProperty().get());
        ear(robot);
        assertEquals(1, known());
        type(robot, "#key-train", train);
        until(() -> last() == Heard.Sort.PRESSED);
        type(robot, "#key-train", "9000, no");
        assertTrue(text(robot, "#tune-problem").startsWith("Type the widths"));
    }
}
