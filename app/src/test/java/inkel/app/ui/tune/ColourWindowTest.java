package inkel.app.ui.tune;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.state.TuneWork;
import inkel.core.catalog.BenchKind;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import inkel.core.tune.colour.ColourDraft;
import java.io.IOException;
import java.util.List;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The bench of the moth lamp's colour sensor in the real window. */
@ExtendWith(ApplicationExtension.class)
class ColourWindowTest extends WindowJourney {
    private static final TuneWork.At EYE = new TuneWork.At(Place.ofPart("lamp", "colour"), BenchKind.COLOUR);

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.MOTH_LAMP);
    }

    private void bench(FxRobot robot) throws Exception {
        open(robot, Given.MOTH_LAMP, Stage.TUNE);
        robot.interact(() -> session.tune().turnTo(EYE));
        until(() -> isThere(robot, "#colour-now"));
    }

    private ColourDraft draft() {
        return session.tune().colour(EYE).orElseThrow();
    }

    private long kept() {
        return session.build()
                .orElseThrow()
                .log()
                .counting()
                .filter(LogLine.Tuned.class::isInstance)
                .count();
    }

    private static void give(FxRobot robot, String readings, String button) {
        robot.interact(() -> {
            robot.lookup("#colour-values").queryAs(TextField.class).setText(readings);
            robot.lookup(button).queryButton().fire();
        });
    }

    @Test
    void coloursArePractisedAndWhatIsLaidUnderItIsNamed(FxRobot robot) throws Exception {
        bench(robot);
        press(robot, "#tune-practice");
        until(() -> session.practice().isOn() && isThere(robot, "#colour-practise-dark"));
        for (String step : List.of("dark", "white", "off", "moss", "rust", "straw", "slate", "bare")) {
            press(robot, "#colour-practise-" + step);
        }
        assertEquals(5, draft().bands().size());
        press(robot, "#colour-practise-far");
        until(() -> draft().distance().size() == 3);
        press(robot, "#colour-lay-rust");
        until(() -> text(robot, "#colour-now").equals("rust"));
        fire(robot, "#tune-keep");
        until(() -> kept() == 1);
        press(robot, "#tune-mine");
        until(() -> !session.practice().isOn());
        assertEquals(0, kept());
    }

    @Test
    void coloursAreTypedTwoMixAndThatIsAFindingUntilItIsUndone(FxRobot robot) throws Exception {
        bench(robot);
        give(robot, "3 3 3", "#colour-dark");
        assertTrue(text(robot, "#tune-problem").startsWith("A reading is four numbers"));
        assertEquals(
                "3 3 3", robot.lookup("#colour-values").queryAs(TextField.class).getText());
        give(robot, "10 10 10 10 10 10 10 10", "#colour-dark");
        give(robot, "210 210 210 610", "#colour-white");
        assertEquals("Dark and white are taken out.", text(robot, "#colour-correction"));
        give(robot, "110 110 110 310 111 110 109 310", "#colour-take");
        assertTrue(text(robot, "#tune-problem").startsWith("Give the colour a name"));
        robot.interact(
                () -> robot.lookup("#colour-name").queryAs(TextField.class).setText("slate"));
        give(robot, "110 110 110 310 111 110 109 310", "#colour-take");
        robot.interact(
                () -> robot.lookup("#colour-name").queryAs(TextField.class).setText("bare"));
        give(robot, "111 110 110 310 110 110 109 310", "#colour-take");
        until(() -> text(robot, "#colour-mixes").startsWith("slate and bare mix"));
        // They cannot be told however many are averaged: what is left is to count them as one, or to leave one out.
        assertFalse(isThere(robot, "#colour-average"));
        press(robot, "#colour-merge");
        until(() -> draft().colours().size() == 1);
        assertFalse(robot.lookup("#colour-merge").tryQuery().isPresent());
        assertEquals(4, draft().colours().get("slate").size());
        robot.interact(
                () -> robot.lookup("#colour-name").queryAs(TextField.class).setText("bare"));
        give(robot, "111 110 110 310 110 110 109 310", "#colour-take");
        until(() -> text(robot, "#colour-mixes").startsWith("slate and bare mix"));
        robot.interact(
                () -> robot.lookup("#colour-name").queryAs(TextField.class).setText("rust"));
        give(robot, "60 60 60 150 61 60 60 151", "#colour-far");
        assertTrue(text(robot, "#tune-problem").startsWith("Name a colour that was read"));
        robot.interact(
                () -> robot.lookup("#colour-name").queryAs(TextField.class).setText("bare"));
        give(robot, "60 60 60 150 61 60 60 151", "#colour-far");
        until(() -> draft().distance().size() == 3);
        fire(robot, "#tune-keep");
        until(() -> session.assessmentProperty().get() != null
                && session.assessmentProperty().get().findings().stream()
                        .anyMatch(finding -> finding.code().equals("colour.overlap")));
        robot.interact(() -> session.undo());
        until(() -> session.assessmentProperty().get() != null
                && session.assessmentProperty().get().findings().stream()
                        .noneMatch(finding -> finding.code().equals("colour.overlap")));
        assertFalse(session.tune().isDraft(EYE));
    }
}
