package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.formula.DividerSearch.Pair;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
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

    /** Against trying every pair of E12, and of E24 where E12 has none, with plain loops. */
    @ParameterizedTest(name = "{0} to {1} V under {2}, over {3}, source at most {4} Ω")
    @CsvSource({
        "4.45, 5.25, 3.5,  2.5,  10000",
        "4.45, 5.25, 3.6,  2.3,  946",
        "4.7,  5.0,  3.3,  3.0,  10000",
        "4.45, 5.25, 1.9,  1.3,  2200",
        "4.9,  5.0,  3.31, 3.21, 10000"
    })
    void theSparingPairTakesTheLeastCurrent(double min, double max, double ceiling, double floor, double most) {
        Pair found = DividerSearch.sparing(
                        volts(min), volts(max), volts(ceiling), volts(floor), Resistance.ofOhms(most))
                .orElseThrow();
        double best = largestSum(ESeries.E12, min, max, ceiling, floor, most);
        if (best == 0) {
            best = largestSum(ESeries.E24, min, max, ceiling, floor, most);
        }
        assertEquals(best, found.series().ohms() + found.toGround().ohms(), 1e-6);
        double share = found.toGround().ohms() / best;
        assertTrue(max * share <= ceiling + 1e-9 && min * share >= floor - 1e-9, "lands at " + max * share);
        assertTrue(found.series().ohms() * share <= most + 1e-9, "R1 in parallel with R2 is R1 times the share");
    }

    private static double largestSum(
            ESeries series, double min, double max, double ceiling, double floor, double sourceMost) {
        double best = 0;
        double[] values = java.util.stream.IntStream.of(2, 3, 4)
                .mapToObj(series::ofDecade)
                .flatMapToDouble(row -> row)
                .toArray();
        for (double one : values) {
            for (double two : values) {
                double share = two / (one + two);
                boolean lands = max * share <= ceiling && min * share >= floor;
                if (lands && one * share <= sourceMost) {
                    best = Math.max(best, one + two);
                }
            }
        }
        return best;
    }

    private static Voltage volts(double value) {
        return Voltage.ofVolts(value);
    }

    /** 3.15 V of 5.25 V and 1.8 V of 3 V are one share, 0.6: 12 kΩ and 18 kΩ, where 22 kΩ and 33 kΩ would be too slow. */
    @Test
    void aWindowOfOneShareIsMet() {
        Pair found = DividerSearch.sparing(volts(3), volts(5.25), volts(3.15), volts(1.8), Resistance.ofOhms(10_000))
                .orElseThrow();
        assertEquals(12_000, found.series().ohms(), 1e-6);
        assertEquals(18_000, found.toGround().ohms(), 1e-6);
    }

    @Test
    void aWindowThatNoPairMeetsFindsNone() {
        Resistance most = Resistance.ofOhms(10_000);
        assertFalse(DividerSearch.sparing(volts(3), volts(5), volts(3.3), volts(2.5), most)
                .isPresent());
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
