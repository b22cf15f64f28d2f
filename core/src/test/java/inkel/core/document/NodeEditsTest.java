package inkel.core.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

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
        return Edits.apply(BUILD, new Edit.AddNode(SECOND));
    }

    @Test
    void aBoardIsAddedAtTheEndAndIsFed() throws EditRefused {
        Build build = two();
        assertEquals(List.of(NODE, "shed"), build.nodes().stream().map(Node::id).toList());
        assertEquals(end("supply.5V"), build.nodes().get(1).board().feeds().get("USB"));
        EditRefused twice = assertThrows(EditRefused.class, () -> Edits.apply(build, new Edit.AddNode(SECOND)));
        assertEquals("refused.node_exists", twice.reason().key());
    }

    @Test
    void aCopyHasPartsAndWiresButNothingPlugged() throws EditRefused {
        Build plugged = Edits.apply(BUILD, new Edit.Plug(NODE, Set.of("radio.CE"), true));
        Build build = Edits.apply(plugged, new Edit.CopyNode(NODE, "twin", "Twin"));
        Node twin = build.nodes().get(1);
        assertEquals("Twin", twin.name());
        assertEquals(BUILD.nodes().get(0).parts(), twin.parts());
        assertEquals(BUILD.nodes().get(0).wires(), twin.wires());
        assertEquals(Set.of(), twin.plugged());
    }

    @Test
    void aBoardIsRenamedAndRemovedButTheLastStays() throws EditRefused {
        Build renamed = Edits.apply(two(), new Edit.RenameNode("shed", "Boat house"));
        assertEquals("Boat house", renamed.node("shed").orElseThrow().name());
        Build one = Edits.apply(renamed, new Edit.RemoveNode(NODE));
        assertEquals(1, one.nodes().size());
        EditRefused last = assertThrows(EditRefused.class, () -> Edits.apply(one, new Edit.RemoveNode("shed")));
        assertEquals("refused.last_node", last.reason().key());
        EditRefused gone = assertThrows(EditRefused.class, () -> Edits.apply(one, new Edit.RemoveNode(NODE)));
        assertEquals("refused.no_node", gone.reason().key());
    }

    @Test
    void aPartThatMovesKeepsItsFiguresAndLeavesItsWires() throws EditRefused {
        Build own = Edits.apply(
                two(),
                List.of(
                        new Edit.SetFigure(NODE, "radio", "current/VCC/peak", "20 mA"),
                        new Edit.SetPurpose(NODE, "radio", "hears the shed")));
        Build moved = Edits.apply(own, new Edit.MovePart(NODE, "radio", "shed"));
        assertTrue(moved.nodes().get(0).part("radio").isEmpty());
        assertEquals(List.of(), moved.nodes().get(0).wires());
        Part radio = moved.nodes().get(1).part("radio").orElseThrow();
        assertEquals(Map.of("current/VCC/peak", "20 mA"), radio.figures());
        assertEquals("hears the shed", radio.purpose());
        assertEquals(Map.of(), radio.feeds(), "the rails it hung on stayed behind");
    }

    @Test
    void aPartThatMovesGetsAnotherIdWhereItsOwnIsTaken() throws EditRefused {
        Build both = Edits.apply(two(), new Edit.AddPart("shed", Part.of("radio", "packet-radio", "Shed radio", "")));
        Build moved = Edits.apply(both, new Edit.MovePart(NODE, "radio", "shed"));
        assertEquals(
                List.of("board", "supply", "radio", "radio-2"),
                moved.nodes().get(1).parts().stream().map(Part::id).toList());
        EditRefused board =
                assertThrows(EditRefused.class, () -> Edits.apply(both, new Edit.MovePart(NODE, Part.BOARD, "shed")));
        assertEquals("refused.board_stays", board.reason().key());
        assertThrows(EditRefused.class, () -> Edits.apply(both, new Edit.MovePart(NODE, "radio", "nowhere")));
    }

    @Test
    void aFreeIdIsMadeOfTheName() throws EditRefused {
        assertEquals("boat-house", BUILD.freeNodeId("Boat house"));
        assertEquals("shed-2", two().freeNodeId("Shed"));
    }
}
