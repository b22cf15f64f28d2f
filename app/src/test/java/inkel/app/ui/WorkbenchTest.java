package inkel.app.ui;

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

class WorkbenchTest {
    private static final String NODE = "lower-lock";
    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-05-01T19:04:00Z"), ZoneOffset.UTC);

    @TempDir
    private Path folder;

    private Path file;
    private Workbench bench;

    @BeforeEach
    void open() throws IOException {
        file = Given.copy(Given.FIRST_SKETCH, folder);
        bench = bench(Runnable::run);
        bench.open(file);
    }

    private Workbench bench(Executor background) {
        return new Workbench(
                Given.CATALOG,
                inkel.core.io.catalog.Shelf.read(folder.resolve("shelf")),
                background,
                Runnable::run,
                CLOCK,
                new Recovery(folder.resolve("recovery")));
    }

    private Build build() {
        return bench.build().orElseThrow();
    }

    private long stops() {
        return bench.assessmentProperty().get().count(Severity.STOP);
    }

    @Test
    void aWayOutCanBeTakenUndoneAndTakenAgain() {
        long before = stops();
        Finding apart = bench.assessmentProperty().get().findings().stream()
                .filter(finding -> finding.code().equals("power.no_common_ground"))
                .findFirst()
                .orElseThrow();
        bench.apply(apart.fixes().get(0));
        long after = stops();
        assertTrue(after < before, after + " < " + before);
        assertTrue(bench.unsavedProperty().get());
        bench.undo();
        assertEquals(before, stops());
        assertFalse(bench.unsavedProperty().get(), "back at what was saved");
        bench.redo();
        assertEquals(after, stops());
    }

    @Test
    void aNewEditGivesUpWhatWasUndone() {
        bench.apply(new RenamePart(NODE, "radio", "One"));
        bench.undo();
        bench.apply(new RenamePart(NODE, "radio", "Two"));
        assertFalse(bench.canRedoProperty().get());
    }

    @Test
    void anEditThatChangesNothingIsNoStep() {
        bench.apply(new RenamePart(NODE, "radio", "Packet radio"));
        assertFalse(bench.canUndoProperty().get());
    }

    @Test
    void aRefusedEditIsToldAndChangesNothing() {
        Build before = build();
        bench.apply(new RenamePart(NODE, "gone", "x"));
        assertEquals(before, build());
        assertTrue(bench.noticeProperty().get().text().contains("gone"));
    }

    @Test
    void savingAndOpeningGivesTheSameBuild() throws Exception {
        bench.apply(new RenamePart(NODE, "radio", "Other radio"));
        bench.save();
        assertFalse(bench.unsavedProperty().get());
        assertNotNull(bench.savedAtProperty().get());
        assertEquals(build(), BuildReader.read(file, Given.CATALOG));
        Workbench second = bench(Runnable::run);
        second.open(file);
        assertEquals(build(), second.build().orElseThrow());
        assertNull(second.noticeProperty().get(), "nothing to recover after a save");
    }

    @Test
    void aSaveThatFailsKeepsTheChangesAndSaysSo() throws IOException {
        bench.apply(new RenamePart(NODE, "radio", "Other radio"));
        Path nowhere = folder.resolve("missing").resolve("x.inkel.json");
        bench.saveAs(nowhere);
        assertTrue(bench.unsavedProperty().get());
        assertEquals(Notice.Tone.TROUBLE, bench.noticeProperty().get().tone());
        assertEquals(file, bench.fileProperty().get());
        Files.createDirectories(nowhere.getParent());
        bench.noticeProperty().get().actions().get(0).run().run();
        assertFalse(bench.unsavedProperty().get(), "trying again works once the folder is there");
    }

    @Test
    void aFileThatCannotBeReadLeavesWhatWasOpen() throws IOException {
        Build before = build();
        Path bad = folder.resolve("bad.inkel.json");
        Files.writeString(bad, "{");
        bench.open(bad);
        assertEquals(before, build());
        assertEquals(file, bench.fileProperty().get());
        assertTrue(bench.noticeProperty().get().text().startsWith("bad.inkel.json: "));
    }

