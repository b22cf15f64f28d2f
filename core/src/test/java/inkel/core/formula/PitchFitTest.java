package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PitchFitTest {
    private static PitchFit fit(int legs, double pitch, int pads, double adapter, double pad) {
        return PitchFit.of(legs, pitch * 1e-3, pads, adapter * 1e-3, pad * 1e-3);
    }

    // By hand: (10 − 1)/2 · 0.015 = 0.0675; (8 − 1)/2 · 0.07 = 0.245; (28 − 1)/2 · 0.015 = 0.2025.
    @ParameterizedTest
    @CsvSource({
        "10, 0.65, 14, 0.635, 0.3, 0.0675, true",
        "8,  1.2,   8, 1.27,  0.6, 0.245,  false",
        "28, 0.65, 28, 0.635, 0.3, 0.2025, false",
        "1,  0.5,   4, 1.27,  0.6, 0,      true",
        "5,  0.65,  5, 0.65,  0.3, 0,      true"
    })
    void theOuterLegSaysWhetherItFits(
            int legs, double pitch, int pads, double adapter, double pad, double worst, boolean fits) {
        PitchFit found = fit(legs, pitch, pads, adapter, pad);
        assertEquals(worst, found.worstMetres() * 1e3, 1e-9);
        assertEquals(fits, found.fits());
    }

    @Test
    void aThirdOfThePadIsTheLimit() {
        // Three legs: the outer one is off by the difference itself.
        assertTrue(fit(3, 1.0, 3, 1.0999, 0.3).fits());
        assertFalse(fit(3, 1.0, 3, 1.1001, 0.3).fits());
    }

    @Test
    void tooFewPadsNeverFit() {
        assertFalse(fit(9, 0.65, 8, 0.65, 0.3).fits());
    }

    @Test
    void halfAPitchOffIsBetweenThePads() {
        // (6 − 1)/2 · 0.15 = 0.375, near half of 0.65; (6 − 1)/2 · 0.03 = 0.075 is still on its pad.
        assertTrue(fit(6, 0.5, 6, 0.65, 0.3).betweenPads());
        assertFalse(fit(6, 0.62, 6, 0.65, 0.3).betweenPads());
    }
}
