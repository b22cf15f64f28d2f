package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** A display that a high selects, beside a radio that a low selects. */
class SelectedHighTest {
    private static final String CODE = "spi.select_floats";

    private static Builds both() {
        return Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("view", "display-graphic-128", "VCC=board.5V", "BLA=board.5V")
                .wire("radio.SCK", "board.D13")
                .wire("radio.CSN", "board.D8")
                .wire("view.E", "board.D13")
                .wire("view.RS", "board.D7");
    }

    @Test
    void itsResistorGoesToGround() throws Exception {
        Finding finding = RuleKit.fires(both(), CODE);
        assertEquals("fix.select_pulls", finding.fixes().get(0).title().key());
        RuleKit.everyWayOut(both(), CODE);
        Builds held = both().setting("view", "select_pull_up", "10 kΩ");
        assertTrue(
                held.circuit().part("view").orElseThrow().addedPullUps().isEmpty(), "nothing pulls it to its supply");
        assertTrue(held.circuit().part("view").orElseThrow().isSelectHeldLow());
    }

    @Test
    void withoutItTheTitleIsThatOfPullUps() {
        Builds radios = Builds.classic()
                .part("one", "packet-radio", "VCC=board.3V3")
                .part("two", "packet-radio", "VCC=board.3V3")
                .wire("one.SCK", "board.D13")
                .wire("one.CSN", "board.D8")
                .wire("two.SCK", "board.D13")
                .wire("two.CSN", "board.D7");
        assertEquals(
                "fix.select_pull_ups",
                RuleKit.fires(radios, CODE).fixes().get(0).title().key());
    }

    /** D12 of this board must be low while it starts, and D2 low to be programmed; D15 and D5 are as good as any. */
    @Test
    void aSelectThatMisleadsTheStartGoesElsewhere() throws Exception {
        Builds build = Builds.on("board-wireless-3v3")
                .part("one", "packet-radio", "VCC=board.3V3")
                .part("two", "packet-radio", "VCC=board.3V3")
                .part("three", "packet-radio", "VCC=board.3V3")
                .wire("one.SCK", "board.D18")
                .wire("one.CSN", "board.D12")
                .wire("two.SCK", "board.D18")
                .wire("two.CSN", "board.D2")
                .wire("three.SCK", "board.D18")
                .wire("three.CSN", "board.D15");
        Finding finding = RuleKit.fires(build, CODE);
        assertEquals("fix.select_pulls_moved", finding.fixes().get(0).title().key());
        Build held = finding.fixes().get(0).apply(build.build());
        RuleKit.everyWayOut(build, CODE);
        assertEquals(List.of(), Builds.of(Assessment.assess(held, Builds.CATALOG), "pins.boot_strap"));
        Set<String> at = new HashSet<>();
        held.nodes().get(0).wires().stream()
                .filter(wire -> wire.from().pin().equals("CSN"))
                .forEach(wire -> at.add(wire.to().pin()));
        assertEquals(3, at.size(), "each on a pin of its own");
        assertTrue(at.contains("D15"), "what may stay stays");
    }
}
