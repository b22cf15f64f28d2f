package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.MarkWire;
import inkel.core.document.edit.Plug;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A wire that is plugged otherwise than the list has it. */
class MadeTest {
    private static final String WIRE = "board.D4@1 > eye.OUT@1";

    private static Build plugged() throws Exception {
        Build build = Builds.classic()
                .part("eye", "infrared-receiver", "VS=board.5V")
                .wire("eye.OUT", "board.D4")
                .build();
        return new Plug(Builds.NODE, Set.of(WIRE), true).apply(build);
    }

    private static Build marked(Build build, String how) throws Exception {
        return new MarkWire(Builds.NODE, WIRE, Optional.ofNullable(how)).apply(build);
    }

    private static WireStep step(Build build) {
        return WireList.of(node(build)).step(WIRE).orElseThrow();
    }

    private static NodeCircuit node(Build build) {
        return Circuit.of(build, Builds.CATALOG).nodes().get(0);
    }

    @ParameterizedTest
    @CsvSource({"green, GREEN", "black, BLACK", "white, WHITE"})
    void itHasTheColourThatItHas(String word, WireColour colour) throws Exception {
        assertEquals(colour, step(marked(plugged(), word)).colour());
    }

    @Test
    void itIsSolderedOrClippedInPlaceOfPlugged() throws Exception {
        Build soldered = marked(plugged(), "solder");
        assertEquals(
                Jumper.Kind.SOLDER,
                step(soldered).jumper(node(soldered)).orElseThrow().kind());
        assertEquals(step(plugged()).colour(), step(soldered).colour(), "its colour is as the list has it");
        Build clipped = marked(plugged(), "clip");
        assertEquals(
                Jumper.Kind.CLIP,
                step(clipped).jumper(node(clipped)).orElseThrow().kind());
        assertEquals(plugged(), marked(clipped, null), "and as planned again");
    }

    @Test
    void whatIsPulledIsForgotten() throws Exception {
        Build pulled = new Plug(Builds.NODE, Set.of(WIRE), false).apply(marked(plugged(), "green"));
        assertEquals(Map.of(), pulled.nodes().get(0).made());
        Build copy = new CopyNode(Builds.NODE, "twin", "Twin").apply(marked(plugged(), "green"));
        assertEquals(Map.of(), copy.node("twin").orElseThrow().made(), "a copy has nothing plugged");
    }

    @Test
    void itIsInTheFile() throws Exception {
        Build build = marked(plugged(), "green");
        assertEquals(build, BuildReader.parse(Path.of("x"), BuildWriter.print(build), Builds.CATALOG));
        String odd = BuildWriter.print(build).replace("\"green\"", "\"pink\"");
        UnreadableFile refused =
                assertThrows(UnreadableFile.class, () -> BuildReader.parse(Path.of("x"), odd, Builds.CATALOG));
        assertTrue(refused.problems().get(0).field().startsWith("/nodes/0/made"), refused.getMessage());
    }

    @Test
    void everyColourOfTheListCanBeSaid() {
        List<String> colours =
                Arrays.stream(WireColour.values()).map(WireColour::text).toList();
        assertTrue(Node.MADE.containsAll(colours));
    }
}
