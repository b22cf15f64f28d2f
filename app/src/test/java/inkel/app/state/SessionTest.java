package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RenamePart;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.io.document.BuildReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.Executor;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SessionTest {
    private static final String NODE = "lower-lock";
    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-05-01T19:04:00Z"), ZoneOffset.UTC);

    @TempDir
    private Path folder;

    private Path file;
    private Session session;

    @BeforeEach
    void open() throws IOException {
        file = Given.copy(Given.FIRST_SKETCH, folder);
        session = session(Runnable::run);
        session.files().open(file);
    }

    private Session session(Executor background) {
        return new Session(
                Given.CATALOG,
                inkel.core.io.catalog.Shelf.read(folder.resolve("shelf")),
                Lanes.of(background, Runnable::run),
                CLOCK,
                new Recovery(folder.resolve("recovery")));
    }

    private Build build() {
        return session.build().orElseThrow();
    }

    private long stops() {
        return session.assessmentProperty().get().count(Severity.STOP);
    }

    @Test
    void aWayOutCanBeTakenUndoneAndTakenAgain() {
        long before = stops();
        Finding apart = session.assessmentProperty().get().findings().stream()
                .filter(finding -> finding.code().equals("power.no_common_ground"))
                .findFirst()
                .orElseThrow();
        session.apply(apart.fixes().get(0));
        long after = stops();
        assertTrue(after < before, after + " < " + before);
        assertTrue(session.files().unsavedProperty().get());
        session.undo();
        assertEquals(before, stops());
        assertFalse(session.files().unsavedProperty().get(), "back at what was saved");
        session.redo();
        assertEquals(after, stops());
    }

    @Test
    void aNewEditGivesUpWhatWasUndone() {
        session.apply(new RenamePart(NODE, "radio", "One"));
        session.undo();
        session.apply(new RenamePart(NODE, "radio", "Two"));
        assertFalse(session.canRedoProperty().get());
    }

    @Test
    void anEditThatChangesNothingIsNoStep() {
        session.apply(new RenamePart(NODE, "radio", "Packet radio"));
        assertFalse(session.canUndoProperty().get());
    }

    @Test
    void aRefusedEditIsToldAndChangesNothing() {
        Build before = build();
        session.apply(new RenamePart(NODE, "gone", "x"));
        assertEquals(before, build());
        assertTrue(session.notices().property().get().text().contains("gone"));
    }

    @Test
    void savingAndOpeningGivesTheSameBuild() throws Exception {
        session.apply(new RenamePart(NODE, "radio", "Other radio"));
        session.files().save();
        assertFalse(session.files().unsavedProperty().get());
        assertNotNull(session.files().savedAtProperty().get());
        assertEquals(build(), BuildReader.read(file, Given.CATALOG));
        Session second = session(Runnable::run);
        second.files().open(file);
        assertEquals(build(), second.build().orElseThrow());
        assertNull(second.notices().property().get(), "nothing to recover after a save");
    }

    @Test
    void aSaveThatFailsKeepsTheChangesAndSaysSo() throws IOException {
        session.apply(new RenamePart(NODE, "radio", "Other radio"));
        Path nowhere = folder.resolve("missing").resolve("x.inkel.json");
        session.files().saveAs(nowhere);
        assertTrue(session.files().unsavedProperty().get());
        assertEquals(Notice.Tone.TROUBLE, session.notices().property().get().tone());
        assertEquals(file, session.files().fileProperty().get());
        Files.createDirectories(nowhere.getParent());
        session.notices().property().get().actions().get(0).run().run();
        assertFalse(session.files().unsavedProperty().get(), "trying again works once the folder is there");
    }

    @Test
    void aFileThatCannotBeReadLeavesWhatWasOpen() throws IOException {
        Build before = build();
        Path bad = folder.resolve("bad.inkel.json");
        Files.writeString(bad, "{");
        session.files().open(bad);
        assertEquals(before, build());
        assertEquals(file, session.files().fileProperty().get());
        assertTrue(session.notices().property().get().text().startsWith("bad.inkel.json: "));
    }

    @Test
    void theVersionBeforeADamagedOneIsOffered() throws IOException {
        session.apply(new RenamePart(NODE, "radio", "First"));
        session.files().save();
        session.apply(new RenamePart(NODE, "radio", "Second"));
        session.files().save();
        Files.writeString(file, "{\"format\": 1, \"name\":");
        Session second = session(Runnable::run);
        second.files().open(file);
        assertTrue(second.build().isEmpty());
        second.notices().property().get().actions().get(0).run().run();
        assertEquals(
                "First",
                second.build()
                        .orElseThrow()
                        .node(NODE)
                        .orElseThrow()
                        .part("radio")
                        .orElseThrow()
                        .name());
        assertTrue(
                second.files().unsavedProperty().get(), "the damaged file is only written over when the builder saves");
        assertEquals("{\"format\": 1, \"name\":", Files.readString(file));
    }

    @Test
    void changesOfARunThatEndedEarlyAreOffered() {
        session.apply(new RenamePart(NODE, "radio", "Not saved"));
        Session second = session(Runnable::run);
        second.files().open(file);
        assertEquals(2, second.notices().property().get().actions().size());
        second.notices().property().get().actions().get(0).run().run();
        assertEquals(
                "Not saved",
                second.build()
                        .orElseThrow()
                        .node(NODE)
                        .orElseThrow()
                        .part("radio")
                        .orElseThrow()
                        .name());
        assertTrue(second.canUndoProperty().get());
    }

    @Test
    void whatIsOnOfferSurvivesEditsMadeBeforeChoosing() {
        session.apply(new RenamePart(NODE, "radio", "Not saved"));
        Session second = session(Runnable::run);
        second.files().open(file);
        second.apply(new RenamePart(NODE, "reader", "Edited first"));
        second.apply(new RenamePart(NODE, "reader", "Edited again"));
        second.notices().property().get().actions().get(0).run().run();
        assertEquals(
                "Not saved",
                second.build()
                        .orElseThrow()
                        .node(NODE)
                        .orElseThrow()
                        .part("radio")
                        .orElseThrow()
                        .name());
    }

    @Test
    void anOvertakenAnswerIsDropped() {
        Deque<Runnable> waiting = new ArrayDeque<>();
        Session slow = session(waiting::add);
        slow.files().open(file);
        waiting.poll().run();
        slow.apply(new RenamePart(NODE, "radio", "First"));
        slow.apply(new RenamePart(NODE, "radio", "Second"));
        Runnable first = waiting.poll();
        waiting.poll().run();
        first.run();
        assertEquals(
                "Second",
                slow.assessmentProperty()
                        .get()
                        .build()
                        .node(NODE)
                        .orElseThrow()
                        .part("radio")
                        .orElseThrow()
                        .name());
    }

    @Test
    void planningPlacesEverythingAndCanBeUndone() {
        Build before = build();
        session.planning().plan();
        assertTrue(session.assessmentProperty().get().of(NODE, Stage.PINS).stream()
                .noneMatch(finding -> finding.code().startsWith("pins.")));
        assertEquals(Notice.Tone.DONE, session.notices().property().get().tone());
        session.undo();
        assertEquals(before, build());
    }

    @Test
    void whatIsGoneIsNoLongerSelected() {
        session.selection().show(Stage.PARTS, Place.ofPart(NODE, "radio"));
        session.apply(new RemovePart(NODE, "radio"));
        assertNull(session.selectionProperty().get());
    }

    @Test
    void aBuildThatWasNeverSavedIsOfferedAfterARunThatEndedEarly() {
        inkel.core.document.Node first = inkel.core.remedy.NewNode.of(
                "shed", "Shed", Given.CATALOG.get("board-classic-5v"), Given.CATALOG.get("usb-port"));
        session.boards().begin(first);
        session.apply(new RenamePart("shed", "board", "Shed board"));
        Session second = session(Runnable::run);
        second.files().offerLeftNew();
        second.notices().property().get().actions().get(0).run().run();
        assertEquals(
                "Shed board",
                second.build().orElseThrow().nodes().get(0).board().name());
        assertTrue(second.files().unsavedProperty().get());
        second.files().saveAs(folder.resolve("shed.inkel.json"));
        Session third = session(Runnable::run);
        third.files().offerLeftNew();
        assertNull(third.notices().property().get(), "once saved there is nothing to offer");
    }

    @Test
    void aBuildThatIsLeftIsNotOfferedAgain() {
        session.boards()
                .begin(inkel.core.remedy.NewNode.of(
                        "shed", "Shed", Given.CATALOG.get("board-classic-5v"), Given.CATALOG.get("usb-port")));
        Session second = session(Runnable::run);
        second.files().offerLeftNew();
        second.notices().property().get().actions().get(1).run().run();
        Session third = session(Runnable::run);
        third.files().offerLeftNew();
        assertNull(third.notices().property().get());
    }
}
