package inkel.app.ui.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.testfx.util.WaitForAsyncUtils.waitForFxEvents;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetFigure;
import inkel.core.finding.Stage;
import inkel.core.formula.Verdict;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The Levels stage in the real window: a wire that harms, its divider, undo, a two-way wire, a measured level. */
@ExtendWith(ApplicationExtension.class)
class LevelsWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.LOCKS, Given.FIRST_SKETCH);
    }

    private static Place place(String part, String pin) {
        return Place.of(NODE, new Endpoint(part, pin));
    }

    private Optional<Verdict> verdict(String part, String pin) {
        return session.assessmentProperty().get().reports().levels().verdict(place(part, pin));
    }

    @Test
    void aWireThatHarmsIsDividedAndUndone(FxRobot robot) throws Exception {
        open(robot, Given.FIRST_SKETCH, Stage.LEVELS);
        press(robot, "#level-reader-MOSI");
        until(() -> place("reader", "MOSI").equals(session.selectionProperty().get()));
        assertEquals(Optional.of(Verdict.HARMS), verdict("reader", "MOSI"));
        assertTrue(text(robot, "#why-verdict").contains("bear at most 3.50 V"), "it and three others");
        press(robot, "#way-0");
        until(() -> verdict("reader", "MOSI").equals(Optional.of(Verdict.FINE)));
        robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
        until(() -> verdict("reader", "MOSI").equals(Optional.of(Verdict.HARMS)));
    }

    @Test
    void aMeasuredLevelTakesThePlaceOfTheFiguresAndCanBeTakenBack(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.LEVELS);
        assertEquals(Optional.of(Verdict.FINE), verdict("handset", "OUT"));
        press(robot, "#level-handset-OUT");
        until(() -> robot.lookup("#measured-high").tryQuery().isPresent());
        // The board reads high from 0.6 · 4.75 V up; 2.5 V are too little.
        type(robot, "#measured-high", "2.5 V");
        until(() -> verdict("handset", "OUT").equals(Optional.of(Verdict.NOT_READ)));
        List<LogLine> lines = session.build().orElseThrow().log().lines();
        assertEquals(LogLine.Measured.class, lines.get(lines.size() - 1).getClass());
        type(robot, "#measured-high", "loud");
        until(() -> isTold(robot, "loud"));
        type(robot, "#measured-high", "");
        until(() -> verdict("handset", "OUT").equals(Optional.of(Verdict.FINE)));
    }

    @Test
    void theListIsFilteredAndWalkedByKeys(FxRobot robot) throws Exception {
        open(robot, Given.FIRST_SKETCH, Stage.LEVELS);
        int all = robot.lookup(".level-row").queryAll().size();
        assertTrue(!robot.lookup("#levels-through").query().isVisible(), "nothing stands in a wire of the sketch");
        press(robot, "#levels-harms");
        waitForFxEvents();
        int harmed = robot.lookup(".level-row").queryAll().size();
        assertTrue(harmed > 0 && harmed < all, harmed + " of " + all);
        robot.interact(
                () -> robot.lookup(".level-row").queryAll().iterator().next().requestFocus());
        robot.type(KeyCode.DOWN);
        until(() -> session.selectionProperty().get() != null);
        press(robot, "#levels-all");
        waitForFxEvents();
        assertEquals(all, robot.lookup(".level-row").queryAll().size());
    }

    @Test
    void threePointSevenVoltsMeasuredOnAPinOfThreePointThreeIsTooMuch(FxRobot robot) throws Exception {
        open(robot, Given.FIRST_SKETCH, Stage.LEVELS);
        press(robot, "#level-reader-MOSI");
        // Its rail is 3.2 V at the least, and a pin survives 0.3 V more: 3.4 V harm nothing, 3.7 V do.
        type(robot, "#measured-high", "3.4 V");
        until(() -> verdict("reader", "MOSI").equals(Optional.of(Verdict.FINE)));
        type(robot, "#measured-high", "3.7 V");
        until(() -> verdict("reader", "MOSI").equals(Optional.of(Verdict.HARMS)));
        until(() -> text(robot, "#why-verdict").contains("can reach 3.70 V, but Tag reader MOSI bears at most 3.50 V"));
    }

    @Test
    void aThinWireIsLeftWithAReasonAndAskedForAtWake(FxRobot robot) throws Exception {
        open(robot, Given.FIRST_SKETCH, Stage.LEVELS);
        Place thin = Place.of("pump-house", new Endpoint("bridge", "RX"));
        robot.interact(() -> session.apply(new SetFigure("pump-house", "board", "level/io/voh", "2.62 V")));
        until(() -> thinFindings(thin) == 1);
        robot.interact(() -> session.selection().show(Stage.LEVELS, thin));
        until(() -> robot.lookup("#leave-reason").query().isVisible());
        assertEquals(1, thinFindings(thin));
        type(robot, "#leave-reason", "worked on the old table");
        until(() -> thinFindings(thin) == 0);
        var log = session.build().orElseThrow().log();
        assertEquals("worked on the old table", log.lines().get(log.size() - 1).text());
        robot.interact(() -> session.stageProperty().set(Stage.WAKE));
        until(() -> session.wake()
                .of(session.assessmentProperty().get(), "pump-house")
                .filter(state -> state.wake().check("high bridge.RX").isPresent())
                .isPresent());
    }

    private long thinFindings(Place place) {
        return session.assessmentProperty().get().at(place).stream()
                .filter(finding -> finding.code().equals("levels.thin"))
                .count();
    }

    @Test
    void aTwoWayWireIsOfferedNoDivider(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.LEVELS);
        // A radio of one's own figures on the bus would be harmed; the display's pull-ups reach 5 V.
        robot.interact(() -> session.apply(new SetFigure(NODE, "driver", "level/logic/absolute_max", "3.6 V")));
        until(() -> verdict("driver", "SDA").equals(Optional.of(Verdict.HARMS)));
        assertTrue(session.assessmentProperty().get().at(place("driver", "SDA")).stream()
                .flatMap(finding -> finding.fixes().stream())
                .noneMatch(fix -> fix.id().startsWith("divide")));
    }

    @Test
    void allWiresOfAModuleGoThroughShiftersAtOnce(FxRobot robot) throws Exception {
        open(robot, Given.FIRST_SKETCH, Stage.LEVELS);
        press(robot, "#level-reader-SDA");
        until(() -> place("reader", "SDA").equals(session.selectionProperty().get()));
        int way = waysOut("reader", "SDA").indexOf("module-shift");
        assertTrue(way >= 0, waysOut("reader", "SDA").toString());
        press(robot, "#way-" + way);
        until(() -> verdict("reader", "SDA").equals(Optional.of(Verdict.FINE)));
        for (String pin : new String[] {"SCK", "MOSI", "MISO", "RST"}) {
            assertTrue(
                    session.build()
                            .orElseThrow()
                            .node(NODE)
                            .orElseThrow()
                            .between(new Endpoint("reader", pin))
                            .isPresent(),
                    pin);
        }
        press(robot, "#levels-through");
        until(() -> robot.lookup(".level-row").queryAll().size() == 5);
    }

    private java.util.List<String> waysOut(String part, String pin) {
        return session.assessmentProperty().get().at(place(part, pin)).get(0).fixes().stream()
                .map(inkel.core.finding.Fix::id)
                .toList();
    }

    /** What arrives through a shifter is fine by the numbers, and yet the wire is on the wrong side of it. */
    @Test
    void aWireOnTheWrongSideOfItsShifterIsMarkedInTheList(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.LEVELS);
        Endpoint miso = new Endpoint("reader", "MISO");
        until(() -> isThere(robot, "#level-reader-MISO"));
        assertEquals("fits", wordOf(robot));
        Between.ShifterWay way = (Between.ShifterWay)
                session.build().orElseThrow().nodes().get(0).between(miso).orElseThrow();
        Between turned =
                new Between.ShifterWay(miso, way.shifter(), way.way(), Optional.of("HV" + way.way()), Extras.NONE);
        robot.interact(() -> session.apply(new Insert("lower-lock", turned)));
        until(() -> wordOf(robot).equals("wrong"));
        // It is told among those, and not among what is fine.
        assertEquals("wrong 1", robot.lookup("#levels-wrong").query().getAccessibleText());
        press(robot, "#levels-fine");
        until(() -> !isThere(robot, "#level-reader-MISO"));
        press(robot, "#levels-wrong");
        until(() -> isThere(robot, "#level-reader-MISO"));
        press(robot, "#levels-all");
        robot.interact(session::undo);
        until(() -> wordOf(robot).equals("fits"));
    }

    private static String wordOf(FxRobot robot) {
        String said = robot.lookup("#level-reader-MISO").query().getAccessibleText();
        return said.substring(said.lastIndexOf(' ') + 1);
    }
}
