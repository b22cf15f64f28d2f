package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LevelCheckTest {
    // Worked by hand: high = voh − vih, low = vil − vol, head = limit − top. Thin is under 5 % of the supply.
    @ParameterizedTest(name = "{0}: {10}")
    @CsvSource(
            textBlock =
                    """
            # case,                    voh,  top,  vol, vih,  vil,  limit, supply, high,  low,  verdict
            5 V CMOS to 5 V CMOS,      4.2,  5.0,  0.4, 3.0,  1.5,  5.5,   5.0,    1.2,   1.1,  FINE
            3.3 V to TTL input,        2.9,  3.3,  0.4, 2.0,  0.8,  5.5,   5.0,    0.9,   0.4,  FINE
            3.3 V to 5 V CMOS,         2.9,  3.3,  0.4, 3.0,  1.5,  5.5,   5.0,    -0.1,  1.1,  NOT_READ
            5 V to 3.3 V,              4.2,  5.0,  0.4, 2.31, 0.99, 3.6,   3.3,    1.89,  0.59, HARMS
            5 V to 5 V tolerant,       4.2,  5.0,  0.4, 2.31, 0.99, 5.5,   3.3,    1.89,  0.59, FINE
            2.8 V to 3.3 V,            2.5,  2.8,  0.4, 2.31, 0.99, 3.6,   3.3,    0.19,  0.59, FINE
            little high to spare,      3.1,  3.3,  0.2, 3.0,  1.5,  5.5,   5.0,    0.1,   1.3,  THIN
            exactly 5 % to spare,      3.25, 3.3,  0.2, 3.0,  1.5,  5.5,   5.0,    0.25,  1.3,  FINE
            exactly no margin,         3.0,  3.3,  0.2, 3.0,  1.5,  5.5,   5.0,    0.0,   1.3,  THIN
            exactly at the limit,      3.0,  3.6,  0.2, 2.31, 0.99, 3.6,   3.3,    0.69,  0.79, FINE
            low not read,              4.2,  5.0,  1.6, 3.0,  1.5,  5.5,   5.0,    1.2,   -0.1, NOT_READ
            """)
    void verdicts(
            String name,
            double voh,
            double top,
            double vol,
            double vih,
            double vil,
            double limit,
            double supply,
            double high,
            double low,
            Verdict verdict) {
        LevelCheck check = check(voh, top, vol, vih, vil, limit, Optional.empty(), supply);
        assertEquals(high, check.highMargin().volts(), 1e-9);
        assertEquals(low, check.lowMargin().volts(), 1e-9);
        assertEquals(limit - top, check.headroom().volts(), 1e-9);
        assertEquals(verdict, check.verdict());
    }

    @Test
    void aboveTheRecommendedButInsideTheAbsoluteIsThin() {
        assertEquals(
                Verdict.THIN,
                check(4.2, 5.3, 0.4, 2.31, 0.99, 5.5, Optional.of(Voltage.ofVolts(5.25)), 3.3)
                        .verdict());
        assertEquals(
                Verdict.FINE,
                check(4.2, 5.25, 0.4, 2.31, 0.99, 5.5, Optional.of(Voltage.ofVolts(5.25)), 3.3)
                        .verdict());
    }

    private static LevelCheck check(
            double voh,
            double top,
            double vol,
            double vih,
            double vil,
            double limit,
            Optional<Voltage> recommended,
            double supply) {
        return new LevelCheck(
                Voltage.ofVolts(voh),
                Voltage.ofVolts(top),
                Voltage.ofVolts(vol),
                Voltage.ofVolts(vih),
                Voltage.ofVolts(vil),
                Voltage.ofVolts(limit),
                recommended,
                Voltage.ofVolts(supply));
    }

    @Test
    void noDividerSpansAWideSupply() {
        // From 3 V to 6 V in, no fixed share keeps both above 2.5 V and below 3.3 V: 3·s ≥ 2.5 wants s ≥ 0.83, 6·s ≤
        // 3.3
        // wants s ≤ 0.55.
        assertEquals(
                Optional.empty(),
                DividerSearch.sparing(
                        Voltage.ofVolts(3),
                        Voltage.ofVolts(6),
                        Voltage.ofVolts(3.3),
                        Voltage.ofVolts(2.5),
                        Resistance.ofOhms(10_000)));
    }
}
