package inkel.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Endpoint;
import inkel.core.kit.Builds;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PullUpTest {
    private static final NodeCircuit NODE = Builds.classic().circuit();

    private static PullUp pull(double lowest, double expected, double highest, double ohms) {
        return new PullUp(
                NODE,
                new Endpoint("part", "SDA"),
                new Range<>(Voltage.ofVolts(lowest), Voltage.ofVolts(expected), Voltage.ofVolts(highest)),
                Resistance.ofOhms(ohms),
                Optional.empty());
    }

    @Test
    void oneMakesWhatItHangsOn() {
        Range<Voltage> made =
                PullUp.together(List.of(pull(4.75, 5, 5.25, 4700))).orElseThrow();
        assertEquals(4.75, made.lowest().volts(), 1e-12);
        assertEquals(5.0, made.expected().volts(), 1e-12);
        assertEquals(5.25, made.highest().volts(), 1e-12);
    }

    @Test
    void twoEqualOnesMakeTheMiddle() {
        Range<Voltage> made = PullUp.together(List.of(pull(5, 5, 5, 4700), pull(3.3, 3.3, 3.3, 4700)))
                .orElseThrow();
        assertEquals(4.15, made.expected().volts(), 1e-12);
    }

    /** 10 kΩ to 5 V and 4.7 kΩ to 3.3 V: (0.5 + 0.7021) mA through 3197 Ω. */
    @Test
    void theStrongerOneWeighsMore() {
        Range<Voltage> made = PullUp.together(List.of(pull(4.75, 5, 5.25, 10_000), pull(3.3, 3.3, 3.3, 4700)))
                .orElseThrow();
        assertEquals(3.8435, made.expected().volts(), 1e-4);
        assertEquals(3.9235, made.highest().volts(), 1e-4);
    }

    @Test
    void noneMakesNothing() {
        assertEquals(Optional.empty(), PullUp.together(List.of()));
    }
}
