package inkel.core.io.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Wire;
import inkel.core.io.json.UnreadableFile;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whoever plugs a shifter writes two wires for each of its ways. */
class ThroughWaysTest {
    private static final Path FILE = Path.of("x");

    private static String text(String wires, String between) {
        StringBuilder list = new StringBuilder();
        for (String wire : wires.split(", ")) {
            String[] ends = wire.split(" ");
            list.append(list.isEmpty() ? "" : ", ")
                    .append("{\"from\": \"%s\", \"to\": \"%s\"".formatted(ends[0], ends[1]))
                    .append(ends.length > 2 ? ", \"held\": true, \"reason\": \"so\"}" : "}");
        }
        return """
        {"format": 2, "name": "By hand", "nodes": [{"id": "bench", "name": "Bench",
         "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
         "parts": [{"id": "usb", "class": "usb-port", "name": "Port"},
          {"id": "sh", "class": "shifter-4", "name": "Shifter"},
          {"id": "buf", "class": "buffer-8", "name": "Buffer"},
          {"id": "exp", "class": "port-expander", "name": "Expander"},
          {"id": "knob", "class": "knob", "name": "Knob"},
          {"id": "tags", "class": "tag-reader-spi", "name": "Tags"},
          {"id": "radio", "class": "packet-radio", "name": "Radio"}],
         "wires": [%s], "between": [%s]}]}
        """
                .formatted(list, between);
    }

    private static Node read(String wires) throws Exception {
        return BuildReader.read(FILE, text(wires, ""), CATALOG).nodes().get(0);
    }

    private static Between way(String signal, String shifter, int way, String faces) {
        return new Between.ShifterWay(end(signal), shifter, way, Optional.of(faces), Extras.NONE);
    }

    @ParameterizedTest
    @CsvSource({
        "'tags.SCK sh.LV1, sh.HV1 board.D13'",
        "'board.D13 sh.HV1, sh.LV1 tags.SCK'",
        "'sh.HV1 board.D13, tags.SCK sh.lv1'",
    })
    void twoWiresThatMeetInAWayAreOne(String wires) throws Exception {
        Node node = read(wires);
        assertEquals(List.of(Wire.placed(end("tags.SCK"), end("board.D13"))), node.wires());
        assertEquals(List.of(way("tags.SCK", "sh", 1, "LV1")), node.between());
    }

    @Test
    void whichSideItWasWiredToIsKept() throws Exception {
        assertEquals(
                List.of(way("tags.SCK", "sh", 2, "HV2"), way("tags.MOSI", "buf", 8, "Y8")),
                read("tags.SCK sh.HV2, sh.LV2 board.D13, tags.MOSI buf.Y8, buf.A8 board.D11")
                        .between());
    }

    /** What hangs beside the board on its side of the way is wired straight, and what shares the other side goes the same way. */
    @Test
    void wiresThatMeetOnOneSideShareIt() throws Exception {
        Node node = read("tags.SCK sh.LV1, radio.SCK sh.LV1, sh.HV1 board.D13 held");
        assertEquals(
                List.of(
                        Wire.held(end("tags.SCK"), end("board.D13"), "so"),
                        Wire.held(end("radio.SCK"), end("board.D13"), "so")),
                node.wires());
        assertEquals(List.of(way("tags.SCK", "sh", 1, "LV1"), way("radio.SCK", "sh", 1, "LV1")), node.between());

        assertEquals(node, read("sh.LV1 tags.SCK, sh.LV1 radio.SCK, sh.HV1 board.D13 held"));

        Node beside = read("tags.SCK sh.LV1, radio.SCK sh.HV1, sh.HV1 board.D13");
        assertEquals(
                List.of(
                        Wire.placed(end("radio.SCK"), end("board.D13")),
                        Wire.placed(end("tags.SCK"), end("board.D13"))),
                beside.wires());
        assertEquals(List.of(way("tags.SCK", "sh", 1, "LV1")), beside.between());
    }

    /** What was said of either of the two wires is said of the one. */
    @Test
    void whatIsHeldAndWhyIsKeptWhicheverOfThemSaysIt() throws Exception {
        assertEquals(
                List.of(Wire.held(end("tags.SCK"), end("board.D13"), "so")),
                read("tags.SCK sh.LV1 held, sh.HV1 board.D13").wires());
    }

    @Test
    void anExpanderServesThroughAWayToo() throws Exception {
        Node node = read("tags.RST sh.LV3, sh.HV3 exp.P0");
        assertEquals(List.of(Wire.placed(end("tags.RST"), end("exp.P0"))), node.wires());
        assertEquals(List.of(way("tags.RST", "sh", 3, "LV3")), node.between());
    }

