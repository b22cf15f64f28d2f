package inkel.core.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.levels.DividerSearch.Pair;
import inkel.core.quantity.ESeries;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DividerSearchTest {
    /** Against trying every pair with plain loops. */
    @ParameterizedTest(name = "{0}: {1} to {2} V under {3}, over {4}, near {5} Ω")
    @CsvSource({
        "E12, 4.45, 5.25, 3.5, 2.5, 1000",
        "E6,  4.45, 5.25, 3.6, 2.3, 1000",
        "E24, 4.45, 5.25, 3.1, 2.3, 2200",
        "E96, 4.70, 5.00, 2.9, 2.7, 1500",
        "E12, 3.20, 3.40, 3.0, 2.2, 500"
    })
    void thePairIsTheBestOfAll(ESeries series, double min, double max, double ceiling, double floor, double near) {
        Pair found = DividerSearch.find(
                        Voltage.ofVolts(min),
                        Voltage.ofVolts(max),
                        Voltage.ofVolts(ceiling),
                        Voltage.ofVolts(floor),
                        series,
                        Resistance.ofOhms(near))
                .orElseThrow();
        assertTrue(found.high(Voltage.ofVolts(max)).volts() <= ceiling + 1e-9);
        assertTrue(found.high(Voltage.ofVolts(min)).volts() >= floor - 1e-9);
        double best = Double.MAX_VALUE;
        double[] values = java.util.stream.IntStream.of(2, 3, 4)
                .mapToObj(series::ofDecade)
                .flatMapToDouble(row -> row)
                .toArray();
        for (double one : values) {
            for (double two : values) {
                double share = two / (one + two);
                if (max * share <= ceiling + 1e-9 && min * share >= floor - 1e-9) {
                    best = Math.min(best, Math.abs(Math.log(one * two / (one + two) / near)));
                }
            }
        }
        assertEquals(best, Math.abs(Math.log(found.source().ohms() / near)), 1e-3);
    }

    @Test
    void aWindowThatNoPairMeetsFindsNone() {
        Optional<Pair> none =
                DividerSearch.find(Voltage.ofVolts(3), Voltage.ofVolts(5), Voltage.ofVolts(3.3), Voltage.ofVolts(2.5));
        assertFalse(none.isPresent());
    }

    /** IEC 60063: E96 begins 100, 102, 105, 107, 110 and ends 931, 953, 976. */
    @Test
    void theFineSeriesIsTheStandards() {
        double[] row = ESeries.E96.ofDecade(2).toArray();
        assertEquals(96, row.length);
        assertEquals(102, row[1], 1e-9);
        assertEquals(105, row[2], 1e-9);
        assertEquals(107, row[3], 1e-9);
        assertEquals(931, row[93], 1e-9);
        assertEquals(976, row[95], 1e-9);
        assertEquals(4990, ESeries.E96.atLeast(4950), 1e-9);
        assertEquals(4870, ESeries.E96.atMost(4950), 1e-9);
    }
}
