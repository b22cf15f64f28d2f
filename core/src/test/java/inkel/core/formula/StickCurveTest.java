package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import org.junit.jupiter.api.Test;

class StickCurveTest {
    @Test
    void byHand() {
        // Half of the way beyond a dead fifth: (0.6 − 0.2) / 0.8 = 0.5; half bent: 0.5·0.5 + 0.5·0.125.
        assertEquals(0.5, new StickCurve(0.2, 0).at(0.6), 1e-12);
        assertEquals(0.3125, new StickCurve(0.2, 0.5).at(0.6), 1e-12);
        assertEquals(-0.3125, new StickCurve(0.2, 0.5).at(-0.6), 1e-12);
        assertEquals(0, new StickCurve(0.2, 0.5).at(0.2), 1e-12);
        assertEquals(1, new StickCurve(0.2, 1).at(7), 1e-12);
        assertEquals(0, new StickCurve(0, 0).at(0), 1e-12);
    }

    @Test
    void aDeadBandUpToTheEndIsNone() {
        assertThrows(IllegalArgumentException.class, () -> new StickCurve(1, 0));
        assertThrows(IllegalArgumentException.class, () -> new StickCurve(0, 1.1));
    }
}
