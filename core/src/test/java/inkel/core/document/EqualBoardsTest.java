package inkel.core.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.AlsoAt;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Hold;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetPurpose;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Boards that are equals: made by copying, told by their kin, and changed together when that is wanted. */
class EqualBoardsTest {
    private static Build one() {
        return Builds.classic()
                .part("ear", "infrared-receiver", "VS=board.5V")
                .wire("ear.OUT", "board.D2")
                .part("press", "button")
                .wire("press.A", "board.D7")
                .build();
    }

    private static Build three() throws EditRefused {
        return Edit.applyAll(
                one(), List.of(new CopyNode(NODE, "second", "Second"), new CopyNode(NODE, "third", "Third")));
    }

    /** What becomes of the second board when an edit of the first is done there too. */
    private static Node also(Build build, Edit... edits) throws EditRefused {
        Build after = Edit.applyAll(build, List.of(edits));
        NodeChange change =
                new NodeChange(build.node(NODE).orElseThrow(), after.node(NODE).orElseThrow());
        return new AlsoAt("second", change).apply(after).node("second").orElseThrow();
    }

    @Test
    void copiesOfCopiesAreEqualsOfAllAndStandTogether() throws Exception {
        Build build = new CopyNode("second", "fourth", "Fourth").apply(three());
        assertEquals(
                List.of(NODE, "second", "third", "fourth"),
                build.nodes().stream().map(Node::id).toList());
        assertEquals(
                List.of(NODE, "second", "third"),
                build.equalsOf("fourth").stream().map(Node::id).toList());
        assertEquals(List.of(), one().equalsOf(NODE));
        assertEquals(build, BuildReader.parse(Path.of("x"), BuildWriter.print(build), CATALOG));
    }

    @Test
    void aWireThatMovesMovesThere() throws Exception {
        Node second = also(three(), new SetWire(NODE, Wire.placed(end("press.A"), end("board.D8"))));
        assertEquals(end("board.D8"), second.wire(end("press.A")).orElseThrow().to());
        assertEquals(end("board.D2"), second.wire(end("ear.OUT")).orElseThrow().to());
    }

    @Test
    void whatIsItsOwnStays() throws Exception {
        Build own = Edit.applyAll(
                three(),
                List.of(
                        new SetWire("second", Wire.placed(end("ear.OUT"), end("board.D3"))),
                        new RenamePart("second", "press", "Doorbell"),
                        new SetPurpose("second", "ear", "Hears the hall"),
                        new SetSetting("second", "ear", Settings.CLAIMS, "none"),
                        new Plug("second", Set.of("a > b"), true)));
        Node second = also(
                own,
                new SetWire(NODE, Wire.placed(end("press.A"), end("board.D8"))),
                new SetPurpose(NODE, "press", "Opens"),
                new SetSetting(NODE, "ear", Settings.DECOUPLING, "fitted"));
        assertEquals(end("board.D3"), second.wire(end("ear.OUT")).orElseThrow().to());
        assertEquals(end("board.D8"), second.wire(end("press.A")).orElseThrow().to());
        assertEquals("Doorbell", second.part("press").orElseThrow().name());
        assertEquals("Opens", second.part("press").orElseThrow().purpose());
        assertEquals("Hears the hall", second.part("ear").orElseThrow().purpose());
        assertEquals(
                "none", second.part("ear").orElseThrow().typed(Settings.CLAIMS).orElseThrow());
        assertEquals(
                "fitted",
                second.part("ear").orElseThrow().typed(Settings.DECOUPLING).orElseThrow());
        assertEquals(Set.of("a > b"), second.plugged());
        assertEquals("Second", second.name());
    }

    @Test
    void partsComeAndGoWithTheirWires() throws Exception {
        Node more = also(
                three(),
                new AddPart(NODE, Part.of("lamp", "led", "Lamp", "")),
                new SetWire(NODE, Wire.placed(end("lamp.A"), end("board.D9"))),
                new Insert(
                        NODE,
                        new Between.Series(end("lamp.A"), Resistance.ofOhms(330), Optional.empty(), Extras.NONE)));
        assertTrue(more.part("lamp").isPresent());
        assertEquals(end("board.D9"), more.wire(end("lamp.A")).orElseThrow().to());
        assertTrue(more.between(end("lamp.A")).isPresent());
        Node fewer = also(three(), new RemovePart(NODE, "ear"));
        assertTrue(fewer.part("ear").isEmpty());
        assertTrue(fewer.wire(end("ear.OUT")).isEmpty());
        assertTrue(fewer.wire(end("press.A")).isPresent());
    }

    /** Where the other board has lost a part, nothing of that part is done. */
    @Test
    void whatHasNoPlaceThereIsLeftOut() throws Exception {
        Build build = new RemovePart("second", "press").apply(three());
        Node second = also(
                build,
                new SetWire(NODE, Wire.placed(end("press.A"), end("board.D8"))),
                new AddPart(NODE, Part.of("supply", "bench-supply", "Supply", "")),
                new Feed(NODE, "ear", "VS", end("supply.+")));
        assertTrue(second.wire(end("press.A")).isEmpty());
        assertEquals(end("supply.+"), second.part("ear").orElseThrow().feeds().get("VS"));
        Build without = new RemovePart("second", "usb").apply(three());
        Node unfed = also(without, new Feed(NODE, "ear", "VS", end("usb.5V")));
        assertFalse(unfed.part("ear").orElseThrow().feeds().containsKey("VS"), "that source is not there");
    }

    @Test
    void pluggingAndNamesAreNoChangeForOthers() throws Exception {
        Build build = three();
        Node before = build.node(NODE).orElseThrow();
        Build plugged = new Plug(NODE, Set.of("x"), true).apply(build);
        assertTrue(new NodeChange(before, plugged.node(NODE).orElseThrow()).isEmpty());
        Build held = new Hold(NODE, List.of(end("press.A")), true, "").apply(build);
        assertFalse(new NodeChange(before, held.node(NODE).orElseThrow()).isEmpty());
    }
}
