package inkel.core.remedy;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.NodeCircuit;
import inkel.core.kit.Builds;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FeedCheckTest {
    private static final NodeCircuit NODE = Builds.classic()
            .part("radio", "packet-radio", "VCC=board.3V3")
            .part("reader", "tag-reader-spi")
            .part("reg", "regulator-linear-3v3", "IN=board.5V")
            .part("loose", "regulator-linear-3v3")
            .part("six", "wall-supply-6v")
            .part("servo", "servo-micro", "V+=six.+")
            .circuit();

    private static FeedCheck check(String part, String rail) {
        var placed = NODE.part(part).orElseThrow();
        return FeedCheck.of(
                NODE,
                placed,
                placed.cls().supplies().get(0),
                NODE.rail(end(rail)).orElseThrow());
    }

    // The reader wants up to 100 mA of the 50 mA rail; the servo bears 4.5 to 6 V and takes 750 mA.
    @ParameterizedTest(name = "{0} from {1}: {2}")
    @CsvSource({
        "radio,  board.3V3, ALREADY",
        "radio,  reg.OUT,   FITS",
        "radio,  board.5V,  TOO_HIGH",
        "radio,  loose.OUT, UNFED",
        "reader, board.3V3, NO_ROOM",
        "reader, reg.OUT,   FITS",
        "servo,  board.5V,  NO_ROOM",
        "servo,  board.3V3, TOO_LOW",
        "reg,    reg.OUT,   CIRCLE"
    })
    void everyAnswerHasItsReason(String part, String rail, FeedCheck expected) {
        assertEquals(expected, check(part, rail));
    }

    @Test
    void onlyWhatTheVoltageAllowsMayBeDone() {
        assertTrue(FeedCheck.FITS.isAllowed());
        assertTrue(FeedCheck.NO_ROOM.isAllowed(), "the finding then tells of the overload");
        assertFalse(FeedCheck.TOO_HIGH.isAllowed());
        assertFalse(FeedCheck.CIRCLE.isAllowed());
    }

    @Test
    void theWayUpEndsAtTheSourceOrWhereACircleCloses() {
        assertEquals(List.of(end("reg.OUT"), end("board.5V"), end("usb.5V")), NODE.upToSource(end("reg.OUT")));
        NodeCircuit circle = Builds.classic()
                .part("one", "regulator-linear-3v3", "IN=two.OUT")
                .part("two", "regulator-linear-3v3", "IN=one.OUT")
                .circuit();
        assertEquals(List.of(end("one.OUT"), end("two.OUT")), circle.upToSource(end("one.OUT")));
        assertTrue(circle.isMadeFrom(end("one.OUT"), "two"));
    }
}
