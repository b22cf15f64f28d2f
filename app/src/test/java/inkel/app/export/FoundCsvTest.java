package inkel.app.export;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.state.FoundCsv;
import inkel.core.boards.FoundLine;
import inkel.core.boards.FoundWiring;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class FoundCsvTest {
    /** The list that Inkel writes of an example, read for that example: the same wires to the board come out. */
    @Test
    void aWireListIsReadBack() {
        Assessment assessment = Given.assessment(Given.LOCKS);
        NodeCircuit node = assessment.circuit("lower-lock").orElseThrow();
        String list = WiresCsv.of(assessment);
        Map<Endpoint, String> read = new HashMap<>();
        FoundWiring.read(node, node.board().cls(), FoundCsv.plain(list, "Lower lock")).stream()
                .filter(line -> line.kind() == FoundLine.Kind.WIRE)
                .forEach(
                        line -> read.put(line.signal().orElseThrow(), line.pin().orElseThrow()));
        assertTrue(read.size() > 8, () -> "" + read);
        read.forEach((signal, pin) -> assertEquals(
                Optional.of(new Endpoint(Part.BOARD, pin)), node.wire(signal).map(Wire::to), signal.toString()));
    }

    /** Of a list of two boards only the wires of the one that it is read for; of another build's list all. */
    @Test
    void wiresOfAnotherBoardAreLeftOut() {
        String list = "board,from,to\nLower lock,Board D9,Radio CE\nPump house,Board A5,Modem RST\n";
        assertEquals("Board D9 -> Radio CE", FoundCsv.plain(list, "Lower lock"));
        assertEquals("Board D9 -> Radio CE\nBoard A5 -> Modem RST", FoundCsv.plain(list, "Shed"));
    }

    @Test
    void anyOtherTextStaysAsItIs() {
        for (String text : new String[] {"CE -> 9\nCSN -> 10", "", "a,b\n1,2", "\"open", "#define CE 9"}) {
            assertEquals(text, FoundCsv.plain(text, "Lower lock"));
        }
    }
}
