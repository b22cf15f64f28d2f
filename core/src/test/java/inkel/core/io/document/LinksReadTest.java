package inkel.core.io.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.Carries;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.quantity.Frequency;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
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

    private static Build read(String more) throws Exception {
        String file = FILE.formatted("b/board.D4").replace("\"b/board.D4\"}", "\"b/board.D4\"" + more + "}");
        return BuildReader.parse(Path.of("two.inkel.json"), file, Builds.CATALOG);
    }

    @Test
    void whatAWireCarriesIsReadAndWrittenAsItWas() throws Exception {
        Build said = read(", \"carries\": \"serial\", \"baud\": \"57.6 kHz\"");
        assertEquals(
                new Carries(Optional.of(Carries.Kind.SERIAL), Optional.of(Frequency.ofHertz(57_600))),
                said.links().get(0).carries());
        String text = BuildWriter.print(said);
        assertTrue(text.contains("\"baud\" : \"57600\""), text);
        assertEquals(said, BuildReader.parse(Path.of("two.inkel.json"), text, Builds.CATALOG));
        assertFalse(BuildWriter.print(read("")).contains("carries"));
        // All its digits stay.
        Build odd = read(", \"baud\": \"31250.125\"");
        assertEquals(odd, BuildReader.parse(Path.of("two.inkel.json"), BuildWriter.print(odd), Builds.CATALOG));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "carries | , \"carries\": \"serail\" | problem.expected_value",
                "baud | , \"baud\": \"0\" | problem.expected_value",
                "baud | , \"baud\": \"-9600\" | problem.expected_value",
                "baud | , \"baud\": \"9600\", \"carries\": \"plain\" | problem.plain_rate"
            })
    void whatIsWrongWithWhatItCarries(String key, String more, String problem) {
        UnreadableFile refused = assertThrows(UnreadableFile.class, () -> read(more));
        assertEquals(
                List.of("/links/0/" + key + " " + problem),
                refused.problems().stream()
                        .map(found -> found.field() + " " + found.reason().key())
                        .toList());
    }

    @Test
    void aLongLineSaysNothingOfThat() {
        String line =
                """
                {"format": 2, "name": "Two", "nodes": [
                  {"id": "a", "name": "A", "board": {"class": "board-classic-5v", "name": "Board"},
                   "parts": [{"id": "bus", "class": "bus-differential", "name": "Bus"}]},
                  {"id": "b", "name": "B", "board": {"class": "board-classic-5v", "name": "Board"},
                   "parts": [{"id": "bus", "class": "bus-differential", "name": "Bus"}]}],
                 "links": [{"from": "a/bus.A", "to": "b/bus.A", "carries": "serial", "baud": "9600"}]}
                """;
        UnreadableFile refused = assertThrows(
                UnreadableFile.class, () -> BuildReader.parse(Path.of("line.inkel.json"), line, Builds.CATALOG));
        assertEquals(
                List.of("problem.line_carries", "problem.line_carries"),
                refused.problems().stream().map(found -> found.reason().key()).toList());
    }
}