    /** Half a way, two pins that serve, a signal that has its wire already, one way through two shifters. */
    @ParameterizedTest
    @CsvSource({
        "'tags.SCK sh.LV1'",
        "'sh.HV1 board.D13'",
        "'tags.SCK sh.LV1, sh.HV2 board.D13'",
        "'tags.SCK sh.LV1, radio.SCK sh.HV1'",
        "'tags.SCK sh.LV1, sh.HV1 buf.Y1, buf.A1 board.D13'",
        "'sh.LV1 tags.GND, sh.HV1 board.D13'",
    })
    void whatIsNoWholeWayStays(String wires) throws Exception {
        Node node = read(wires);
        assertEquals(List.of(), node.between());
        assertEquals(wires.split(", ").length, node.wires().size());
    }

    @Test
    void aWireWithSomethingInItStays() throws Exception {
        String series = "{\"signal\": \"tags.SCK\", \"kind\": \"series\", \"series\": \"1 kΩ\"}";
        Build build = BuildReader.read(FILE, text("tags.SCK sh.LV1, sh.HV1 board.D13", series), CATALOG);
        assertEquals(2, build.nodes().get(0).wires().size());
        assertEquals(1, build.nodes().get(0).between().size());
    }

    @Test
    void whatIsSavedOpensEqual() throws Exception {
        Build build = BuildReader.read(FILE, text("tags.SCK sh.HV1, sh.LV1 board.D13", ""), CATALOG);
        assertEquals(build, BuildReader.parse(FILE, BuildWriter.print(build), CATALOG));
        // As it is saved it is read letter by letter.
        Build plugged = BuildReader.parse(FILE, text("tags.SCK sh.HV1, sh.LV1 board.D13", ""), CATALOG);
        assertEquals(plugged, BuildReader.read(FILE, BuildWriter.print(plugged), CATALOG));
    }

    private static Build linked(String wires, String link) throws Exception {
        String text = text(wires, "").strip();
        String two =
                """
                , {"id": "far", "name": "Far", "board": {"class": "board-wireless-3v3", "name": "Far board"}, "parts": []}],
                 "links": [%s]}
                """;
        return BuildReader.read(FILE, text.substring(0, text.length() - 2) + two.formatted(link), CATALOG);
    }

    /** A wire to another board that begins at a shifter, and one from its other side to the board. */
    @ParameterizedTest
    @CsvSource({
        "sh.HV2 board.D8, bench/sh.LV2, far/board.D16, bench/board.D8, far/board.D16, HV2",
        "board.D8 sh.HV2, far/board.D17, bench/sh.lv2, far/board.D17, bench/board.D8, LV2",
    })
    void aLinkGoesThroughAWay(String wire, String from, String to, String begins, String ends, String faces)
            throws Exception {
        Build build = linked(wire, "{\"from\": \"%s\", \"to\": \"%s\", \"ground\": true}".formatted(from, to));
        NodeWire link = build.links().get(0);
        assertEquals(begins, link.from().toString());
        assertEquals(ends, link.to().toString());
        Between.ShifterWay way = (Between.ShifterWay) link.between().orElseThrow();
        assertEquals(
                "bench/sh 2 " + faces,
                way.shifter() + " " + way.way() + " " + way.faces().orElseThrow());
        assertEquals(List.of(), build.nodes().get(0).wires());
        assertEquals(build, BuildReader.parse(FILE, BuildWriter.print(build), CATALOG));
    }

    /** Without a wire on the other side, or with two, or to no way, it has no board to begin at. */
    @ParameterizedTest
    @CsvSource({
        "sh.HV1 board.D8, bench/sh.LV2",
        "'sh.HV2 board.D8, tags.SCK sh.HV2', bench/sh.LV2",
        "'sh.HV2 board.D8, sh.LV2 tags.SCK', bench/sh.LV2",
        "sh.HV2 exp.P0, bench/sh.LV2",
        "sh.HV2 board.D8, bench/sh.LV",
        "sh.HV2 board.D8, bench/knob.OUT",
    })
    void aLinkThatMeetsNothingIsRefused(String wires, String from) {
        String link = "{\"from\": \"%s\", \"to\": \"far/board.D16\"}".formatted(from);
        UnreadableFile refused = assertThrows(UnreadableFile.class, () -> linked(wires, link));
        assertEquals("/links/0/from", refused.problems().get(0).field());
        boolean isWay = from.endsWith("sh.LV2");
        assertEquals(
                isWay ? "problem.half_a_way" : "problem.not_of_board",
                refused.problems().get(0).reason().key());
    }
}
