package inkel.app.ui.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.core.finding.Stage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** What is typed outlives a run that ends before it was taken over. */
@ExtendWith(ApplicationExtension.class)
class TypedWindowTest extends WindowJourney {
    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS);
    }

    private List<String> kept() throws IOException {
        Path recovery = folder.resolve("recovery");
        if (!Files.isDirectory(recovery)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(recovery)) {
            List<Path> typed = files.filter(
                            file -> file.getFileName().toString().matches("typed-.*\\.properties"))
                    .toList();
            return typed.isEmpty() ? List.of() : List.of(Files.readString(typed.get(0)));
        } catch (NoSuchFileException gone) {
            return List.of(); // it was taken away between the two looks
        }
    }

    private boolean isKept(String text) throws IOException {
        return kept().stream().anyMatch(file -> file.contains(text));
    }

    @Test
    void whatIsTypedIsKeptUntilItIsTakenOverAndOfferedToTheNextRun(FxRobot robot) throws Exception {
        open(robot, Given.LOCKS, Stage.PARTS);
        robot.clickOn("#finder-field");
        robot.write("bolt");
        robot.clickOn("#part-radio");
        robot.push(KeyCode.F2);
        until(() -> isThere(robot, "#rename"));
        robot.eraseText(1);
        robot.write("Garden radio");
        until(() -> isKept("Garden radio"));
        assertFalse(isKept("bolt"), "what is searched for is of no use later");
        robot.push(KeyCode.ENTER);
        until(() -> kept().isEmpty());
        assertEquals("Garden radio", node(NODE).part("radio").orElseThrow().name());

        // The card is made anew once the change is judged; the keyboard goes where it is put then.
        until(() -> session.assessmentProperty()
                .get()
                .build()
                .equals(session.build().orElseThrow()));
        robot.clickOn("#part-radio");
        robot.push(KeyCode.F2);
        until(() -> isThere(robot, "#rename"));
        robot.eraseText(1);
        robot.write("Half a na");
        until(() -> isKept("Half a na"));
        // Another run, as after a crash: this one's fields are gone without a word.
        robot.interact(() -> {
            show();
            session.typed().onCopy(text -> Clipboard.getSystemClipboard()
                    .setContent(java.util.Map.of(javafx.scene.input.DataFormat.PLAIN_TEXT, text)));
            session.typed().offer();
        });
        until(() -> session.notices().property().get() != null);
        String said = session.notices().property().get().text();
        assertTrue(said.contains("“Half a na”"), said);
        robot.interact(
                () -> session.notices().property().get().actions().get(0).run().run());
        String[] copied = new String[1];
        robot.interact(() -> copied[0] = Clipboard.getSystemClipboard().getString());
        assertEquals("Half a na", copied[0]);
        until(() -> kept().isEmpty());
    }
}