    @Test
    void theVersionBeforeADamagedOneIsOffered() throws IOException {
        bench.apply(new RenamePart(NODE, "radio", "First"));
        bench.save();
        bench.apply(new RenamePart(NODE, "radio", "Second"));
        bench.save();
        Files.writeString(file, "{\"format\": 1, \"name\":");
        Workbench second = bench(Runnable::run);
        second.open(file);
        assertTrue(second.build().isEmpty());
        second.noticeProperty().get().actions().get(0).run().run();
        assertEquals(
                "First",
                second.build()
                        .orElseThrow()
                        .node(NODE)
                        .orElseThrow()
                        .part("radio")
                        .orElseThrow()
                        .name());
        assertTrue(second.unsavedProperty().get(), "the damaged file is only written over when the builder saves");
        assertEquals("{\"format\": 1, \"name\":", Files.readString(file));
    }

    @Test
    void changesOfARunThatEndedEarlyAreOffered() {
        bench.apply(new RenamePart(NODE, "radio", "Not saved"));
        Workbench second = bench(Runnable::run);
        second.open(file);
        assertEquals(2, second.noticeProperty().get().actions().size());
        second.noticeProperty().get().actions().get(0).run().run();
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
        bench.apply(new RenamePart(NODE, "radio", "Not saved"));
        Workbench second = bench(Runnable::run);
        second.open(file);
        second.apply(new RenamePart(NODE, "reader", "Edited first"));
        second.apply(new RenamePart(NODE, "reader", "Edited again"));
        second.noticeProperty().get().actions().get(0).run().run();
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
        Workbench slow = bench(waiting::add);
        slow.open(file);
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
        bench.pins().plan();
        assertTrue(bench.assessmentProperty().get().of(NODE, Stage.PINS).stream()
                .noneMatch(finding -> finding.code().startsWith("pins.")));
        assertEquals(Notice.Tone.DONE, bench.noticeProperty().get().tone());
        bench.undo();
        assertEquals(before, build());
    }

    @Test
    void whatIsGoneIsNoLongerSelected() {
        bench.show(Stage.PARTS, Place.ofPart(NODE, "radio"));
        bench.apply(new RemovePart(NODE, "radio"));
        assertNull(bench.selectionProperty().get());
    }

    @Test
    void aBuildThatWasNeverSavedIsOfferedAfterARunThatEndedEarly() {
        inkel.core.document.Node first = inkel.core.remedy.NewNode.of(
                "shed", "Shed", Given.CATALOG.get("board-classic-5v"), Given.CATALOG.get("usb-port"));
        bench.begin(first);
        bench.apply(new RenamePart("shed", "board", "Shed board"));
        Workbench second = bench(Runnable::run);
        second.offerLeftNew();
        second.noticeProperty().get().actions().get(0).run().run();
        assertEquals(
                "Shed board",
                second.build().orElseThrow().nodes().get(0).board().name());
        assertTrue(second.unsavedProperty().get());
        second.saveAs(folder.resolve("shed.inkel.json"));
        Workbench third = bench(Runnable::run);
        third.offerLeftNew();
        assertNull(third.noticeProperty().get(), "once saved there is nothing to offer");
    }

    @Test
    void aBuildThatIsLeftIsNotOfferedAgain() {
        bench.begin(inkel.core.remedy.NewNode.of(
                "shed", "Shed", Given.CATALOG.get("board-classic-5v"), Given.CATALOG.get("usb-port")));
        Workbench second = bench(Runnable::run);
        second.offerLeftNew();
        second.noticeProperty().get().actions().get(1).run().run();
        Workbench third = bench(Runnable::run);
        third.offerLeftNew();
        assertNull(third.noticeProperty().get());
    }
}
