package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import org.junit.jupiter.api.Test;

/** 16 MHz / (8·17) = 117647, 2.12 % above 115200; 8 MHz / (8·9) = 111111, 3.55 % below it. */
class BaudLimitsTest {
    private static final String CODE = "uart.baud_error";

    private static Builds on(String board, String baud, String tx, String rx) {
        return Builds.powered(Builds.CATALOG.get(board))
                .part("blue", "bridge-bluetooth", "VCC=board.5V")
                .setting("blue", "baud", baud)
                .wire("blue.TXD", "board." + tx)
                .wire("blue.RXD", "board." + rx);
    }

    @Test
    void aLittleMoreThanTwoInAHundredIsToBeLookedAt() {
        Finding finding = RuleKit.fires(on("board-classic-5v", "115200", "D0", "D1"), CODE);
        assertEquals(Severity.LOOK, finding.severity());
    }

    @Test
    void moreThanThreeInAHundredIsNotUnderstood() throws Exception {
        Builds build = on("board-classic-3v3", "115200", "D0", "D1");
        assertEquals(Severity.STOP, RuleKit.fires(build, CODE).severity());
        RuleKit.everyWayOut(build, CODE);
    }

    @Test
    void aPortOfPlainPinsDividesNothing() {
        RuleKit.quiet(on("board-classic-3v3", "57600", "D4", "D5"), CODE);
        RuleKit.fires(on("board-classic-3v3", "57600", "D0", "D1"), CODE);
    }
}
