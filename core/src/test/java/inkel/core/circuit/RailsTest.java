package inkel.core.circuit;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.kit.Builds;
import org.junit.jupiter.api.Test;

class RailsTest {
    private static final double NANOAMPERE = 1e-9;

    @Test
    void voltagesComeDownFromTheSource() {
        NodeCircuit node = Builds.classic()
                .part("bench", "bench-supply")
                .setting("bench", "volts", "6 V")
                .part("driver", "servo-driver-16", "VCC=board.5V", "V+=bench.+")
                .circuit();
        assertEquals(5.25, volts(node, "board.5V", true), 1e-12, "the port's range goes straight through");
        assertEquals(4.75, volts(node, "board.5V", false), 1e-12);
        assertEquals(3.4, volts(node, "board.3V3", true), 1e-12, "a regulator has a range of its own");
        assertEquals(6.0, volts(node, "driver.V+OUT", true), 1e-12, "set by the builder, passed on by the driver");
    }

    private static double volts(NodeCircuit node, String rail, boolean isHigh) {
        var range = node.rail(end(rail)).orElseThrow().volts().orElseThrow();
        return (isHigh ? range.highest() : range.lowest()).volts();
    }

    @Test
    void currentsComeUpFromTheLoads() {
        // Tag reader: peak 100 mA; average 0.9·13 mA + 0.1·100 mA = 21.7 mA. Regulator on the board: 1 mA of its own.
        // Board itself: 60 mA. So the port gives 100 + 1 + 60 = 161 mA at the peak and 82.7 mA on average.
        NodeCircuit node = Builds.classic()
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .circuit();
        Rail small = node.rail(end("board.3V3")).orElseThrow();
        assertEquals(0.1, small.peak().amperes(), NANOAMPERE);
        assertEquals(0.0217, small.average().amperes(), NANOAMPERE);
        Rail port = node.rail(end("usb.5V")).orElseThrow();
        assertEquals(0.161, port.peak().amperes(), NANOAMPERE);
        assertEquals(0.0827, port.average().amperes(), NANOAMPERE);
        assertEquals(0.339, port.room().amperes(), NANOAMPERE);
    }

    @Test
    void railsThatFeedEachOtherHaveNoVoltage() {
        NodeCircuit node = Builds.classic()
                .part("a", "regulator-linear-3v3", "IN=b.OUT")
                .part("b", "regulator-linear-3v3", "IN=a.OUT")
                .circuit();
        assertTrue(node.rail(end("a.OUT")).orElseThrow().volts().isEmpty());
        assertTrue(node.rail(end("b.OUT")).orElseThrow().volts().isEmpty());
    }

    @Test
    void levelsHangOnTheRailThatFeedsThePart() {
        NodeCircuit node = Builds.classic()
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .part("loose", "packet-radio")
                .circuit();
        assertEquals(
                5.25, node.ioVolts(end("board.D13")).orElseThrow().highest().volts(), 1e-12);
        assertEquals(
                3.4, node.ioVolts(end("reader.MISO")).orElseThrow().highest().volts(), 1e-12);
        assertTrue(node.ioVolts(end("loose.MISO")).isEmpty());
    }
}
