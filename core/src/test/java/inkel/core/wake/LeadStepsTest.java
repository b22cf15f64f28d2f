package inkel.core.wake;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import inkel.core.kit.TwoBoards;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A table that another one feeds waits for the wires of that one. */
class LeadStepsTest {
    private static final List<String> BROUGHT = List.of(
            "one: board.GND@1 > row ground", "one: row ground > away two/lead.-", "one: board.5V@1 > away two/lead.+");

    private static Build fed() throws Exception {
        Builds two = Builds.on("board-small-5v")
                .boardUnfed()
                .part("lead", "rail-lead")
                .setting("lead", "rail", "one/board.5V")
                .boardAlso("5V", "lead.+")
                .part("air", "climate-i2c", "VIN=board.5V");
        return TwoBoards.joined(Builds.powered(CATALOG.get(TwoBoards.CLASSIC)), two);
    }

    private static List<String> elsewhere(Build build, String node, String check) {
        return WakePlan.of(Circuit.of(build, CATALOG), Meter.USUAL)
                .node(node)
                .orElseThrow()
                .check(check)
                .orElseThrow()
                .elsewhere()
                .stream()
                .map(wire -> wire.node() + ": " + wire.id())
                .toList();
    }

    @Test
    void voltsBehindALeadWaitForWhatBringsThem() throws Exception {
        assertEquals(BROUGHT, elsewhere(fed(), "two", "volts lead.+"));
        assertEquals(BROUGHT, elsewhere(fed(), "two", "volts air.VIN"));
        assertEquals(BROUGHT, elsewhere(fed(), "two", "amperes board.5V"));
    }

    @Test
    void ohmsAndTheTableThatGivesWaitForNone() throws Exception {
        assertEquals(List.of(), elsewhere(fed(), "two", "ohms lead.+"));
        assertEquals(List.of(), elsewhere(fed(), "two", "ohms grounds"));
        assertEquals(List.of(), elsewhere(fed(), "one", "volts board.5V"));
    }

    @Test
    void whatALeadDoesNotFeedWaitsForNone() throws Exception {
        Build build = TwoBoards.joined(
                Builds.powered(CATALOG.get(TwoBoards.CLASSIC)),
                Builds.classic()
                        .part("lead", "rail-lead")
                        .setting("lead", "rail", "one/board.3V3")
                        .part("air", "pressure", "VCC=lead.+")
                        .part("lamp", "climate-i2c", "VIN=board.5V"));
        assertEquals(List.of(), elsewhere(build, "two", "volts lamp.VIN"));
        assertEquals(3, elsewhere(build, "two", "volts air.VCC").size());
    }
}
