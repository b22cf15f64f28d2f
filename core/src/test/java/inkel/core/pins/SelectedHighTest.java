package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
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
}
