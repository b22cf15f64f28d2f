package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.kit.OtherRun;
import inkel.app.lane.Lanes;
import inkel.app.store.Recovery;
import inkel.core.document.edit.RenamePart;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.document.BuildReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Two windows on one file: the second says so and never writes over, or takes away, what the first has. */
class SecondWindowTest {
    private static final String NODE = "lower-lock";

    @TempDir
    private Path folder;

    private Path file;
    private Path recovery;

    @BeforeEach
    void file() throws Exception {
        file = Given.copy(Given.LOCKS, Files.createDirectories(folder.resolve("builds")));
        recovery = folder.resolve("recovery");
        // A first run, ended since, that leaves its lock file and what it had not saved.
        Session first = run();
        first.files().open(file);
        rename(first, "Of the first");
        first.files().letGo();
    }

    private Session run() {
        return new Session(
                Given.CATALOG,
                Shelf.read(folder.resolve("shelf")),
                Lanes.of(Runnable::run, Runnable::run),
                Clock.systemUTC(),
                new Recovery(recovery));
    }

    private static boolean rename(Session session, String name) {
        return session.apply(new RenamePart(NODE, "radio", name));
    }

    private static String name(Session session) {
        return session.build()
                .orElseThrow()
                .node(NODE)
                .orElseThrow()
                .part("radio")
                .orElseThrow()
                .name();
    }

    private static void press(Session session, int action) {
        session.notices().property().get().actions().get(action).run().run();
    }

    @Test
    void theSecondWindowOnlyLooks() throws Exception {
        String before = Files.readString(file);
        try (OtherRun other = OtherRun.holding(recovery)) {
            Session second = run();
            second.files().open(file);
            assertTrue(second.files().lookedAtProperty().get());
            press(second, 1);
            assertNull(second.notices().property().get());
            assertFalse(rename(second, "Of the second"));
            second.files().save();
            assertEquals(before, Files.readString(file));
            assertEquals(
                    name(second),
                    BuildReader.read(file, Given.CATALOG)
                            .node(NODE)
                            .orElseThrow()
                            .part("radio")
                            .orElseThrow()
                            .name());
            assertTrue(new Recovery(recovery).all().isEmpty(), "what the first has is nothing that was left");
        }
    }

    @Test
    void aCopyIsABuildOfItsOwn() throws Exception {
        String before = Files.readString(file);
        try (OtherRun other = OtherRun.holding(recovery)) {
            Session second = run();
            second.files().open(file);
            press(second, 0);
            assertNull(second.files().fileProperty().get());
            assertTrue(rename(second, "Of the second"));
            assertEquals("Of the second", name(second));
            assertEquals(before, Files.readString(file));
        }
    }

    @Test
    void onceTheOtherIsGoneTheFileIsReadAgainAndCanBeChanged() throws Exception {
        Session second = run();
        try (OtherRun other = OtherRun.holding(recovery)) {
            second.files().open(file);
            second.files().lookOutside();
            assertTrue(second.files().lookedAtProperty().get(), "still open over there");
        }
        second.files().lookOutside();
        assertFalse(second.files().lookedAtProperty().get());
        press(second, 0);
        assertEquals("Of the first", name(second));
        assertTrue(rename(second, "Of the second"));
    }

    @Test
    void anotherNameForTheSameFileIsTheSameFile() throws Exception {
        Path link = folder.resolve("link.inkel.json");
        Files.createSymbolicLink(link, file);
        try (OtherRun other = OtherRun.holding(recovery)) {
            Session second = run();
            second.files().open(link);
            assertTrue(second.files().lookedAtProperty().get());
        }
    }

    @Test
    void aSecondWindowOnAnotherFileIsNotKeptBack() throws Exception {
        Path other = Given.copy(Given.MOTH_LAMP, folder.resolve("builds"));
        try (OtherRun held = OtherRun.holding(recovery)) {
            Session second = run();
            second.files().open(other);
            assertFalse(second.files().lookedAtProperty().get());
        }
    }

    @Test
    void whatIsOpenElsewhereIsNotWrittenOver() throws Exception {
        Path other = Given.copy(Given.MOTH_LAMP, folder.resolve("builds"));
        String before = Files.readString(file);
        try (OtherRun held = OtherRun.holding(recovery)) {
            Session second = run();
            second.files().open(other);
            second.files().saveAs(file);
            assertEquals(before, Files.readString(file));
            assertEquals(other, second.files().fileProperty().get());
            assertTrue(second.notices().property().get().text().contains("another window"));
        }
        Session alone = run();
        alone.files().open(other);
        alone.files().saveAs(file);
        assertEquals(file, alone.files().fileProperty().get());
    }
}
