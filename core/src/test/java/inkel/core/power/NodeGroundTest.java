package inkel.core.power;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNode;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.RemoveNodeWire;
import inkel.core.finding.Finding;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.SchemaCheck;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.remedy.JoinNodes;
import inkel.core.remedy.NewNode;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Signal wires between boards, and the ground they want beside them. */
class NodeGroundTest {
    private static Build two() throws EditRefused {
        return new AddNode(NewNode.of("shed", "Shed", CATALOG.get("board-classic-5v"), CATALOG.get("usb-port")))
                .apply(Builds.classic()
                        .part("radio", "packet-radio", "VCC=board.3V3")
                        .wire("radio.CE", "board.D0")
                        .build());
    }

    private static NodeWire wire(String from, String to) {
        return new NodeWire(
                Place.parsePin(from).orElseThrow(), Place.parsePin(to).orElseThrow(), false, Extras.NONE);
    }

    private static List<Finding> findings(Build build) {
        return Builds.of(Assessment.assess(build, CATALOG), "power.no_common_ground");
    }

    @Test
    void twoBoardsWithASignalBetweenThemShareOneGround() throws EditRefused {
        assertEquals(List.of(), findings(two()));
        Build joined = Edit.applyAll(
                two(),
                List.of(
                        new AddNodeWire(wire("bench/board.D3", "shed/board.D4")),
                        new AddNodeWire(wire("shed/board.D5", "bench/board.D6"))));
        List<Finding> apart = findings(joined);
        assertEquals(1, apart.size(), "once for the two boards, however many wires there are");
        assertTrue(apart.get(0).sentence().key().endsWith(".nodes"));
        assertEquals(List.of(), findings(apart.get(0).fixes().get(0).apply(joined)));
    }

    @Test
    void aWireGoesWithItsBoardOrByItself() throws EditRefused {
        NodeWire wire = wire("bench/board.D3", "shed/board.D4");
        Build joined = new AddNodeWire(wire).apply(two());
        assertEquals(List.of(), new RemoveNodeWire(wire).apply(joined).links());
        assertEquals(List.of(), new RemoveNode("shed").apply(joined).links());
        assertThrows(EditRefused.class, () -> new AddNodeWire(wire("bench/board.D3", "barn/board.D4")).apply(two()));
    }

    @Test
    void theFirstFreePinsAreTaken() throws EditRefused {
        Circuit circuit = Circuit.of(two(), CATALOG);
        AddNodeWire first =
                (AddNodeWire) JoinNodes.of(circuit, Builds.NODE, "shed").orElseThrow();
        Build once = first.apply(two());
        AddNodeWire second = (AddNodeWire)
                JoinNodes.of(Circuit.of(once, CATALOG), Builds.NODE, "shed").orElseThrow();
        assertTrue(!first.wire().from().equals(second.wire().from()), "a pin carries one wire");
        assertTrue(!first.wire().from().pin().equals("D0"), "the radio has D0");
    }

    @Test
    void wiresBetweenBoardsGoThroughTheFile() throws Exception {
        Build joined = new AddNodeWire(wire("bench/board.D3", "shed/board.D4")).apply(two());
        String written = BuildWriter.print(joined);
        assertEquals(List.of(), SchemaCheck.ofBuild().check(written));
        assertEquals(joined, BuildReader.parse(Path.of("x"), written, CATALOG));
        for (String wrong : List.of("barn/board.D4", "shed/supply.5V", "D4")) {
            UnreadableFile refused = assertThrows(
                    UnreadableFile.class,
                    () -> BuildReader.parse(Path.of("x"), written.replace("shed/board.D4", wrong), CATALOG));
            assertEquals("/links/0/to", refused.problems().get(0).field());
        }
    }
}
