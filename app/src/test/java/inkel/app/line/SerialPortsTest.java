package inkel.app.line;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.TerminalPair;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A real port, with a pseudo terminal in its place. */
class SerialPortsTest {
    @TempDir
    private Path folder;

    /** Writes down all that it is told. */
    private static final class Notes implements Ear {
        private final BlockingQueue<String> all = new LinkedBlockingQueue<>();

        @Override
        public void opened() {
            all.add("opened");
        }

        @Override
        public void heard(String line) {
            all.add("heard " + line);
        }

        @Override
        public void silent() {
            all.add("silent");
        }

        @Override
        public void lost() {
            all.add("lost");
        }

        @Override
        public void failed(LineFailure why) {
            all.add("failed " + why.why().key() + " " + why.why().values().get("group"));
        }

        String next() throws InterruptedException {
            return all.poll(10, TimeUnit.SECONDS);
        }
    }

    private BoardLine listen(String path, Notes notes) {
        return new SerialPorts(folder).listen(path, 115_200, notes);
    }

    @Test
    void linesComeAndGo() throws Exception {
        Notes notes = new Notes();
        try (TerminalPair pair = new TerminalPair(folder);
                BoardLine line = listen(pair.port(), notes)) {
            assertEquals("opened", notes.next());
            pair.print("inkel-wake 1 lamp\r\nend");
            assertEquals("heard inkel-wake 1 lamp", notes.next());
            pair.print(" 0\n");
            assertEquals("heard end 0", notes.next());
            line.send("r");
            assertEquals("r", pair.hear());
        }
    }

    @Test
    void whoSaysNothingIsToldOnce() throws Exception {
        Notes notes = new Notes();
        try (TerminalPair pair = new TerminalPair(folder);
                BoardLine line = listen(pair.port(), notes)) {
            assertNotNull(line);
            assertEquals("opened", notes.next());
            assertEquals("silent", notes.next());
            pair.print("late\n");
            assertEquals("heard late", notes.next());
        }
    }

    @Test
    void aPortThatGoesAwayIsToldAndOpenedAgainWhenItIsBack() throws Exception {
        Notes notes = new Notes();
        try (TerminalPair pair = new TerminalPair(folder);
                BoardLine line = listen(pair.port(), notes)) {
            assertEquals("opened", notes.next());
            pair.print("half a li");
            pair.pull();
            assertEquals("lost", notes.next());
            pair.plug();
            assertEquals("opened", notes.next());
            pair.print("whole\n");
            assertEquals("heard whole", notes.next(), "what was cut off is not put before it");
            line.close();
            pair.print("nobody hears\n");
            assertNull(notes.all.poll(500, TimeUnit.MILLISECONDS));
        }
    }

    @Test
    void aPortThatCannotBeOpenedSaysWhy() throws Exception {
        Notes notes = new Notes();
        listen(folder.resolve("nothing").toString(), notes);
        assertEquals("failed line.gone null", notes.next());
        listen(Files.writeString(folder.resolve("text"), "no port").toString(), notes);
        assertEquals("failed line.no_port null", notes.next());
        try (TerminalPair pair = new TerminalPair(folder);
                BoardLine first = listen(pair.port(), notes)) {
            assertNotNull(first);
            assertEquals("opened", notes.next());
            listen(pair.port(), notes);
            assertEquals("failed line.busy null", notes.next());
        }
    }

    @Test
    void theLibraryUnpacksOnlyIntoTheGivenFolder() throws Exception {
        String usual = System.getProperty("java.io.tmpdir");
        assertNotNull(new SerialPorts(folder).list());
        assertEquals(usual, System.getProperty("java.io.tmpdir"));
        assertTrue(Files.notExists(Path.of(System.getProperty("user.home"), ".jSerialComm")));
    }
}
