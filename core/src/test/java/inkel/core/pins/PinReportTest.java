package inkel.core.pins;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.kit.Builds;
import inkel.core.pins.PinReport.How;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PinReportTest {
    private static NodePins pins(Builds builds) {
        return PinReport.of(Circuit.of(builds.build(), Builds.CATALOG)).nodes().get(0);
    }

    private static How how(NodePins pins, String signal) {
        Wire wire = pins.node().node().wire(end(signal)).orElseThrow();
        return pins.how(wire);
    }

    @Test
    void aWireIsFixedPlacedOrHeld() {
        NodePins pins = pins(Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("radio.SCK", "board.D13")
                .wire("radio.CSN", "board.D10")
                .hold("radio.CE", "board.D9"));
        assertEquals(How.FIXED, how(pins, "radio.SCK"), "the board has one clock pin");
        assertEquals(How.PLACED, how(pins, "radio.CSN"));
        assertEquals(How.HELD, how(pins, "radio.CE"));
    }

    @Test
    void onABoardWithAChoiceTheClockIsPlaced() {
        NodePins pins = pins(
                Builds.dualCore().part("radio", "packet-radio", "VCC=board.3V3").wire("radio.SCK", "board.GP2"));
        assertEquals(How.PLACED, how(pins, "radio.SCK"));
    }

    @Test
    void freePinsAreFreeAndCostOthersLittle() {
        NodePins pins = pins(Builds.classic()
                .part("handset", "infrared-receiver", "VS=board.5V")
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("radio.CE", "board.D4"));
        List<Endpoint> free = pins.freeFor(end("handset.OUT"));
        assertFalse(free.contains(end("board.D4")), "taken");
        assertFalse(free.contains(end("board.D0")), "the console's");
        // D7 and D8 can do nothing but digital, so nobody else misses them.
        assertTrue(free.subList(0, 2).containsAll(List.of(end("board.D7"), end("board.D8"))), free.toString());
        assertTrue(free.indexOf(end("board.D7")) < free.indexOf(end("board.D9")), "timed pins are kept for pulses");
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"driver, '0x40, 0x70'", "display, 0x27", "radio, ''"})
    void partsAnswerToTheseAddresses(String part, String expected) {
        NodePins pins = PinReport.of(Circuit.of(Builds.locks(), Builds.CATALOG))
                .node("lower-lock")
                .orElseThrow();
        Placed placed = pins.node().part(part).orElseThrow();
        String addresses = String.join(
                ", ",
                placed.addresses().stream()
                        .map(inkel.core.quantity.Engineering::address)
                        .toList());
        assertEquals(expected, addresses);
    }

    @Test
    void theBusHasItsParts() {
        NodePins pins = PinReport.of(Circuit.of(Builds.locks(), Builds.CATALOG))
                .node("lower-lock")
                .orElseThrow();
        assertEquals(1, pins.i2cBuses().size());
        assertEquals(
                List.of("driver", "display"),
                pins.i2cBuses().get(end("board.A4")).stream().map(Placed::id).toList());
    }

    @Test
    void aPartFitsAtTheTopOfItsRangeButIsSaidToBeThere() {
        var build = Builds.locks()
                .withNode(
                        "lower-lock",
                        node -> node.withPart("sluice", servo -> servo.withFigure("supply/V+/max", "6 V")));
        var report = inkel.core.parts.SupplyReport.of(Circuit.of(build, Builds.CATALOG));
        // A servo of 6 V at the most gets 6 V; the driver works up to 6.5 V at V+.
        assertEquals(
                inkel.core.parts.SupplyReport.Fit.AT_LIMIT,
                report.of("lower-lock", "sluice").get(0).fit());
        assertTrue(report.of("lower-lock", "driver").stream()
                .allMatch(feed -> feed.fit() == inkel.core.parts.SupplyReport.Fit.FITS));
    }
}
