package inkel.core.io.document;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    /** The supply pins of a bare chip ask as those of a part do: several may hang on one rail. */
    @Test
    void theSuppliesOfAChipBeginAtTheChip() throws Exception {
        assertEquals(
                List.of(
                        Wire.placed(end("board.VCC"), end("usb.5V")),
                        Wire.placed(end("board.AVCC"), end("usb.5V")),
                        Wire.placed(end("tags.SCK"), end("board.PB5"))),
                on("chip-28pin", "board.VCC usb.5V", "board.AVCC usb.5V", "board.PB5 tags.SCK")
                        .nodes()
                        .get(0)
                        .wires());
    }

    /** Out of a knob, a bridge, a channel, an expander: what serves another part is written first by whoever follows the signal. */
    @ParameterizedTest
    @CsvSource({
        "knob.OUT lcd.V0, lcd.VO knob.OUT",
        "drv.OUT1 m.M+, m.M+ drv.AO1",
        "rc.CH1 sv.S, sv.SIG rc.CH1",
        "exp.P0 relay.IN, relay.IN exp.P0",
        "mux.SD3 air.SDA, air.SDA mux.SD3",
        "amp.E+ cell.red, cell.E+ amp.E+",
        "adc.A0 knob.OUT, knob.OUT adc.A0",
        // As they are to be, or nothing that is known.
        "knob.OUT adc.A0, knob.OUT adc.A0",
        "lcd.VO knob.OUT, lcd.VO knob.OUT",
        "knob.OUT board.A0, knob.OUT board.A0",
        "exp.P0 exp.INT, exp.P0 exp.INT"
    })
    void whatServesMayBeWrittenFirst(String written, String read) throws Exception {
        String[] ends = read.split(" ");
        assertEquals(
                Wire.placed(end(ends[0]), end(ends[1])), among(written).wires().get(0));
    }

    /** What stands in it goes with it; a second wire to a pin stays as it was written, and is told. */
    @Test
    void whatStandsInAWireIsTurnedWithIt() throws Exception {
        assertEquals(
                List.of(new Between.Series(end("relay.IN"), Resistance.ofOhms(1000), Extras.NONE)),
                among("exp.P0 relay.IN", "exp.P0").between());
        assertEquals(
                List.of(Wire.placed(end("relay.IN"), end("board.D4")), Wire.placed(end("exp.P0"), end("relay.IN"))),
                among("relay.IN board.D4,exp.P0 relay.IN").wires());
        assertEquals(
                List.of(end("exp.P0")),
                among("exp.P0 relay.IN,exp.P0 sv.SIG", "exp.P0").between().stream()
                        .map(Between::signal)
                        .toList());
    }

    private static Node among(String wires) throws Exception {
        return among(wires, "");
    }

    private static Node among(String wires, String inLine) throws Exception {
        String parts = Stream.of(
                        "lcd display-2x16-parallel",
                        "knob knob",
                        "drv motor-driver",
                        "m motor-leads",
                        "rc rc-receiver",
                        "sv servo-micro",
                        "exp port-expander",
                        "relay relay-one",
                        "mux i2c-multiplexer",
                        "air climate-i2c",
                        "amp load-cell",
                        "cell load-bridge",
                        "adc adc-16")
                .map(part -> part.split(" "))
                .map(part ->
                        "{\"id\": \"%s\", \"class\": \"%s\", \"name\": \"%s\"}".formatted(part[0], part[1], part[0]))
                .collect(Collectors.joining(", "));
        String list = Stream.of(wires.split(","))
                .map(wire -> wire.split(" "))
                .map(ends -> "{\"from\": \"%s\", \"to\": \"%s\"}".formatted(ends[0], ends[1]))
                .collect(Collectors.joining(", "));
        String between = inLine.isEmpty()
                ? ""
                : "{\"signal\": \"%s\", \"kind\": \"series\", \"series\": \"1 kΩ\"}".formatted(inLine);
        String text =
                """
                {"format": 2, "name": "By hand", "nodes": [{"id": "bench", "name": "Bench",
                 "board": {"class": "board-classic-5v", "name": "Board"},
                 "parts": [%s], "wires": [%s], "between": [%s]}]}
                """
                        .formatted(parts, list, between);
        return BuildReader.read(FILE, text, CATALOG).nodes().get(0);
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
