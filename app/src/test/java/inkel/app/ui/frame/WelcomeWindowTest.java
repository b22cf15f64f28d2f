package inkel.app.ui.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.store.UserState;
import inkel.app.ui.kit.Line;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RemovePart;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.geometry.Rectangle2D;
import javafx.scene.Node;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The first time that somebody starts the program. */
@ExtendWith(ApplicationExtension.class)
class WelcomeWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private Shell shell() {
        return (Shell) stage.getScene().lookup(".shell");
    }

    private static boolean isShown(FxRobot robot) {
        return seen(() -> robot.lookup("#tour").query().isVisible());
    }

    @Test
    void fourSentencesAreShownOnceAndCanBeLeftAtOnce(FxRobot robot) throws Exception {
        robot.interact(() -> shell().welcome());
        assertTrue(isShown(robot));
        String first = text(robot, "#tour-said");
        fire(robot, "#tour-next");
        assertFalse(first.equals(text(robot, "#tour-said")));
        fire(robot, "#tour-leave");
        assertFalse(isShown(robot));
        until(() -> UserState.read(folder).flag("toured"));

        robot.interact(() -> {
            shell().dispose();
            show();
            shell().welcome();
        });
        assertFalse(isShown(robot), "whoever left it is not asked again");
        robot.interact(() -> shell().run("tour"));
        assertTrue(isShown(robot), "but it can be asked for");
    }

    @Test
    void theLastSentenceLeadsToThePracticeBench(FxRobot robot) throws Exception {
        robot.interact(() -> shell().welcome());
        for (int i = 0; i < 3; i++) {
            fire(robot, "#tour-next");
        }
        assertFalse(seen(() -> robot.lookup("#tour-next").query().isVisible()));
        assertFalse(
                seen(() -> robot.lookup("#tour-practise").query().isVisible()),
                "without examples there is nothing to practise on");
        System.setProperty("inkel.home", "..");
        try {
            robot.interact(() -> shell().welcome());
            for (int i = 0; i < 3; i++) {
                fire(robot, "#tour-next");
            }
            fire(robot, "#tour-practise");
            until(() -> session.practice().isOn());
        } finally {
            System.clearProperty("inkel.home");
        }
        assertFalse(isShown(robot));
    }

    @Test
    void theWindowIsFirstTwoThirdsOfTheScreenInItsMiddle() {
        assertEquals(new Rectangle2D(320, 180, 1280, 720), Window.firstPlace(new Rectangle2D(0, 0, 1920, 1080)));
        assertEquals(new Rectangle2D(133, 34, 1100, 700), Window.firstPlace(new Rectangle2D(0, 0, 1366, 768)));
        assertEquals(new Rectangle2D(100, 50, 1024, 600), Window.firstPlace(new Rectangle2D(100, 50, 1024, 600)));
    }

    /** All that can be read on a stage now. */
    private static String read(FxRobot robot, Stage at) {
        return robot.lookup("#stage-pane-" + at.text()).query().lookupAll(".line").stream()
                .filter(WelcomeWindowTest::isSeen)
                .map(line -> ((Line) line).whole())
                .collect(Collectors.joining("\n"));
    }

    private static boolean isSeen(Node line) {
        Node at = line;
        while (at != null && at.isVisible()) {
            at = at.getParent();
        }
        return at == null;
    }

    @Test
    void anEmptyTableSaysTheNextStepOnEveryStage(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        // What is plugged would have to be pulled first.
        robot.interact(() -> session.apply(new Plug(NODE, node(NODE).plugged(), false)));
        robot.interact(() -> node(NODE).parts().stream()
                .filter(part -> !part.isBoard())
                .forEach(part -> session.apply(new RemovePart(NODE, part.id()))));
        Map<Stage, String> next = Map.of(
                Stage.PARTS, "No module is on the table yet.",
                Stage.POWER, "Nothing is fed on this board yet.",
                Stage.LEVELS, "No signal wires are planned yet",
                Stage.PINS, "Nothing on this table has a signal yet.",
                Stage.WIRE, "There is no wire to plug yet.",
                Stage.TUNE, "Nothing on this table differs");
        for (Map.Entry<Stage, String> each : next.entrySet()) {
            robot.interact(() -> session.stageProperty().set(each.getKey()));
            until(() -> isThere(robot, "#stage-pane-" + each.getKey().text()));
            until(() -> isThere(robot, "#stage-pane-" + each.getKey().text())
                    && read(robot, each.getKey()).replace('\n', ' ').contains(each.getValue()));
        }
    }
}
