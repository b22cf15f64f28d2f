package inkel.core.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.edit.AddNode;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.MovePart;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.RenameNode;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetPurpose;
import inkel.core.kit.Builds;
import inkel.core.remedy.NewNode;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Boards of a build: added, copied, renamed, removed, and parts that go from one to another. */
class NodeEditsTest {
    private static final Build BUILD = Builds.classic()
            .part("radio", "packet-radio", "VCC=board.3V3")
            .wire("radio.CE", "board.D9")
            .build();
    private static final Node SECOND =
            NewNode.of("shed", "Shed", CATALOG.get("board-dual-core-3v3"), CATALOG.get("usb-port"));

    private static Build two() throws EditRefused {
        return new AddNode(SECOND).apply(BUILD);
    }

    @Test
    void aBoardIsAddedAtTheEndAndIsFed() throws EditRefused {
        Build build = two();
        assertEquals(List.of(NODE, "shed"), build.nodes().stream().map(Node::id).toList());
        assertEquals(end("supply.5V"), build.nodes().get(1).board().feeds().get("USB"));
        EditRefused twice = assertThrows(EditRefused.class, () -> new AddNode(SECOND).apply(build));
        assertEquals("refused.node_exists", twice.reason().key());
    }

    @Test
    void aCopyHasPartsAndWiresButNothingPlugged() throws EditRefused {
        Build plugged = new Plug(NODE, Set.of("radio.CE"), true).apply(BUILD);
        Build build = new CopyNode(NODE, "twin", "Twin").apply(plugged);
        Node twin = build.nodes().get(1);
        assertEquals("Twin", twin.name());
        assertEquals(BUILD.nodes().get(0).parts(), twin.parts());
        assertEquals(BUILD.nodes().get(0).wires(), twin.wires());
        assertEquals(Set.of(), twin.plugged());
    }

    @Test
    void aBoardIsRenamedAndRemovedButTheLastStays() throws EditRefused {
        Build renamed = new RenameNode("shed", "Boat house").apply(two());
        assertEquals("Boat house", renamed.node("shed").orElseThrow().name());
        Build one = new RemoveNode(NODE).apply(renamed);
        assertEquals(1, one.nodes().size());
        EditRefused last = assertThrows(EditRefused.class, () -> new RemoveNode("shed").apply(one));
        assertEquals("refused.last_node", last.reason().key());
        EditRefused gone = assertThrows(EditRefused.class, () -> new RemoveNode(NODE).apply(one));
        assertEquals("refused.no_node", gone.reason().key());
    }

    @Test
    void aPartThatMovesKeepsItsFiguresAndLeavesItsWires() throws EditRefused {
        Build own = Edit.applyAll(
                two(),
                List.of(
                        new SetFigure(NODE, "radio", "current/VCC/peak", "20 mA"),
                        new SetPurpose(NODE, "radio", "hears the shed")));
        Build moved = new MovePart(NODE, "radio", "shed").apply(own);
        assertTrue(moved.nodes().get(0).part("radio").isEmpty());
        assertEquals(List.of(), moved.nodes().get(0).wires());
        Part radio = moved.nodes().get(1).part("radio").orElseThrow();
        assertEquals(Map.of("current/VCC/peak", "20 mA"), radio.figures());
        assertEquals("hears the shed", radio.purpose());
        assertEquals(Map.of(), radio.feeds(), "the rails it hung on stayed behind");
    }

    @Test
    void aPartThatMovesGetsAnotherIdWhereItsOwnIsTaken() throws EditRefused {
        Build both = new AddPart("shed", Part.of("radio", "packet-radio", "Shed radio", "")).apply(two());
        Build moved = new MovePart(NODE, "radio", "shed").apply(both);
        assertEquals(
                List.of("board", "supply", "radio", "radio-2"),
                moved.nodes().get(1).parts().stream().map(Part::id).toList());
        EditRefused board = assertThrows(EditRefused.class, () -> new MovePart(NODE, Part.BOARD, "shed").apply(both));
        assertEquals("refused.board_stays", board.reason().key());
        assertThrows(EditRefused.class, () -> new MovePart(NODE, "radio", "nowhere").apply(both));
    }

    @Test
    void aFreeIdIsMadeOfTheName() throws EditRefused {
        assertEquals("boat-house", BUILD.freeNodeId("Boat house"));
        assertEquals("shed-2", two().freeNodeId("Shed"));
    }
}
