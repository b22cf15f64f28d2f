package inkel.core.circuit;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.kit.Builds;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import org.junit.jupiter.api.Test;

/** Rails at the exact end of what their regulators can do. */
class RailLimitsTest {
    /** A 3.3 V regulator: 3.25 to 3.35 V, 1.1 V of dropout. */
    private static Figure<Voltage> made(String fed) {
        return linear(fed).rail(end("reg.OUT")).orElseThrow().figure().orElseThrow();
    }

    private static NodeCircuit linear(String fed) {
        return Builds.classic()
                .part("bench", "bench-supply")
                .setting("bench", "volts", fed)
                .part("reg", "regulator-linear-3v3", "IN=bench.+")
                .part("up", "regulator-up", "IN+=reg.OUT")
                .circuit();
    }

    @Test
    void exactlyItsDropoutAboveIsEnough() {
        Figure<Voltage> enough = made("4.35 V");
        assertEquals(3.25, enough.range().lowest().volts(), 1e-12);
        assertEquals(3.3, enough.range().expected().volts(), 1e-12);
        assertEquals(Source.CLASS, enough.source());
    }

    @Test
    void belowThatItGivesWhatComesInLessItsDropout() {
        Figure<Voltage> less = made("4 V");
        assertEquals(2.9, less.range().lowest().volts(), 1e-12);
        assertEquals(3.3, less.range().expected().volts(), 1e-12, "what it is made for, if it gives less at its worst");
        assertEquals(3.35, less.range().highest().volts(), 1e-12);
        assertEquals(Source.COMPUTED, less.source());
    }

    @Test
    void belowItsDropoutNothingComesOutAndNothingIsReckonedFromIt() {
        NodeCircuit node = linear("1 V");
        assertEquals(
                0,
                node.rail(end("reg.OUT"))
                        .orElseThrow()
                        .volts()
                        .orElseThrow()
                        .lowest()
                        .volts());
        // 1:1 without a voltage to reckon with: 1 mA of the switching regulator's own.
        assertEquals(0.001, node.rail(end("reg.OUT")).orElseThrow().peak().amperes(), 1e-12);
    }
}
