package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** On the tolerant board A11 and A12 are the port's, C14 and C15 the crystal's, A15, B3 and B4 the debugger's. */
class BoardTakesTest {
    private static final String CODE = "pins.board_takes";

    private static Builds button(String pin) {
        return Builds.powered(Builds.CATALOG.get("board-tolerant-3v3"))
                .part("button", "button")
                .wire("button.A", "board." + pin);
    }

    @ParameterizedTest
    @CsvSource({"A11, usb", "A12, usb", "C14, crystal", "C15, crystal", "A15, debug", "B3, debug", "B4, debug"})
    void thePinIsTheBoardsOwn(String pin, String taker) throws Exception {
        assertEquals(
                CODE + "." + taker, RuleKit.fires(button(pin), CODE).sentence().key());
        RuleKit.everyWayOut(button(pin), CODE);
    }

    @Test
    void othersAreFree() {
        RuleKit.quiet(button("A8"), CODE);
        RuleKit.quiet(button("C13"), CODE);
    }
}
