package inkel.app.ui.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.state.PracticeWork;
import inkel.app.state.SuspectWork;
import inkel.app.ui.kit.Caption;
import inkel.core.bench.fault.FaultKind;
import inkel.core.diagnosis.Evidence;
import inkel.core.document.Build;
import inkel.core.document.edit.Plug;
import inkel.core.finding.Stage;
import inkel.core.wake.Check;
import inkel.core.wake.Phase;
import inkel.core.wake.Status;
import inkel.core.wake.WakeState;
import inkel.core.wiring.WireStep;
import java.io.IOException;
import java.nio.file.Files;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.TextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The practice bench and what it could be, in the real window. */
@ExtendWith(ApplicationExtension.class)
class PracticeWindowTest extends WindowJourney {
    private static final String LAMP = "lamp";
    private static final int MOST_READINGS = 60;
    private static final int MOST_LOOKS = 6;

    @Start
    void start(javafx.stage.Stage stage) throws IOException {
        begin(stage, Given.MOTH_LAMP);
    }

    private Optional<WakeState> state() {
        return session.assessmentProperty().get() == null
                ? Optional.empty()
                : session.wake().of(session.assessmentProperty().get(), LAMP);
    }

    private boolean isOut() {
        return state().filter(state -> state.outside() > 0).isPresent();
    }

    private PracticeWork.Round round() {
        return session.practice().roundProperty().get();
    }

    private void practise(FxRobot robot, FaultKind kind, long seed) throws Exception {
        open(robot, Given.MOTH_LAMP, Stage.WAKE);
        press(robot, "#bench-practice");
        robot.interact(() -> session.practice().begin(1, Optional.of(kind), seed));
        until(() -> round() != null && round().planted().isPresent() && state().isPresent());
        until(() -> isThere(robot, "#practice-read"));
    }

    /** Presses until a reading is not as foretold. */
    private void readOn(FxRobot robot) throws Exception {
        for (int i = 0; i < MOST_READINGS && !isOut(); i++) {
            int before = round().taken();
            fire(robot, "#practice-read");
            until(() -> round().taken() == before + 1 && readings() >= Math.min(before + 1, 1));
            until(() -> state().isPresent() && Evidence.of(state().get()).size() == round().taken());
        }
    }

    private int readings() {
        return session.build().orElseThrow().log().size();
    }

    private Optional<SuspectWork.Found> whole() {
        return Optional.ofNullable(session.suspects().latestProperty().get())
                .filter(found -> found.suspects().isWhole()
                        && state().isPresent()
                        && found.evidence().equals(Evidence.of(state().get())));
    }

    @Test
    void aLooseContactIsFoundBySuspectsAndLooks(FxRobot robot) throws Exception {
        open(robot, Given.MOTH_LAMP, Stage.WAKE);
        Build own = session.build().orElseThrow();
        practise(robot, FaultKind.CONTACT_LOOSE, 7);
        assertTrue(robot.lookup("#practice-mark").query().isVisible());
        readOn(robot);
        until(() -> whole().isPresent());
        for (int i = 0;
                i < MOST_LOOKS && whole().orElseThrow().suspects().next().isPresent();
                i++) {
            int before = round().taken();
            until(() -> isThere(robot, "#suspects-take"));
            fire(robot, "#suspects-take");
            fire(robot, "#practice-read");
            until(() -> round().taken() == before + 1 && whole().isPresent());
        }
        until(() -> isThere(robot, "#suspects-this"));
        fire(robot, "#suspects-this");
        until(() -> round().end().isPresent());
        assertEquals(Optional.of(PracticeWork.Guess.RIGHT), round().guess());
        String told = text(robot, "#practice-told");
        assertTrue(told.startsWith("That is it. Planted: wire "), told);
        assertTrue(told.contains("Inkel alone"), told);
        press(robot, "#bench-mine");
        until(() -> session.build().orElseThrow().equals(own));
        assertFalse(robot.lookup("#practice-mark").query().isVisible());
        assertFalse(session.files().unsavedProperty().get());
        assertFalse(session.canUndoProperty().get());
    }

