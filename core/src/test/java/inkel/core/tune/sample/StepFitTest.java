package inkel.core.tune.sample;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.Estimate;
import java.util.List;
import org.junit.jupiter.api.Test;

class StepFitTest {
    private static Sample at(double known, double read) {
        return new Sample("x", known, List.of(read));
    }

    @Test
    void twoReadingsLeaveAStepEitherWay() {
        Estimate slope = StepFit.slope(List.of(at(0, 3), at(10, 23)), 1).orElseThrow();
        assertEquals(2, slope.value(), 1e-12);
        assertEquals(0.1, slope.off(), 1e-12);
    }

    @Test
    void aReadingInBetweenNarrowsIt() {
        // From 0 to 10: 1.9 to 2.1. From 0 to 5: (9.4 ± 1)/5 is 1.68 to 2.08. From 5 to 10: (10.6 ± 1)/5 is 1.92 to
        // 2.32.
        Estimate slope =
                StepFit.slope(List.of(at(0, 0), at(5, 9.4), at(10, 20)), 1).orElseThrow();
        assertEquals(2.0, slope.value(), 1e-12);
        assertEquals(0.08, slope.off(), 1e-12);
    }

    @Test
    void readingsThatNoLineGoesThroughAreNone() {
        assertTrue(StepFit.slope(List.of(at(0, 0), at(5, 30), at(10, 20)), 1).isEmpty());
        assertTrue(StepFit.slope(List.of(at(4, 0), at(4, 1)), 1).isEmpty());
    }
}
