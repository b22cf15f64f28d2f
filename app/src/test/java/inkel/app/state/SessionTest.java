package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.lane.Lanes;
import inkel.app.lane.Notice;
import inkel.app.store.Recovery;
import inkel.core.catalog.Habit;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetHabit;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.io.document.BuildReader;
import inkel.core.remedy.NewNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
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

    @Test
    void sharingOutTellsTheStrapsThatItTied() throws IOException {
        Path two = folder.resolve("two.inkel.json");
        java.nio.file.Files.writeString(
                two,
                """
                {"format": 2, "name": "Two", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "one", "class": "pressure", "name": "One", "feeds": {"VCC": "board.3V3"}},
                           {"id": "two", "class": "pressure", "name": "Two", "feeds": {"VCC": "board.3V3"}}],
                 "wires": []}]}
                """);
        session.files().open(two);
        session.planning().plan();
        String told = session.notices().property().get().text();
        assertTrue(told.startsWith("5 wires placed anew. "), told);
        assertTrue(told.matches(".*Tied for an address: (One|Two) SDO \\(3V3\\)\\.$"), told);
    }

    /** A table that was only written down: one step feeds it, one undo takes that back, and then nothing is left to feed. */
    @Test
    void whatGetsNothingIsFedInOneStep() throws IOException {
        Path bare = folder.resolve("bare.inkel.json");
        Files.writeString(
                bare,
                """
                {"format": 2, "name": "Bare", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board"},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "air", "class": "pressure", "name": "Air"},
                           {"id": "modem", "class": "text-modem", "name": "Modem"}]}]}
                """);
        session.files().open(bare);
        assertTrue(session.parts().isSomeUnfed());
        session.parts().feedAll();
        assertEquals("Fed 2 supply pins.", session.notices().property().get().text());
        assertEquals(
                "board.3V3",
                session.build()
                        .orElseThrow()
                        .nodes()
                        .get(0)
                        .part("air")
                        .orElseThrow()
                        .feeds()
                        .get("VCC")
                        .toString());
        session.parts().feedAll();
        assertTrue(session.notices().property().get().text().startsWith("No rail on this table"));
        session.undo();
        assertTrue(session.build().orElseThrow().nodes().get(0).board().feeds().isEmpty());
        assertFalse(session.canUndoProperty().get());
    }

    private static String nameOf(Session of, String part) {
        return of.build()
                .orElseThrow()
                .node(NODE)
                .orElseThrow()
                .part(part)
                .orElseThrow()
                .name();
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
        assertEquals("First", nameOf(second, "radio"));
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
        assertEquals("Not saved", nameOf(second, "radio"));
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
        assertEquals("Not saved", nameOf(second, "radio"));
    }

    /** The disk is slow, and a new build is judged before the save of the old one is done. */
    @Test
    void aSaveThatEndsLateDoesNotGiveItsFileToAnotherBuild() throws Exception {
        Deque<Runnable> disk = new ArrayDeque<>();
        Session slow = new Session(
                Given.CATALOG,
                inkel.core.io.catalog.Shelf.read(folder.resolve("shelf")),
                new Lanes(
                        Runnable::run,
                        Runnable::run,
                        disk::add,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run),
                CLOCK,
                new Recovery(folder.resolve("recovery")));
        slow.files().open(file);
        disk.poll().run();
        slow.apply(new RenamePart(NODE, "radio", "Saved late"));
        slow.files().save();
        slow.boards().begin(slow.build().orElseThrow().nodes().get(0));
        while (!disk.isEmpty()) {
            disk.poll().run();
        }
        assertEquals(null, slow.files().fileProperty().get(), "the new build has no file yet");
        assertTrue(slow.files().unsavedProperty().get(), "and is not saved");
        assertTrue(Files.readString(file).contains("Saved late"), "the old one is");
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
        while (!waiting.isEmpty()) {
            waiting.poll().run();
        }
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

    // --- sharing out as one goes

    private Session onNewBoard(Executor work) {
        Session fresh = session(work);
        fresh.boards()
                .begin(NewNode.of(NODE, "Shed", Given.CATALOG.get("board-classic-5v"), Given.CATALOG.get("usb-port")));
        return fresh;
    }

    private static Node table(Session session) {
        return session.build().orElseThrow().nodes().get(0);
    }

    @Test
    void aPartIsSharedOutWithTheStepThatBringsIt() {
        Session fresh = onNewBoard(Runnable::run);
        Build before = fresh.build().orElseThrow();
        fresh.parts().add(Given.CATALOG.get("packet-radio"), 1);
        assertEquals(5, table(fresh).wires().size());
        assertTrue(fresh.assessmentProperty().get().findings().stream()
                .noneMatch(finding -> finding.severity() == Severity.STOP));
        fresh.undo();
        assertEquals(before, fresh.build().orElseThrow(), "one step back takes both away");
        fresh.redo();
        assertEquals(5, table(fresh).wires().size(), "and brings both again");
    }

    @Test
    void whatWasOvertakenIsSharedOutWithTheNextStep() {
        Deque<Runnable> waiting = new ArrayDeque<>();
        Session slow = onNewBoard(waiting::add);
        drain(waiting);
        slow.parts().add(Given.CATALOG.get("packet-radio"), 1);
        slow.apply(new RenamePart(NODE, "packet-radio", "Radio"));
        drain(waiting);
        assertEquals(5, table(slow).wires().size());
    }

    @Test
    void undoIsNotAnsweredWithWires() {
        Deque<Runnable> waiting = new ArrayDeque<>();
        Session slow = onNewBoard(waiting::add);
        drain(waiting);
        slow.parts().add(Given.CATALOG.get("packet-radio"), 1);
        slow.parts().add(Given.CATALOG.get("button"), 1);
        slow.undo();
        drain(waiting);
        assertEquals(List.of(), table(slow).wires());
    }

    @Test
    void whoShareOutThemselvesAreLeftAlone() {
        Session fresh = onNewBoard(Runnable::run);
        fresh.apply(new SetHabit<>(NODE, Habit.SHARING, Habit.Sharing.WHEN_ASKED));
        fresh.parts().add(Given.CATALOG.get("packet-radio"), 1);
        assertEquals(List.of(), table(fresh).wires());
        assertTrue(fresh.assessmentProperty().get().findings().stream()
                .noneMatch(finding -> finding.severity() == Severity.STOP));
        Finding open = fresh.assessmentProperty().get().findings().stream()
                .filter(finding -> finding.code().equals("pins.not_placed"))
                .findFirst()
                .orElseThrow();
        assertTrue(fresh.apply(open.fixes().get(0)));
        assertEquals(5, table(fresh).wires().size(), "asked, it shares out");
        assertFalse(fresh.planning().busyProperty().get());
    }

    @Test
    void whatHasNoPlaceIsToldWithWhatHelps() {
        Session fresh = session(Runnable::run);
        fresh.boards()
                .begin(NewNode.of(
                        NODE, "Shed", Given.CATALOG.get("chip-8pin"), Given.CATALOG.get("wall-supply-5v-strong")));
        fresh.parts().add(Given.CATALOG.get("button"), 1);
        fresh.parts().add(Given.CATALOG.get("packet-radio"), 1);
        fresh.parts().add(Given.CATALOG.get("motion-detector"), 1);
        Notice told = fresh.notices().property().get();
        assertEquals(Notice.Tone.TROUBLE, told.tone());
        assertTrue(told.text().contains("Packet radio"), told.text());
        assertFalse(told.actions().isEmpty());
        assertFalse(table(fresh).wires().isEmpty());
        fresh.undo();
        assertNull(fresh.notices().property().get(), "what is undone is not asked any more");
    }

    private static void drain(Deque<Runnable> waiting) {
        while (!waiting.isEmpty()) {
            waiting.poll().run();
        }
    }

    @Test
    void whereNotAllHaveAPlaceThoseThatHaveOneAreOffered() throws IOException {
        Path crowd = Given.crowd(20, folder);
        session.files().open(crowd);
        Build before = build();
        session.planning().plan();
        Notice told = session.notices().property().get();
        assertEquals(Notice.Tone.TROUBLE, told.tone());
        assertEquals(before, build());
        // Eighteen pins beside the board's own line.
        Notice.Action offer = told.actions().stream()
                .filter(action -> action.title().equals("Place 18 parts, leave 2"))
                .findFirst()
                .orElseThrow(() -> new AssertionError(told.actions().toString()));
        offer.run().run();
        assertEquals(18, build().nodes().get(0).wires().size());
        String said = session.notices().property().get().text();
        assertTrue(said.matches("18 parts have their pins\\. Without: Lamp [0-9]+ A; Lamp [0-9]+ A\\."), said);
        session.undo();
        assertEquals(before, build());
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
        second.files().left().offerOthers();
        second.notices().property().get().actions().get(0).run().run();
        assertEquals(
                "Shed board",
                second.build().orElseThrow().nodes().get(0).board().name());
        assertTrue(second.files().unsavedProperty().get());
        second.files().saveAs(folder.resolve("shed.inkel.json"));
        Session third = session(Runnable::run);
        third.files().left().offerOthers();
        assertNull(third.notices().property().get(), "once saved there is nothing to offer");
    }

    @Test
    void aBuildThatIsLeftIsNotOfferedAgain() {
        session.boards()
                .begin(inkel.core.remedy.NewNode.of(
                        "shed", "Shed", Given.CATALOG.get("board-classic-5v"), Given.CATALOG.get("usb-port")));
        Session second = session(Runnable::run);
        second.files().left().offerOthers();
        second.notices().property().get().actions().get(1).run().run();
        Session third = session(Runnable::run);
        third.files().left().offerOthers();
        assertNull(third.notices().property().get());
    }

    @Test
    void aCrashWhileJudgingKeepsTheLastResultSaysSoAndLosesNothing() {
        List<String> order = new ArrayList<>();
        Session judged = new Session(
                Given.CATALOG,
                inkel.core.io.catalog.Shelf.read(folder.resolve("shelf")),
                Lanes.of(Runnable::run, Runnable::run),
                CLOCK,
                new Recovery(folder.resolve("recovery")),
                (build, classes) -> {
                    order.add(Files.exists(folder.resolve("recovery")) ? "kept" : "not kept");
                    throw new IllegalStateException("a mistake in a report");
                });
        judged.files().open(file);
        var before = judged.assessmentProperty().get();
        assertTrue(judged.apply(new RenamePart(NODE, "radio", "Renamed")));
        assertEquals(List.of("kept"), order, "recovery is written before judging");
        assertSame(before, judged.assessmentProperty().get());
        Notice told = judged.notices().property().get();
        assertTrue(told.text().contains("a mistake in a report"), told.text());
        assertEquals("Renamed", name(judged, "radio"));
        Session second = session(Runnable::run);
        second.files().open(file);
        second.notices().property().get().actions().get(0).run().run();
        assertEquals("Renamed", name(second, "radio"));
        told.actions().get(0).run().run();
        assertEquals("Packet radio", name(judged, "radio"), "undo is offered with it");
    }

    private static String name(Session of, String part) {
        return of.build()
                .orElseThrow()
                .node(NODE)
                .orElseThrow()
                .part(part)
                .orElseThrow()
                .name();
    }

    @Test
    void whatIsOvertakenIsNotJudgedAtAllButKept() {
        Deque<Runnable> waiting = new ArrayDeque<>();
        List<String> judged = new ArrayList<>();
        Session slow = new Session(
                Given.CATALOG,
                inkel.core.io.catalog.Shelf.read(folder.resolve("shelf")),
                new Lanes(
                        waiting::add,
                        waiting::add,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run),
                CLOCK,
                new Recovery(folder.resolve("recovery")),
                (build, classes) -> {
                    judged.add(build.nodes().get(0).part("radio").orElseThrow().name());
                    return inkel.core.checks.Assessment.assess(build, classes);
                });
        slow.files().open(file);
        slow.apply(new RenamePart(NODE, "radio", "First"));
        slow.apply(new RenamePart(NODE, "radio", "Second"));
        waiting.forEach(Runnable::run);
        assertEquals(List.of("Second"), judged);
    }

    @Test
    void planningHoldsNeitherJudgingNorSearchingNorSavingUp() throws Exception {
        Deque<Runnable> planning = new ArrayDeque<>();
        Session busy = new Session(
                Given.CATALOG,
                inkel.core.io.catalog.Shelf.read(folder.resolve("shelf")),
                new Lanes(
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        planning::add,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run),
                CLOCK,
                new Recovery(folder.resolve("recovery")));
        busy.files().open(file);
        busy.planning().plan();
        assertTrue(busy.planning().busyProperty().get());
        busy.apply(new RenamePart(NODE, "radio", "Meanwhile"));
        assertEquals(
                "Meanwhile",
                busy.assessmentProperty()
                        .get()
                        .build()
                        .node(NODE)
                        .orElseThrow()
                        .part("radio")
                        .orElseThrow()
                        .name());
        List<String> found = new ArrayList<>();
        busy.parts()
                .search("radio", hits -> hits.forEach(hit -> found.add(hit.cls().id())));
        assertFalse(found.isEmpty());
        busy.files().save();
        assertEquals(busy.build().orElseThrow(), BuildReader.read(file, Given.CATALOG));
        planning.poll().run();
        assertFalse(busy.planning().busyProperty().get());
        assertTrue(busy.notices().property().get().text().contains("changed"), "the plan was for another build");
    }

    @Test
    void planningIsStoppedByHandAndTakesNothingOver() {
        Deque<Runnable> planning = new ArrayDeque<>();
        Session busy = new Session(
                Given.CATALOG,
                inkel.core.io.catalog.Shelf.read(folder.resolve("shelf")),
                new Lanes(
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        planning::add,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run),
                CLOCK,
                new Recovery(folder.resolve("recovery")));
        busy.files().open(file);
        Build before = busy.build().orElseThrow();
        busy.planning().plan();
        busy.planning().stop();
        planning.poll().run();
        assertFalse(busy.planning().busyProperty().get());
        assertEquals(before, busy.build().orElseThrow());
        assertEquals(Notice.Tone.DONE, busy.notices().property().get().tone());
    }

    @Test
    void successIsNotToldOverARefusal() {
        assertFalse(session.apply(new RenamePart(NODE, "gone", "x")));
        session.boards().add(build().nodes().get(0));
        assertEquals(Notice.Tone.TROUBLE, session.notices().property().get().tone());
        session.boards().remove("pump-house");
        session.boards().remove(NODE);
        assertEquals(1, build().nodes().size(), "the last board stays");
        assertEquals(Notice.Tone.TROUBLE, session.notices().property().get().tone());
    }

    @Test
    void anUndoneReadingStaysInTheRecordAndNoLongerCounts() {
        Place signal = Place.of(NODE, new inkel.core.document.Endpoint("reader", "MISO"));
        session.apply(new inkel.core.document.edit.Measure(
                NODE,
                signal.endpoint(),
                inkel.core.document.LogLine.What.HIGH,
                inkel.core.quantity.Voltage.ofVolts(3.2),
                "3.2",
                inkel.core.document.LogLine.By.TYPED,
                session.now()));
        int lines = build().log().size();
        session.undo();
        assertEquals(lines + 1, build().log().size());
        assertTrue(session.files().unsavedProperty().get(), "the record grew");
        assertEquals(
                0,
                build().log()
                        .counting()
                        .filter(line -> line.place().equals(signal))
                        .count());
        session.redo();
        assertEquals(lines + 2, build().log().size());
        assertEquals(
                1,
                build().log()
                        .counting()
                        .filter(line -> line.place().equals(signal))
                        .count());
    }

    @Test
    void aWireIsLeftThinWithALineInTheRecordAndItsTime() {
        session.apply(new SetFigure("pump-house", "board", "level/io/voh", "2.62 V"));
        Finding thin = session.assessmentProperty().get().findings().stream()
                .filter(finding -> finding.code().equals("levels.thin"))
                .findFirst()
                .orElseThrow();
        session.apply(thin.fixes().stream()
                .filter(fix -> fix.id().equals("accept"))
                .findFirst()
                .orElseThrow());
        var lines = build().log().lines();
        assertEquals(CLOCK.instant(), lines.get(lines.size() - 1).at());
        assertEquals(thin.place(), lines.get(lines.size() - 1).place());
    }

    @Test
    void leavingWithUnsavedChangesAsksOnceAndThenKeepsThem() {
        List<String> closed = new ArrayList<>();
        assertTrue(session.files().mayLeave(() -> closed.add("x"), then -> {}), "nothing to ask about");
        session.apply(new RenamePart(NODE, "radio", "Not saved"));
        assertFalse(session.files().mayLeave(() -> closed.add("closed"), then -> {}));
        assertEquals(3, session.notices().property().get().actions().size());
        assertTrue(session.files().mayLeave(() -> closed.add("closed"), then -> {}), "asked again, it closes");
        Session second = session(Runnable::run);
        second.files().open(file);
        assertEquals(2, second.notices().property().get().actions().size(), "and the changes are offered");
        session.apply(new RenamePart(NODE, "radio", "Other"));
        assertFalse(session.files().mayLeave(() -> closed.add("closed"), then -> {}), "a new change asks anew");
        session.notices().property().get().actions().get(0).run().run();
        assertEquals(List.of("closed"), closed);
        assertFalse(session.files().unsavedProperty().get());
    }

    @Test
    void editsThatStillWaitAreKeptWhenTheWindowCloses() throws Exception {
        Session stuck = new Session(
                Given.CATALOG,
                inkel.core.io.catalog.Shelf.read(folder.resolve("shelf")),
                new Lanes(
                        later -> {},
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run,
                        Runnable::run),
                CLOCK,
                new Recovery(folder.resolve("recovery")));
        stuck.files().open(file);
        stuck.apply(new RenamePart(NODE, "radio", "Just typed"));
        stuck.files().mayLeave(() -> {}, then -> {});
        assertTrue(stuck.files().mayLeave(() -> {}, then -> {}));
        Session second = session(Runnable::run);
        second.files().open(file);
        second.notices().property().get().actions().get(0).run().run();
        assertEquals("Just typed", name(second, "radio"));
    }
}
