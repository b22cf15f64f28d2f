package inkel.core.io.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Who looks at the board writes its pins first, and two modules on one bus begin at the same pin. */
class FarEndsTest {
    private static final Path FILE = Path.of("x");

    private static Build read(String... wires) throws Exception {
        return on("board-classic-3v3", wires);
    }

    private static Build on(String board, String... wires) throws Exception {
        StringBuilder list = new StringBuilder();
        for (String wire : wires) {
            String[] ends = wire.split(" ");
            list.append(list.isEmpty() ? "" : ", ")
                    .append("{\"from\": \"%s\", \"to\": \"%s\"".formatted(ends[0], ends[1]))
                    .append(ends.length > 2 ? ", \"held\": true, \"reason\": \"so\"}" : "}");
        }
        String text =
                """
                {"format": 2, "name": "By hand", "nodes": [{"id": "bench", "name": "Bench",
                 "board": {"class": "%s", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "Port"},
                  {"id": "tags", "class": "tag-reader-spi", "name": "Tags"},
                  {"id": "radio", "class": "packet-radio", "name": "Radio"}],
                 "wires": [%s]}]}
                """
                        .formatted(board, list);
        return BuildReader.read(FILE, text, CATALOG);
    }

    @Test
    void wiresAreReadFromEitherEnd() throws Exception {
        Build build = read("board.D13 tags.SCK", "board.D13 radio.SCK", "radio.CE board.D8", "board.d9 radio.CSN held");
        assertEquals(
                List.of(
                        Wire.placed(end("tags.SCK"), end("board.D13")),
                        Wire.placed(end("radio.SCK"), end("board.D13")),
                        Wire.placed(end("radio.CE"), end("board.D8")),
                        Wire.held(end("radio.CSN"), end("board.D9"), "so")),
                build.nodes().get(0).wires());
        assertEquals(build, BuildReader.parse(FILE, BuildWriter.print(build), CATALOG));
    }

    /** A pin that asks begins its wire, on a board as well; one that only offers does not. */
    @Test
    void whatTheBoardAsksForBeginsThere() throws Exception {
        assertEquals(
                List.of(Wire.placed(end("board.CSN"), end("tags.IRQ")), Wire.placed(end("tags.SCK"), end("board.GND"))),
                on("packet-radio", "board.CSN tags.IRQ", "board.GND tags.SCK")
                        .nodes()
                        .get(0)
                        .wires());
    }

    /** What such wires feed from one rail is one thing to say. */
    @Test
    void suppliesFromOneRailOfTheBoard() throws Exception {
        Build build = read("board.3V3 tags.3.3V", "board.3V3 radio.VCC");
        List<Finding> gone = Builds.of(Assessment.assess(build, CATALOG), "parts.pin_gone");
        assertEquals(1, gone.size(), () -> "" + gone);
        assertEquals("parts.pin_gone.wire_feeds", gone.get(0).sentence().key());
    }

    @Test
    void aPinThatIsWiredTwiceIsToldWhereItStands() {
        UnreadableFile refused =
                assertThrows(UnreadableFile.class, () -> read("board.D13 tags.SCK", "board.D12 tags.SCK"));
        assertEquals("problem.wired_twice", refused.problems().get(0).reason().key());
        assertEquals("/nodes/0/wires/1/from", refused.problems().get(0).field());
    }

    /** What was saved opens equal, as it was. */
    @Test
    void whatIsAsItIsSavedIsReadExactly() throws Exception {
        Build build = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("board.D10", "radio.CSN")
                .build();
        String text = BuildWriter.print(build);
        assertEquals(build, BuildReader.read(FILE, text, CATALOG));
        Build byHand = BuildReader.read(FILE, text.replace("  ", " "), CATALOG);
        assertEquals(
                List.of(Wire.placed(end("radio.CSN"), end("board.D10"))),
                byHand.nodes().get(0).wires());
    }
}
