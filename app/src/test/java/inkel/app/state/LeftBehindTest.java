package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.lane.Lanes;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RenamePart;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import inkel.core.remedy.NewNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a run that ended early leaves: never lost, never older than the file, offered until somebody has chosen. */
class LeftBehindTest {
    private static final String NODE = "lower-lock";

    @TempDir
    private Path folder;

    private Path file;

    @BeforeEach
    void file() throws Exception {
        file = Given.copy(Given.LOCKS, Files.createDirectories(folder.resolve("builds")));
    }

    /** A run of the program; one that is not closed is one that was killed. */
    private Session run() {
        return run(Lanes.of(Runnable::run, Runnable::run));
    }

    private Session run(Lanes lanes) {
        return Given.session(folder, lanes);
    }

    private Session opened() {
        Session session = run();
        session.files().open(file);
        return session;
    }

    /** What judges and what keeps waits until a test lets it go on. */
    private static Lanes judgingAndKeepingIn(Deque<Runnable> waiting) {
        return new Lanes(
                waiting::add,
                waiting::add,
                Runnable::run,
                Runnable::run,
                Runnable::run,
                Runnable::run,
                Runnable::run,
                Runnable::run,
                Runnable::run,
                Runnable::run);
    }

    private static void rename(Session session, String name) {
        session.apply(new RenamePart(NODE, "radio", name));
    }

    private static String name(Session session) {
        return session.build()
                .flatMap(build -> build.node(NODE))
                .flatMap(node -> node.part("radio"))
                .orElseThrow()
                .name();
    }

    private static void press(Session session, int action) {
        session.notices().property().get().actions().get(action).run().run();
    }

    private List<Path> kept() throws Exception {
        try (Stream<Path> all = Files.list(folder.resolve("recovery"))) {
            return all.filter(path -> path.toString().endsWith(".inkel.json")).toList();
        }
    }

    @Test
    void aFileThatWasTouchedSinceIsStillOfferedWhatWasNotSaved() throws Exception {
        rename(opened(), "Unsaved");
        Files.setLastModifiedTime(file, FileTime.from(Instant.now().plusSeconds(3600)));
        Session second = opened();
        press(second, 0);
        assertEquals("Unsaved", name(second));
    }

    @Test
    void whatTheFileHasAnywayIsNotOfferedThoughItsCopyIsYounger() throws Exception {
        Session first = opened();
        rename(first, "Unsaved");
        List<Path> copies = kept();
        byte[] copy = Files.readAllBytes(copies.get(0));
        rename(first, "Saved");
        first.files().save();
        // As if the run was killed between the save and what comes after it.
        Files.write(copies.get(0), copy);
        Session second = opened();
        assertNull(second.notices().property().get());
        assertEquals("Saved", name(second));
    }

    @Test
    void anOfferThatNobodyAnsweredComesBackBesideALaterOne() throws Exception {
        rename(opened(), "First");
        Session second = opened();
        assertEquals(2, second.notices().property().get().actions().size());
        // Not answered: another change, and the run ends early too.
        rename(second, "Second");
        Session third = opened();
        press(third, 1);
        assertEquals(2, third.notices().property().get().actions().size(), "the older one is offered next");
        press(third, 0);
        assertEquals("First", name(third));
    }

    @Test
    void whatWasTakenOverIsNotLostWhenTheNextRunEndsEarlyToo() {
        rename(opened(), "Unsaved");
        Session second = opened();
        press(second, 0);
        Session third = opened();
        press(third, 0);
        assertEquals("Unsaved", name(third));
    }

    @Test
    void whatWasThrownAwayStaysAway() {
        rename(opened(), "Unsaved");
        press(opened(), 1);
        assertNull(opened().notices().property().get());
    }

