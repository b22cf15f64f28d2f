package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.words.RecordWords;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.RenamePart;
import inkel.core.log.Entry;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Looking back in the record: two states side by side, and pictures. */
class LogLooksTest {
    private static final String NODE = "lower-lock";

    @TempDir
    private Path folder;

    private Session session;

    @BeforeEach
    void open() throws Exception {
        session = Given.session(folder);
        session.files().open(Given.copy(Given.LOCKS, Files.createDirectories(folder.resolve("builds"))));
    }

    private int last() {
        return session.ownBuild().orElseThrow().log().size() - 1;
    }

    @Test
    void aLineIsComparedWithNowAndWithAnother() {
        session.apply(new RenamePart(NODE, "radio", "First"));
        int first = last();
        session.apply(new Feed(NODE, "radio", "VCC", new Endpoint("board", "5V")));
        int fed = last();
        session.apply(new RenamePart(NODE, "radio", "Second"));
        int second = last();

        LogWork.Since now = session.log().since(first).orElseThrow();
        assertEquals(2, now.plan().size(), now.plan()::toString);
        assertTrue(
                now.come().stream().anyMatch(said -> said.contains("First") || said.contains("Second")),
                () -> now.come().toString());
        assertFalse(now.numbers().isEmpty());

        session.log().againstProperty().set(fed);
        LogWork.Since between = session.log().since(second).orElseThrow();
        assertEquals(1, between.plan().size(), between.plan()::toString);
        assertEquals(java.util.List.of(), between.come());
        assertTrue(session.log().since(fed).orElseThrow().isSame(), "with itself");
        session.log().againstProperty().set(-1);
        assertTrue(session.log().since(second).orElseThrow().isSame());
    }

    @Test
    void oneThingIsTakenBackAndTheOthersStay() {
        session.apply(new RenamePart(NODE, "radio", "First"));
        int first = last();
        Endpoint before = vcc();
        session.apply(new Feed(NODE, "radio", "VCC", new Endpoint("board", "5V")));
        session.apply(new RenamePart(NODE, "radio", "Second"));
        LogWork.Since since = session.log().since(first).orElseThrow();
        LogWork.Done fed = since.done().stream()
                .filter(done -> done.said().contains("fed from"))
                .findFirst()
                .orElseThrow();
        assertTrue(session.log().takeBack(fed));
        assertEquals(before, vcc());
        assertEquals("Second", radio().name(), "what else was done since stays");
        assertEquals(1, session.log().since(first).orElseThrow().plan().size());
        session.undo();
        assertEquals(new Endpoint("board", "5V"), vcc(), "and it is a step like any other");
        // Beside another line there is nothing of now to be taken back.
        session.log().againstProperty().set(first - 1);
        assertTrue(session.log().since(first).orElseThrow().done().stream()
                .allMatch(done -> done.back().isEmpty()));
    }

    @Test
    void aTextIsTakenOutComesBackByUndoAndGoesAgainByRedo() {
        assertTrue(session.log()
                .write(Entry.Sort.NOTED, Place.ofNode(NODE), "rang the neighbour", "", "", Optional.empty())
                .isEmpty());
        int line = last();
        session.log().blank(entry(line));
        assertEquals("", entry(line).line().text());
        assertEquals("(the text was taken out)", RecordWords.what(entry(line)));
        session.log().search("neighbour");
        assertEquals(0, session.log().shown().size());
        session.log().search("");
        session.undo();
        assertEquals("rang the neighbour", RecordWords.what(entry(line)));
        session.redo();
        assertTrue(entry(line).isBlanked());
    }

    private Entry entry(int line) {
        return session.log().register().orElseThrow().entry(line).orElseThrow();
    }

    private Part radio() {
        return session.build()
                .orElseThrow()
                .node(NODE)
                .orElseThrow()
                .part("radio")
                .orElseThrow();
    }

    private Endpoint vcc() {
        return radio().feeds().get("VCC");
    }

    @Test
    void aPictureIsFoundBesideTheBuildAndNowhereElse() throws Exception {
        Path builds = folder.resolve("builds");
        Files.createDirectories(builds.resolve("photos"));
        Path photo = Files.write(builds.resolve("photos/gate.png"), new byte[] {1});
        Path secret = Files.write(folder.resolve("secret.png"), new byte[] {1});
        Files.createSymbolicLink(builds.resolve("photos/out.png"), secret);

        assertEquals(
                photo.toRealPath(),
                session.log().picture("photos/gate.png").file().orElseThrow());
        for (String path :
                new String[] {"photos/out.png", "../secret.png", secret.toString(), "photos", "no.png", ""}) {
            LogWork.Picture found = session.log().picture(path);
            assertTrue(found.file().isEmpty(), path);
            assertFalse(found.trouble().isBlank(), path);
        }
    }
}
