package inkel.core.io.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.DisabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;

@DisabledOnOs(value = OS.WINDOWS, disabledReason = "links and rights as a POSIX system has them")
class AtomicFileTest {
    @TempDir
    private Path folder;

    private Path file;

    @BeforeEach
    void file() throws IOException {
        file = Files.writeString(folder.resolve("a.inkel.json"), "old");
    }

    private static String rights(Path of) throws IOException {
        return PosixFilePermissions.toString(Files.getPosixFilePermissions(of));
    }

    private static void set(Path of, String rights) throws IOException {
        Files.setPosixFilePermissions(of, PosixFilePermissions.fromString(rights));
    }

    private List<String> names() throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            return all.map(path -> path.getFileName().toString()).sorted().toList();
        }
    }

    @Test
    void theVersionBeforeStaysBesideAndNothingElseDoes() throws IOException {
        AtomicFile.write(file, "new");
        assertEquals("new", Files.readString(file));
        assertEquals("old", Files.readString(AtomicFile.previous(file).orElseThrow()));
        assertEquals(List.of("a.inkel.json", "a.inkel.json.previous"), names());
    }

    @Test
    void aLinkStaysALinkAndWhatItLeadsToIsWritten() throws IOException {
        Path link = Files.createSymbolicLink(folder.resolve("link.inkel.json"), file);
        AtomicFile.write(link, "new");
        assertTrue(Files.isSymbolicLink(link));
        assertEquals("new", Files.readString(file));
        assertEquals("old", Files.readString(AtomicFile.previous(link).orElseThrow()));
    }

    @Test
    void whoCouldReadItCanReadItAfterwards() throws IOException {
        set(file, "rw-r--r--");
        AtomicFile.write(file, "new");
        assertEquals("rw-r--r--", rights(file));
        assertEquals("rw-r--r--", rights(AtomicFile.previous(file).orElseThrow()));
        set(file, "rw-rw----");
        AtomicFile.write(file, "newer");
        assertEquals("rw-rw----", rights(file));
    }

    @Test
    void aNewFileHasTheRightsOfAnyNewFile() throws IOException {
        Path usual = Files.createFile(folder.resolve("usual"));
        Path fresh = folder.resolve("b.inkel.json");
        AtomicFile.write(fresh, "new");
        assertEquals(rights(usual), rights(fresh));
    }

    @Test
    void aProtectedFileIsNotReplaced() throws IOException {
        set(file, "r--r--r--");
        assertThrows(AccessDeniedException.class, () -> AtomicFile.write(file, "new"));
        assertEquals("old", Files.readString(file));
        assertEquals(List.of("a.inkel.json"), names());
    }

    @Test
    void aFolderThatIsGoneIsNamedAndNotATemporaryFile() {
        Path gone = folder.resolve("gone/a.inkel.json");
        NoSuchFileException failed = assertThrows(NoSuchFileException.class, () -> AtomicFile.write(gone, "new"));
        assertEquals(folder.resolve("gone").toString(), failed.getFile());
    }

    @Test
    void aNameMayBeAsLongAsTheSystemBears() throws IOException {
        Path longest = folder.resolve("n".repeat(244 - ".previous".length()) + ".json");
        AtomicFile.write(longest, "one");
        AtomicFile.write(longest, "two");
        assertEquals("two", Files.readString(longest));
    }

    @Test
    void whatDoesNotReadBackLeavesTheOldFileAlone() throws IOException {
        assertThrows(
                IOException.class,
                () -> AtomicFile.write(file, "new", text -> {
                    throw new IOException("not the same");
                }));
        assertEquals("old", Files.readString(file));
        assertFalse(AtomicFile.previous(file).isPresent());
        assertEquals(List.of("a.inkel.json"), names());
    }

    @Test
    void whatAKilledRunLeftIsSweptAndWhatIsOnItsWayIsNot() throws IOException {
        Path old = Files.writeString(folder.resolve(".inkel-123.new"), "half");
        Files.setLastModifiedTime(old, FileTime.from(Instant.now().minus(Duration.ofHours(2))));
        Path young = Files.writeString(folder.resolve(".inkel-456.old"), "on its way");
        Path other = Files.writeString(folder.resolve(".notes.new"), "somebody's own");
        Files.setLastModifiedTime(other, FileTime.from(Instant.now().minus(Duration.ofHours(2))));
        AtomicFile.write(file, "new");
        assertFalse(Files.exists(old));
        assertTrue(Files.exists(young));
        assertTrue(Files.exists(other));
    }
}