    @Test
    void whatIsReadInPracticeIsUndoneThereAndNeverSaved(FxRobot robot) throws Exception {
        practise(robot, FaultKind.PART_DEAD, 3);
        fire(robot, "#practice-read");
        until(() -> readings() == 1);
        robot.interact(() -> session.undo());
        until(() -> session.build().orElseThrow().log().counting().findAny().isEmpty());
        fire(robot, "#practice-read");
        String before = Files.readString(folder.resolve(Given.MOTH_LAMP));
        robot.interact(() -> session.files().save());
        until(() -> session.files().savedAtProperty().get() != null);
        String after = Files.readString(folder.resolve(Given.MOTH_LAMP));
        assertFalse(after.contains("look program"));
        assertEquals(before.contains("\"plugged\""), after.contains("\"plugged\""));
    }

    @Test
    void aSeedIsANumber(FxRobot robot) throws Exception {
        practise(robot, FaultKind.PART_DEAD, 3);
        type(robot, "#practice-seed", "lucky");
        until(() -> isThere(robot, ".stop-text"));
        assertEquals(3, round().seed());
        type(robot, "#practice-seed", "11");
        until(() -> round().seed() == 11 && round().planted().isPresent());
    }

    @Test
    void aKindThatNobodyWouldNoticeIsToldOf(FxRobot robot) throws Exception {
        open(robot, Given.MOTH_LAMP, Stage.WAKE);
        robot.interact(() -> session.practice().begin(1, Optional.of(FaultKind.CAPACITOR_MISSING), 1));
        until(() -> round() != null && !round().isPlanting());
        assertTrue(round().planted().isEmpty());
        assertTrue(robot.lookup(".stop-text").queryAllAs(Caption.class).stream()
                .anyMatch(caption -> caption.getText().startsWith("This board can have no fault of that kind")));
    }

    @Test
    void onTheOwnBenchALookInBetweenIsKeptAndThereAgain(FxRobot robot) throws Exception {
        open(robot, Given.MOTH_LAMP, Stage.WAKE);
        robot.interact(() -> session.apply(new Plug(
                LAMP,
                session.assessmentProperty().get().wires(LAMP).orElseThrow().steps().stream()
                        .map(WireStep::id)
                        .collect(Collectors.toSet()),
                true)));
        until(() -> state().isPresent());
        robot.interact(() -> session.wake()
                .currentProperty()
                .set(state().orElseThrow().wake().check("volts tilt.VCC").orElseThrow()));
        type(robot, "#wake-field", "0.02");
        until(() -> isOut() && whole().isPresent() && isThere(robot, "#suspects-take"));
        Check look = whole().orElseThrow().suspects().next().orElseThrow();
        fire(robot, "#suspects-take");
        until(() -> session.wake().currentProperty().get().id().equals(look.id()));
        assertEquals(Phase.BESIDES, look.group().phase());
        if (look.isMetered()) {
            type(robot, "#wake-field", "0");
        } else {
            fire(robot, "#wake-well");
        }
        until(() -> state().isPresent()
                && state().get().wake().check(look.id()).isPresent()
                && state().get().result(look).status() != Status.OPEN);
        robot.interact(() -> session.files().save());
        until(() -> session.files().savedAtProperty().get() != null);
        robot.interact(() -> show());
        open(robot, Given.MOTH_LAMP, Stage.WAKE);
        until(() -> state().isPresent() && state().get().wake().check(look.id()).isPresent());
        assertTrue(state().orElseThrow().result(look).status() != Status.OPEN);
    }

    @Test
    void theStartPageLetsPractise(FxRobot robot) throws Exception {
        robot.interact(() -> session.practice().open(folder.resolve(Given.MOTH_LAMP)));
        until(() -> round() != null && round().planted().isPresent());
        assertEquals(Stage.WAKE, session.stageProperty().get());
        until(() -> isThere(robot, "#practice-seed"));
        assertEquals(
                String.valueOf(round().seed()),
                robot.lookup("#practice-seed").queryAs(TextField.class).getText());
    }
}