    @Test
    void twoNewBuildsOfOneNameAreBothOffered() throws Exception {
        for (String board : List.of("One", "Two")) {
            Session session = run();
            session.boards()
                    .begin(NewNode.of(
                            "shed", "Shed", Given.CATALOG.get("board-classic-5v"), Given.CATALOG.get("usb-port")));
            session.apply(new RenamePart("shed", "board", board));
        }
        assertEquals(2, kept().size());
        List<String> found = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            Session session = run();
            session.files().left().offerOthers();
            if (i == 0) {
                List<LeftWork.One> listed = new ArrayList<>();
                session.files().left().onList(() -> session.files().left().list(listed::addAll));
                press(session, 0);
                assertEquals(2, listed.size());
                session.files().left().take(listed.get(0));
            } else {
                press(session, 0);
            }
            found.add(session.build().orElseThrow().nodes().get(0).board().name());
            session.files().saveAs(folder.resolve("builds/shed-" + i + ".inkel.json"));
        }
        assertEquals(List.of("One", "Two"), found.stream().sorted().toList());
        Session last = run();
        last.files().left().offerOthers();
        assertNull(last.notices().property().get());
    }

    @Test
    void workOnSeveralFilesIsAllInTheListAndEachIsTakenToItsOwnFile() throws Exception {
        Path other = Given.copy(Given.MOTH_LAMP, folder.resolve("builds"));
        rename(opened(), "Unsaved");
        Session lamp = run();
        lamp.files().open(other);
        String node = lamp.build().orElseThrow().nodes().get(0).id();
        lamp.apply(new RenamePart(node, "board", "Unsaved too"));
        Session next = run();
        next.files().left().offerOthers();
        List<LeftWork.One> listed = new ArrayList<>();
        next.files().left().onList(() -> next.files().left().list(listed::addAll));
        press(next, 0);
        assertEquals(
                Set.of(file, other),
                Set.of(
                        listed.get(0).left().file().orElseThrow(),
                        listed.get(1).left().file().orElseThrow()));
        LeftWork.One ofLamp = listed.stream()
                .filter(one -> one.left().file().orElseThrow().equals(other))
                .findFirst()
                .orElseThrow();
        next.files().left().take(ofLamp);
        assertEquals(other, next.files().fileProperty().get());
        assertEquals(
                "Unsaved too", next.build().orElseThrow().nodes().get(0).board().name());
        next.files().save();
        List<LeftWork.One> rest = new ArrayList<>();
        next.files().left().list(rest::addAll);
        assertEquals(1, rest.size());
        next.files().left().throwAway(rest.get(0), () -> {});
        Session last = run();
        last.files().left().offerOthers();
        assertNull(last.notices().property().get());
        assertEquals(Set.of(), Set.copyOf(kept()));
    }

    @Test
    void anEditThatWasUndoneIsNoWorkThatWasLeft() throws Exception {
        Session first = opened();
        rename(first, "Undone");
        first.undo();
        Session other = run();
        other.files().left().offerOthers();
        assertNull(other.notices().property().get());
        assertEquals(List.of(), kept());
    }

    @Test
    void workOnAFileThatWasSpoiltSinceIsTakenAsABuildOfItsOwn() throws Exception {
        rename(opened(), "Unsaved");
        Files.writeString(file, "{ not a build any more");
        Session next = run();
        List<LeftWork.One> listed = new ArrayList<>();
        next.files().left().list(listed::addAll);
        next.files().left().take(listed.get(0));
        assertNull(next.files().fileProperty().get());
        assertEquals("Unsaved", name(next));
        assertEquals("{ not a build any more", Files.readString(file));
    }

    @Test
    void whatCannotBeKeptIsToldOnce() throws Exception {
        Session session = opened();
        Files.delete(folder.resolve("recovery").resolve(only(".lock")));
        Files.delete(folder.resolve("recovery"));
        Files.writeString(folder.resolve("recovery"), "a file in the way");
        rename(session, "Unsaved");
        assertTrue(
                session.notices().property().get().text().contains("cannot be kept"),
                session.notices().property().get().text());
        session.notices().clear();
        rename(session, "Unsaved again");
        assertNull(session.notices().property().get());
    }

    private String only(String ending) throws Exception {
        try (Stream<Path> all = Files.list(folder.resolve("recovery"))) {
            return all.map(path -> path.getFileName().toString())
                    .filter(name -> name.endsWith(ending))
                    .findFirst()
                    .orElseThrow();
        }
    }

    @Test
    void whatIsStillWaitingIsWrittenWhenTheProgramIsToldToEnd() throws Exception {
        Deque<Runnable> waiting = new ArrayDeque<>();
        Session session = run(judgingAndKeepingIn(waiting));
        session.files().open(file);
        rename(session, "At the very end");
        session.files().rescue();
        Session second = opened();
        press(second, 0);
        assertEquals("At the very end", name(second));
    }

    @Test
    void aFileThatSomebodyElseChangedMeanwhileHidesNothing() throws Exception {
        rename(opened(), "Mine");
        var theirs = new RenamePart(NODE, "board", "Theirs").apply(BuildReader.read(file, Given.CATALOG));
        BuildFile.save(file, theirs, Given.CATALOG);
        Session second = opened();
        press(second, 0);
        assertEquals("Mine", name(second));
    }

    @Test
    void aFileThatBecameUnreadableMeanwhileIsNotWrittenOver() throws Exception {
        Session session = opened();
        rename(session, "Mine");
        Files.writeString(file, "not a build any more");
        session.files().save();
        assertEquals("not a build any more", Files.readString(file));
        assertTrue(session.files().unsavedProperty().get());
        assertEquals(2, session.notices().property().get().actions().size());
        press(session, 1);
        Path beside = file.resolveSibling("otterbeck-locks-mine.inkel.json");
        assertEquals(beside, session.files().fileProperty().get());
        assertEquals(session.build().orElseThrow(), BuildReader.read(beside, Given.CATALOG));
        assertEquals("not a build any more", Files.readString(file));
    }

    @Test
    void aFileThatBecameUnreadableIsWrittenOverOnlyWhenThatIsChosen() throws Exception {
        Session session = opened();
        rename(session, "Mine");
        Files.writeString(file, "not a build any more");
        session.files().save();
        press(session, 0);
        assertEquals(session.build().orElseThrow(), BuildReader.read(file, Given.CATALOG));
        assertEquals("not a build any more", Files.readString(Path.of(file + ".previous")));
    }

    @Test
    void afterManyQuickEditsTheLastIsSafeAfterOneWrite() throws Exception {
        Deque<Runnable> waiting = new ArrayDeque<>();
        Session session = run(judgingAndKeepingIn(waiting));
        session.files().open(file);
        for (int i = 0; i <= 20; i++) {
            rename(session, "Radio " + i);
        }
        waiting.remove().run();
        Session second = opened();
        press(second, 0);
        assertEquals("Radio 20", name(second));
    }

    @Test
    void aFileThatWasLeftForAnotherAndOpenedAgainInTheSameRunIsOfferedWhatWasNotSaved() throws Exception {
        Path other = Given.copy(Given.MOTH_LAMP, folder.resolve("builds"));
        Session session = opened();
        rename(session, "Unsaved");
        session.files().open(other);
        session.files().open(file);
        press(session, 0);
        assertEquals("Unsaved", name(session));
    }

    @Test
    void anEditAfterWhatWasTakenOverIsWhatTheNextRunFinds() throws Exception {
        rename(opened(), "Unsaved");
        Deque<Runnable> waiting = new ArrayDeque<>();
        Session session = run(judgingAndKeepingIn(waiting));
        session.files().open(file);
        press(session, 0);
        rename(session, "Later");
        while (!waiting.isEmpty()) {
            waiting.remove().run();
        }
        Session third = opened();
        press(third, 0);
        assertEquals("Later", name(third));
    }

    @Test
    void whatWasPluggedIsOfferedThoughTheRecordOfTheFileGoesOn() throws Exception {
        Session session = opened();
        Set<String> plugged =
                session.build().orElseThrow().node(NODE).orElseThrow().plugged();
        session.apply(new Plug(NODE, plugged, false));
        session.files().save();
        session.apply(new Plug(NODE, plugged, true));
        var saved = BuildReader.read(file, Given.CATALOG);
        BuildFile.save(
                file,
                saved.withLog(saved.log()
                        .with(new LogLine.Decided(Instant.EPOCH, Place.ofPart(NODE, "radio"), "Theirs", Extras.NONE))),
                Given.CATALOG);
        Session second = opened();
        press(second, 0);
        assertEquals(
                plugged, second.build().orElseThrow().node(NODE).orElseThrow().plugged());
    }
}
