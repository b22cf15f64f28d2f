package inkel.core.io.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.io.json.Problem;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is wrong in the fields of an own board is told at its place. */
class BoardFieldsTest {
    private static final Path BOARD = Path.of("src/main/resources/inkel/core/catalog/board-wireless-3v3.json");

    private static ObjectNode board() throws IOException {
        return (ObjectNode) new ObjectMapper().readTree(BOARD.toFile());
    }

    private static List<Problem> problems(ObjectNode board) {
        List<Problem> problems = new ArrayList<>();
        PartClassReader.read(board, problems);
        return problems;
    }

    @Test
    void theShippedOneHasNone() throws IOException {
        assertEquals(List.of(), problems(board()));
    }

    @Test
    void onlySerialBusesAndPortsAreLedAnywhere() throws IOException {
        ObjectNode board = board();
        ((ObjectNode) board.get("controller")).putArray("routes").add("spi0").add("wings");
        List<Problem> problems = problems(board);
        assertEquals(2, problems.size(), problems.toString());
        assertTrue(problems.get(0).field().startsWith("/controller"), problems.toString());
    }

    @Test
    void aConverterWantsItsFullScale() throws IOException {
        ObjectNode board = board();
        ((ObjectNode) board.get("controller").get("analog").get(0)).remove("full_scale");
        List<Problem> problems = problems(board);
        assertEquals(1, problems.size(), problems.toString());
        assertTrue(problems.get(0).field().startsWith("/controller/analog"), problems.toString());
    }
}
