package inkel.core.circuit;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.kit.Builds;
import org.junit.jupiter.api.Test;

class RegulatorTest {
    /** I_in = V_out·I_out/(η·V_in), by hand at the worst case: the highest output and the lowest input. */
    @Test
    void aSwitchingRegulatorTakesInPowerNotCurrent() {
        Builds bare = Builds.dualCore();
        Builds loaded = Builds.dualCore().part("reader", "tag-reader-spi", "3.3V=board.3V3");
        double more = loaded.circuit().rail(end("usb.5V")).orElseThrow().peak().amperes()
                - bare.circuit().rail(end("usb.5V")).orElseThrow().peak().amperes();
        // 3.4 V × 100 mA / (0.85 × 4.75 V) = 84.2 mA, less than the 100 mA that go out.
        assertEquals(3.4 * 0.100 / (0.85 * 4.75), more, 1e-9);
    }

    @Test
    void aLinearRegulatorTakesInWhatItGivesOut() {
        Builds bare = Builds.classic();
        Builds loaded = Builds.classic().part("radio", "packet-radio", "VCC=board.3V3");
        double more = loaded.circuit().rail(end("usb.5V")).orElseThrow().peak().amperes()
                - bare.circuit().rail(end("usb.5V")).orElseThrow().peak().amperes();
        assertEquals(0.014, more, 1e-9);
    }

    @Test
    void aSwitchingRegulatorThatIsNotFedGivesNothing() {
        Builds build = Builds.classic().part("up", "regulator-up");
        assertTrue(build.circuit().rails().stream()
                .filter(rail -> rail.id().part().equals("up"))
                .allMatch(rail -> rail.volts().isEmpty()));
    }
}
