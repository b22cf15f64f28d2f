package inkel.app.ui.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.app.store.Examples;
import inkel.app.store.UserState;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FoldersTest {
    @TempDir
    private Path home;

    private Folders folders() {
        return new Folders(UserState.read(home.resolve("state")), home);
    }

    @Test
    void aBuildStaysBesideItself() throws Exception {
        Path own = Files.createDirectories(home.resolve("lamp"));
        assertEquals(own, folders().forBuild(own.resolve("lamp.inkel.json")).toPath());
    }

    @Test
    void theProgrammesOwnFolderIsNobodysDocuments() throws Exception {
        Path documents = Files.createDirectories(home.resolve("Documents"));
        Path example = Examples.folder().resolve(Examples.DEMO);
        assertEquals(documents, folders().forBuild(example).toPath());
        assertEquals(documents, folders().forBuild(null).toPath());
    }

    @Test
    void documentsAreWhereTheDesktopHasThem() throws Exception {
        Path papers = Files.createDirectories(home.resolve("Papers"));
        Files.createDirectories(home.resolve("Documents"));
        Files.writeString(
                Files.createDirectories(home.resolve(".config")).resolve("user-dirs.dirs"),
                "# made\nXDG_DESKTOP_DIR=\"$HOME/Desk\"\nXDG_DOCUMENTS_DIR=\"$HOME/Papers\"\n");
        assertEquals(papers, folders().forBuild(null).toPath());
    }

    @Test
    void whatIsTakenAlongGoesWhereTheLastWent() throws Exception {
        Path once = Files.createDirectories(home.resolve("once"));
        Folders folders = folders();
        assertEquals(home, folders.forExports(null).toPath());
        folders.rememberExports(once);
        assertEquals(once, folders.forExports(null).toPath());
        assertEquals(once, folders().forExports(null).toPath(), "also the next time");
        Files.delete(once);
        assertEquals(home, folders.forExports(null).toPath(), "unless it is gone");
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "Otterbeck Locks, otterbeck-locks",
        "'  Mö&th / Lamp! ', mo-th-lamp",
        "../../etc, etc",
        "'', build",
        "???, build",
        "CON, build"
    })
    void aNameMakesAFileNameAndNoPath(String name, String stem) {
        assertEquals(stem, Folders.stem(name));
    }
}
