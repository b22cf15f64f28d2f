package inkel.core.io.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import java.nio.file.Path;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each end of a wire between boards says what is wrong with it. */
class LinksReadTest {
    private static final String FILE =
            """
            {"format": 2, "name": "Two", "nodes": [
              {"id": "a", "name": "A", "board": {"class": "board-classic-5v", "name": "Board"},
               "parts": [{"id": "radio", "class": "packet-radio", "name": "Radio"}]},
              {"id": "b", "name": "B", "board": {"class": "board-classic-5v", "name": "Board"},
               "parts": [{"id": "bus", "class": "bus-differential", "name": "Bus"}]}],
             "links": [{"from": "a/board.D3", "to": "%s"}]}
            """;

    @ParameterizedTest
    @CsvSource({
        "b/board, problem.expected_value",
        "D4, problem.expected_value",
        "c/board.D4, problem.no_node",
        "a/radio.CE, problem.not_of_board",
        "b/bus.RO, problem.not_of_board",
        "b/bus.A, problem.line_to_line"
    })
    void whatIsWrongWithAnEnd(String to, String key) {
        UnreadableFile refused = assertThrows(
                UnreadableFile.class,
                () -> BuildReader.parse(Path.of("two.inkel.json"), FILE.formatted(to), Builds.CATALOG));
        assertEquals(1, refused.problems().size(), refused.problems().toString());
        assertEquals("/links/0/to", refused.problems().get(0).field());
        assertEquals(key, refused.problems().get(0).reason().key());
    }
}
