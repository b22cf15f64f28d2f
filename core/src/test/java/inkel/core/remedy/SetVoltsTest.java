package inkel.core.remedy;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.Part;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A bench supply is turned from 0.5 V to 30 V, the screw of the regulator from 1.3 V to 20 V. */
class SetVoltsTest {
    private static final String LOW = "parts.supply_too_low";
    private static final String HIGH = "parts.supply_too_high";

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    private static Part after(Builds build, String code, String part) throws Exception {
        Finding finding = RuleKit.fires(build, code);
        assertEquals("set-volts", finding.fixes().get(0).id(), "before anything that is bought");
        RuleKit.everyWayOut(build, code);
        Build turned = finding.fixes().get(0).apply(build.build());
        return turned.nodes().get(0).part(part).orElseThrow();
    }

    /** The socket of the board works from 7 V, usually at 9 V; 5 V at the supply are too little. */
    @Test
    void aBenchSupplyIsTurnedUpForTheSocketOfABoard() throws Exception {
        Builds build =
                Builds.classic().boardUnfed().part("bench", "bench-supply").boardAlso("VIN", "bench.+");
        assertEquals("9 V", after(build, LOW, "bench").settings().get("volts"));
    }

    /** A servo of 4.5 V to 6.4 V, usually 5 V, at 9 V. */
    @Test
    void aSupplyIsTurnedDown() throws Exception {
        Builds build = Builds.classic()
                .part("bench", "bench-supply")
                .setting("bench", "volts", "9 V")
                .part("servo", "servo-micro", "V+=bench.+");
        assertEquals("5 V", after(build, HIGH, "bench").settings().get("volts"));
    }

    /** Of a regulator it is the figure of its rail. */
    @Test
    void aScrewIsTurned() throws Exception {
        Builds build = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("down", "regulator-down", "IN+=wall.+")
                .figure("down", "rail/OUT+/volts", "9 V")
                .part("servo", "servo-micro", "V+=down.OUT+");
        assertEquals("5 V", after(build, HIGH, "down").figures().get("rail/OUT+/volts"));
    }

    /** What else hangs on it may not get too much: a servo bears 6.4 V, the socket of the board wants 7 V. */
    @Test
    void notWhereSomethingElseWouldGetTooMuch() {
        Builds build = Builds.classic()
                .boardUnfed()
                .part("bench", "bench-supply")
                .boardAlso("VIN", "bench.+")
                .part("servo", "servo-micro", "V+=bench.+");
        Finding low = RuleKit.fires(build, LOW);
        assertTrue(!ids(low).contains("set-volts"), ids(low).toString());
    }

    /** A reader wants 3.3 V, of which a servo would get too little. */
    @Test
    void notWhereSomethingElseWouldGetTooLittle() throws Exception {
        Builds build = Builds.classic()
                .part("bench", "bench-supply")
                .part("reader", "tag-reader-spi", "3.3V=bench.+")
                .part("servo", "servo-micro", "V+=bench.+");
        Finding high = RuleKit.fires(build, HIGH);
        assertTrue(!ids(high).contains("set-volts"), ids(high).toString());
        Builds alone = Builds.classic().part("bench", "bench-supply").part("reader", "tag-reader-spi", "3.3V=bench.+");
        assertEquals("3.3 V", after(alone, HIGH, "bench").settings().get("volts"));
    }

    /** A wall supply has no knob. */
    @Test
    void whatIsNotTurnedIsLeft() {
        Builds build =
                Builds.classic().boardUnfed().part("wall", "wall-supply-5v").boardAlso("VIN", "wall.+");
        Finding low = RuleKit.fires(build, LOW);
        assertTrue(!ids(low).contains("set-volts"), ids(low).toString());
    }
}
