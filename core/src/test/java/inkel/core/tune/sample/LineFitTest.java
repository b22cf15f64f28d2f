package inkel.core.tune.sample;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;

class LineFitTest {
    private static Sample at(double known, Double... values) {
        return new Sample("x", known, List.of(values));
    }

    @Test
    void aLineThroughPointsOnOneIsThatLine() {
        LineFit fit =
                LineFit.of(List.of(at(0, 5.0), at(2, 9.0), at(10, 25.0)), 0.1).orElseThrow();
        assertEquals(2, fit.slope().value(), 1e-12);
        assertEquals(5, fit.start().value(), 1e-12);
        assertEquals(0, fit.worst(), 1e-12);
        assertEquals(7, fit.known(19), 1e-12);
    }

    @Test
    void moreValuesWeighMore() {
        // Three values at 0 and one at 0, all at once: the mean of all is (3·0 + 4)/4 = 1; the other end holds its own.
        LineFit fit = LineFit.of(List.of(at(0, 0.0, 0.0, 0.0), at(0, 4.0), at(1, 2.0)), 0.1)
                .orElseThrow();
        assertEquals(1, fit.start().value(), 1e-12);
        assertEquals(1, fit.slope().value(), 1e-12);
        assertEquals(3, fit.worst(), 1e-12);
    }

    @Test
    void theIntervalIsStudents() {
        // Six values, ±1 around each of three means: s² = 6/3 = 2 has three freedoms, too few; rounding to 1 leaves
        // 1/12.
        LineFit few = LineFit.of(List.of(at(-1, -1.0, 1.0), at(0, -1.0, 1.0), at(1, -1.0, 1.0)), 1)
                .orElseThrow();
        assertEquals(2.1701 * Math.sqrt(1.0 / 12 / 4), few.slope().off(), 1e-3);
        // Twelve values: nine freedoms, s² = 12/9; t(9) for 97 % is 2.5738; Σ(x − mean)² is 8.
        LineFit many = LineFit.of(
                        List.of(at(-1, -1.0, 1.0, -1.0, 1.0), at(0, -1.0, 1.0, -1.0, 1.0), at(1, -1.0, 1.0, -1.0, 1.0)),
                        1)
                .orElseThrow();
        assertEquals(2.5738 * Math.sqrt(12.0 / 9 / 8), many.slope().off(), 2e-3);
    }

    @Test
    void onePlaceIsNoLine() {
        assertTrue(LineFit.of(List.of(at(3, 1.0, 2.0)), 1).isEmpty());
    }
}
