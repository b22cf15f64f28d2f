package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Buses behind a multiplexer: what hears what, and what its own bus has to carry. */
class MultiplexerTest {
    /** Two laser rangers that only answer to 0x29, on two ways of a multiplexer or one before it. */
    private static Builds rangers(String first, String second) {
        return Builds.dualCore()
                .part("mux", "i2c-multiplexer", "VIN=board.3V3")
                .part("one", "distance-laser", "VIN=board.3V3")
                .part("two", "distance-laser", "VIN=board.3V3")
                .wire("mux.SDA", "board.GP4")
                .wire("mux.SCL", "board.GP5")
                .wire("one.SDA", first)
                .wire("two.SDA", second);
    }

    @Test
    void partsOnTwoWaysDoNotHearEachOther() {
        assertEquals(List.of(), rangers("mux.SD0", "mux.SD1").findings("i2c.address_clash"));
    }

    @Test
    void partsOnOneWayDo() {
        assertEquals(
                1, rangers("mux.SD0", "mux.SD0").findings("i2c.address_clash").size());
    }

    @Test
    void aPartBehindHearsWhatGoesOnBefore() {
        assertEquals(
                1, rangers("mux.SD0", "board.GP4").findings("i2c.address_clash").size());
    }

    @Test
    void theBusBeforeCarriesThePollsOfThoseBehind() {
        PinReport report = PinReport.of(
                inkel.core.circuit.Circuit.of(rangers("mux.SD0", "mux.SD1").build(), Builds.CATALOG));
        I2cBus before = report.i2cBuses().stream()
                .filter(bus -> bus.line().part().equals("board"))
                .findFirst()
                .orElseThrow();
        // Each: 4 bytes and the address, nine clocks each, and two more: 47 clocks, thirty times a second at 100 kHz.
        assertEquals(2 * 47 * 30 / 100_000.0, before.use().ratio(), 1e-12);
    }

    @Test
    void thePlannerPutsRivalsOnDifferentWays() {
        Builds build = Builds.classic().part("mux", "i2c-multiplexer", "VIN=board.5V");
        for (int i = 0; i < 4; i++) {
            build.part("ranger-" + i, "distance-laser", "VIN=board.5V").setting("ranger-" + i, "bus", "hardware");
        }
        Plan plan = new Planner(build.build(), Builds.CATALOG).plan(Builds.NODE);
        assertTrue(plan.placed());
        List<String> lines = plan.wires().stream()
                .filter(wire -> wire.from().pin().equals("SDA"))
                .filter(wire -> wire.from().part().startsWith("ranger"))
                .map(wire -> wire.to().toString())
                .toList();
        assertEquals(4, lines.stream().distinct().count(), lines.toString());
        assertTrue(lines.stream().allMatch(line -> line.startsWith("mux.")), "the board's own bus is heard by all");
    }

    @Test
    void oneIsOfferedWhereAddressesRunOut() {
        Builds build = Builds.classic();
        for (int i = 0; i < 2; i++) {
            build.part("ranger-" + i, "distance-laser", "VIN=board.5V").setting("ranger-" + i, "bus", "hardware");
        }
        Plan plan = new Planner(build.build(), Builds.CATALOG).plan(Builds.NODE);
        assertTrue(plan.waysOut().stream().map(Fix::id).toList().contains("add-i2c-multiplexer"));
    }
}
