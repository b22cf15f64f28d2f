package inkel.app.ui.start;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.WindowJourney;
import inkel.app.ui.frame.Shell;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

@ExtendWith(ApplicationExtension.class)
class LeftWindowTest extends WindowJourney {
    private static final String GOOD = "new-0815-inkel-json";
    private static final String BAD = "new-0816-inkel-json";

    private Path recovery;

    @Start
    void start(javafx.stage.Stage given) throws IOException {
        begin(given, Given.LOCKS, Given.MOTH_LAMP);
        recovery = Files.createDirectories(folder.resolve("recovery"));
        String lamp = Files.readString(folder.resolve(Given.MOTH_LAMP));
        Files.writeString(recovery.resolve("new-0815.inkel.json"), lamp);
        Files.writeString(recovery.resolve("new-0816.inkel.json"), lamp.substring(0, 400));
    }

    private String said(FxRobot robot) {
        return seen(() -> robot.lookup("#left-page").query().lookupAll(".line").stream()
                .map(node -> ((inkel.app.ui.kit.Line) node).whole())
                .collect(Collectors.joining("\n")));
    }

    @Test
    void workIsTakenOverOrThrownAwayFromTheList(FxRobot robot) throws Exception {
        robot.interact(() -> ((Shell) stage.getScene().lookup(".shell")).run("left_work"));
        until(() -> isThere(robot, "#drop-" + BAD));
        assertTrue(said(robot).contains("Never saved to a file"), said(robot));
        assertTrue(said(robot).contains("6 parts"), said(robot));
        assertTrue(said(robot).contains("the file ends in the middle"), said(robot));
        assertFalse(isThere(robot, "#take-" + BAD), "what cannot be read cannot be taken over");
        press(robot, "#drop-" + BAD);
        until(() -> !isThere(robot, "#drop-" + BAD));
        assertFalse(Files.exists(recovery.resolve("new-0816.inkel.json")));
        press(robot, "#take-" + GOOD);
        until(() -> session.build()
                .filter(build -> build.name().equals("Moth lamp"))
                .isPresent());
        assertTrue(seen(() -> session.files().unsavedProperty().get()));
    }
}
