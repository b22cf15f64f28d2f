package inkel.core.pins;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.edit.Edit;
import inkel.core.kit.Builds;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a hand may do with a knot. */
class ReachTest {
    private static Builds table() {
        return Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .part("level", "water-level", "+=board.5V")
                .part("handset", "infrared-receiver", "VS=board.5V")
                .wire("radio.MOSI", "board.D11")
                .hold("radio.CE", "board.D9")
                .wire("radio.CSN", "board.D8")
                .wire("level.S", "board.A0")
                .wire("handset.OUT", "board.D7")
                .setting("board", "forbidden", "D2, D3");
    }

    private static NodePins pins(Builds build) {
        return PinReport.of(Circuit.of(build.build(), Builds.CATALOG)).nodes().get(0);
    }

    @ParameterizedTest(name = "{0} on {1}: {2}")
    @CsvSource(
            textBlock =
                    """
            handset.OUT, D7,  HERE,  ''
            handset.OUT, D6,  FREE,  ''
            handset.OUT, D2,  NO,    why_not.forbidden
            handset.OUT, D8,  SWAP,  why_not.taken
            handset.OUT, A0,  TAKEN, why_not.taken
            handset.OUT, D1,  NO,    why_not.console
            level.S,     D7,  NO,    why_not.needs_adc
            level.S,     A1,  FREE,  ''
            reader.MOSI, D11, JOIN,  ''
            reader.MOSI, D12, NO,    why_not.needs_spi
            reader.SDA,  D8,  TAKEN, why_not.taken
            """)
    void aDropIsJudgedBeforeItIsMade(String signal, String pin, Reach.Kind kind, String why) {
        Reach reach = Reach.of(pins(table()), end(signal), new Endpoint("board", pin));
        assertEquals(kind, reach.kind());
        assertEquals(why, reach.why().map(fact -> fact.key()).orElse(""));
    }

    @Test
    void everyPinIsJudgedOnce() {
        Map<Endpoint, Reach> all = Reach.of(pins(table()), end("handset.OUT"));
        assertEquals(20, all.size(), "the classic board's pins");
        assertTrue(all.values().stream().anyMatch(reach -> reach.kind().isOpen()));
    }

    @Test
    void aSwapChangesBothAndKeepsHolds() throws Exception {
        Build before = table().build();
        NodePins pins = pins(table());
        Reach swap = Reach.of(pins, end("radio.CSN"), end("board.D9"));
        Node after = Edit.applyAll(before, swap.edits(pins, end("radio.CSN")))
                .nodes()
                .get(0);
        assertEquals(end("board.D9"), after.wire(end("radio.CSN")).orElseThrow().to());
        assertEquals(end("board.D8"), after.wire(end("radio.CE")).orElseThrow().to());
        assertTrue(after.wire(end("radio.CE")).orElseThrow().held());
    }

    @Test
    void whatIsNotOpenChangesNothing() {
        NodePins pins = pins(table());
        assertTrue(Reach.of(pins, end("level.S"), end("board.D7"))
                .edits(pins, end("level.S"))
                .isEmpty());
    }

    @Test
    void aPartNearOneEndStaysThere() {
        // The right row begins with AREF and GND: D13 is its third place, D0 its last.
        Builds near = table().setting("handset", "end", "marked");
        assertEquals(
                Reach.Kind.FREE,
                Reach.of(pins(near), end("handset.OUT"), end("board.D10")).kind());
        assertEquals(
                "why_not.other_end",
                Reach.of(pins(near), end("handset.OUT"), end("board.D4"))
                        .why()
                        .orElseThrow()
                        .key());
    }
}
