package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Plain signals on the pins through which a board is programmed: only when the builder says so. */
class ConsoleTest {
    /** The classic board has eighteen plain pins beside the two of its console. */
    private static Builds buttons(int count) {
        Builds builds = Builds.classic();
        for (int i = 0; i < count; i++) {
            builds.part("press-" + i, "button");
        }
        return builds;
    }

    private static Set<Endpoint> pins(Plan plan) {
        return plan.wires().stream().map(wire -> wire.to()).collect(Collectors.toSet());
    }

    @Test
    void eighteenFindTheirPinsWithoutTheConsole() {
        Plan plan = new Planner(buttons(18).build(), CATALOG).plan(NODE);
        assertTrue(plan.placed());
        assertFalse(pins(plan).contains(end("board.D0")) || pins(plan).contains(end("board.D1")));
    }

    @Test
    void oneMoreIsRefusedAndTheConsoleIsAWayOut() throws Exception {
        Build build = buttons(19).build();
        Plan plan = new Planner(build, CATALOG).plan(NODE);
        assertFalse(plan.placed());
        Fix console = plan.waysOut().stream()
                .filter(fix -> fix.id().equals("console-board"))
                .findFirst()
                .orElseThrow();
        Plan again = new Planner(console.apply(build), CATALOG).plan(NODE);
        assertTrue(again.placed());
        assertEquals(
                1,
                pins(again).stream()
                        .filter(pin -> List.of("D0", "D1").contains(pin.pin()))
                        .count(),
                "no more of it than must be");
        RuleKit.fires(again.edit().orElseThrow().apply(console.apply(build)), "uart.console_shared");
    }

    @Test
    void aHandMayPutASignalThereOnceTheBuilderSaysSo() {
        assertEquals(
                Reach.Kind.NO,
                Reach.of(pins(buttons(1)), end("press-0.A"), end("board.D0")).kind());
        assertEquals(
                Reach.Kind.FREE,
                Reach.of(pins(buttons(1).setting("board", "console", "used")), end("press-0.A"), end("board.D0"))
                        .kind());
    }

    private static NodePins pins(Builds builds) {
        return builds.assess().pins(NODE).orElseThrow();
    }

    /** A receiver of positions at the only port of a computer. */
    private static Builds positions() {
        return Builds.powered(CATALOG.get("computer-40pin"))
                .part("place", "positioning-receiver", "VCC=board.3V3")
                .wire("place.TX", "board.GPIO15");
    }

    @Test
    void theLoginOfAComputerIsSwitchedOffForGood() throws Exception {
        Finding finding = RuleKit.firesAt(positions(), "uart.console_shared", "place.TX");
        assertEquals("uart.console_shared.login", finding.sentence().key());
        assertEquals("fix.console_off", finding.fixes().get(0).title().key());
        RuleKit.waysOut(positions(), "uart.console_shared", "console-off");
        Builds off = positions().setting("board", "console", "off");
        RuleKit.quiet(off, "uart.console_shared");
        // Then it is a port like any other: a plan takes it and warns of nothing.
        Build unwired = Builds.powered(CATALOG.get("computer-40pin"))
                .part("place", "positioning-receiver", "VCC=board.3V3")
                .setting("board", "console", "off")
                .build();
        Plan plan = new Planner(unwired, CATALOG).plan(NODE);
        assertEquals(Set.of(end("board.GPIO15")), pins(plan));
    }

    @Test
    void aBoardThatIsProgrammedOverItsPortCannotSwitchItOff() {
        Finding finding = RuleKit.firesAt(
                Builds.classic()
                        .part("place", "positioning-receiver", "VCC=board.5V")
                        .wire("place.TX", "board.D0"),
                "uart.console_shared",
                "place.TX");
        assertEquals("uart.console_shared", finding.sentence().key());
        assertTrue(Settings.CONSOLE.read(CATALOG.get("board-classic-5v"), "off").isEmpty());
        assertEquals(Optional.of(Settings.Console.OFF), Settings.CONSOLE.read(CATALOG.get("computer-40pin"), "off"));
    }
}
