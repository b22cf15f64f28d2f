package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.lane.Lanes;
import inkel.app.store.OnDisk;
import inkel.app.store.Recovery;
import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Two people, one file: nothing of either is lost. */
class OutsideTest {
    private static final String NODE = "lower-lock";

    @TempDir
    private Path folder;

    private Path file;
    private Session session;

    @BeforeEach
    void open() throws Exception {
        file = Given.copy(Given.LOCKS, folder);
        session = new Session(
                Given.CATALOG,
                Shelf.read(folder.resolve("shelf")),
                Lanes.of(Runnable::run, Runnable::run),
                Clock.fixed(Instant.parse("2026-05-30T10:00:00Z"), ZoneOffset.UTC),
                new Recovery(folder.resolve("recovery")));
        session.files().open(file);
        assertNull(session.notices().property().get());
    }

    private Build inFile() throws Exception {
        return BuildReader.read(file, Given.CATALOG);
    }

    private Build theirs(Edit edit) throws Exception {
        Build theirs = edit.apply(inFile());
        BuildFile.save(file, theirs, Given.CATALOG);
        return theirs;
    }

    private static Edit wire(String pin) {
        return new SetWire(NODE, Wire.placed(new Endpoint("radio", "CE"), new Endpoint("board", pin)));
    }

    private String said() {
        return session.notices().property().get().text();
    }

    private void press(int action) {
        session.notices().property().get().actions().get(action).run().run();
    }

    @Test
    void whatEachChangedIsJoinedAndSaved() throws Exception {
        session.apply(new SetSetting(NODE, "bench", Settings.VOLTS, "5 V"));
        Build theirs = theirs(new RenamePart(NODE, "level", "Water gauge"));
        session.files().save();
        assertTrue(said().contains("changed by somebody else"), said());
        assertEquals(theirs, inFile(), "nothing was written over");
        assertTrue(session.files().unsavedProperty().get());
        press(0);
        assertFalse(session.files().unsavedProperty().get());
        Build joined = inFile();
        assertEquals(
                "Water gauge",
                joined.node(NODE).orElseThrow().part("level").orElseThrow().name());
        assertEquals(
                "5 V",
                joined.node(NODE)
                        .orElseThrow()
                        .part("bench")
                        .orElseThrow()
                        .settings()
                        .get("volts"));
        assertEquals(joined, session.build().orElseThrow());
        assertTrue(joined.log().lines().stream().anyMatch(line -> line.text().startsWith("two versions joined")));
        session.files().save();
        assertNull(session.notices().property().get(), "asked once");
    }

    @Test
    void whatBothChangedIsShownSideBySide() throws Exception {
        session.apply(wire("D5"));
        theirs(wire("D6"));
        session.files().lookOutside();
        assertTrue(said().contains("Packet radio CE: here CE to D5, was D9, there CE to D6, was D9."), said());
        press(1);
        assertEquals(
                "D6",
                inFile().node(NODE)
                        .orElseThrow()
                        .wire(new Endpoint("radio", "CE"))
                        .orElseThrow()
                        .to()
                        .pin());
    }

    @Test
    void whileOnePractisesOrLooksBackBothAreJoinedAllTheSame() throws Exception {
        for (boolean isPractice : new boolean[] {true, false}) {
            int line = session.build().orElseThrow().log().size();
            session.apply(new SetSetting(NODE, "bench", Settings.VOLTS, isPractice ? "5 V" : "7 V"));
            session.apply(new SetSetting(NODE, "bench", Settings.VOLTS, isPractice ? "8 V" : "9 V"));
            if (isPractice) {
                session.practice().beginWithNone();
                assertTrue(session.practice().isOn());
            } else {
                session.log()
                        .look(session.log().register().orElseThrow().entry(line).orElseThrow());
                assertTrue(session.log().isLooking());
            }
            theirs(new RenamePart(NODE, "level", "Water gauge " + isPractice));
            session.files().save();
            press(0);
            Build joined = inFile();
            assertEquals(
                    "Water gauge " + isPractice,
                    joined.node(NODE).orElseThrow().part("level").orElseThrow().name());
            assertEquals(
                    isPractice ? "8 V" : "9 V",
                    joined.node(NODE)
                            .orElseThrow()
                            .part("bench")
                            .orElseThrow()
                            .settings()
                            .get("volts"));
            assertEquals(joined, session.build().orElseThrow());
        }
    }

    @Test
    void nobodyPractisesOnWhatIsOnlyLookedAt() {
        session.apply(wire("D5"));
        session.apply(wire("D6"));
        session.log().look(session.log().register().orElseThrow().entries().get(1));
        session.practice().beginWithNone();
        assertFalse(session.practice().isOn());
        session.log().backToNow();
        assertTrue(session.apply(wire("D7")), "the own build can be changed again");
    }

    @Test
    void bothFilesAreKeptWhenAsked() throws Exception {
        session.apply(wire("D5"));
        Build theirs = theirs(wire("D6"));
        session.files().save();
        press(2);
        Path mine = folder.resolve("otterbeck-locks-mine.inkel.json");
        assertEquals(theirs, inFile());
        assertEquals(session.build().orElseThrow(), BuildReader.read(mine, Given.CATALOG));
        assertEquals(mine, session.files().fileProperty().get());
    }

    @Test
    void withNothingChangedHereTheirsIsOpenedAnew() throws Exception {
        Build theirs = theirs(wire("D6"));
        session.files().lookOutside();
        press(0);
        assertEquals(theirs, session.build().orElseThrow());
        session.files().lookOutside();
        assertNull(session.notices().property().get());
    }

    @Test
    void aFileThatIsAsItWasOrGoneIsNotAskedAbout() throws Exception {
        session.files().lookOutside();
        assertNull(session.notices().property().get());
        session.apply(wire("D5"));
        Files.delete(file);
        session.files().save();
        assertEquals(session.build().orElseThrow(), inFile());
    }

    @Test
    void whatTheFileSaysLetterByLetterDecidesBeforeWhatItMeans() throws Exception {
        Build mine = inFile();
        Build other = wire("D5").apply(mine);
        String text = Files.readString(file);
        assertEquals(Optional.empty(), Outside.of(file, Optional.of(new OnDisk(other, text)), Given.CATALOG));
        assertEquals(Optional.empty(), Outside.of(file, Optional.of(new OnDisk(mine, "")), Given.CATALOG));
        Optional<Outside> found = Outside.of(file, Optional.of(new OnDisk(other, "")), Given.CATALOG);
        assertEquals(mine, found.orElseThrow().build());
        assertEquals(text, found.orElseThrow().text());
        Files.writeString(file, text + "\n\n");
        assertEquals(Optional.empty(), Outside.of(file, Optional.of(new OnDisk(mine, text)), Given.CATALOG));
        assertFalse(Outside.isSpoilt(file, Optional.of(new OnDisk(mine, text)), Given.CATALOG));
        Files.writeString(file, text.substring(9));
        assertTrue(Outside.isSpoilt(file, Optional.of(new OnDisk(mine, text)), Given.CATALOG));
        assertFalse(Outside.isSpoilt(file, Optional.empty(), Given.CATALOG));
    }
}
