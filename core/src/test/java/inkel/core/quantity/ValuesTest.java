package inkel.core.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;

import inkel.core.formula.ESeries;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ValuesTest {
    @Test
    void onlyFiniteAmountsExist() {
        assertThrows(IllegalArgumentException.class, () -> Voltage.ofVolts(Double.NaN));
        assertThrows(IllegalArgumentException.class, () -> Current.ofAmperes(Double.POSITIVE_INFINITY));
    }

    @Test
    void ohmsLaw() {
        assertEquals(
                0.0005, Voltage.ofVolts(5).dividedBy(Resistance.ofOhms(10_000)).amperes(), 1e-15);
        // 1 kΩ and 2 kΩ in parallel: 2/3 kΩ
        assertEquals(
                666.667,
                Resistance.ofOhms(1000).parallelTo(Resistance.ofOhms(2000)).ohms(),
                0.001);
    }

    @Test
    void aRangeKeepsItsGapsAndRefusesToFall() {
        Range<Voltage> onlyTypical = new Range<>(null, Voltage.ofVolts(3.3), null);
        assertEquals(3.3, onlyTypical.lowest().volts());
        assertEquals(3.3, onlyTypical.highest().volts());
        Range<Voltage> ends = Range.between(Voltage.ofVolts(1.9), Voltage.ofVolts(3.6));
        assertEquals(1.9, ends.lowest().volts());
        assertEquals(3.6, ends.expected().volts());
        assertThrows(IllegalArgumentException.class, () -> Range.between(Voltage.ofVolts(3.6), Voltage.ofVolts(1.9)));
        assertThrows(IllegalArgumentException.class, () -> new Range<Voltage>(null, null, null));
    }

    @ParameterizedTest(name = "{0} at {1} V is {2} V")
    @CsvSource(
            textBlock =
                    """
            0.7 VCC,       3.3, 2.31
            0.3 VCC,       5,   1.5
            VCC + 0.3 V,   3.3, 3.6
            VCC - 300 mV,  5,   4.7
            2.0 V,         5,   2.0
            VCC,           3.3, 3.3
            0.5 vcc+0.1V,  4,   2.1
            """)
    void thresholdsHangOnTheSupply(String text, double supply, double expected) {
        assertEquals(
                expected,
                Threshold.parse(text).orElseThrow().at(Voltage.ofVolts(supply)).volts(),
                1e-12);
    }

    @ParameterizedTest
    @ValueSource(strings = {"VDD", "0.7 x 3", "VCC + ", "VCC + 3 A", "high"})
    void otherTextIsNoThreshold(String text) {
        assertFalse(Threshold.parse(text).isPresent());
    }

    // IEC 60063: E12 10 12 15 18 22 27 33 39 47 56 68 82, E24 has 13 after 12.
    @ParameterizedTest(name = "{1} or more in {0} is {2}")
    @CsvSource(
            textBlock =
                    """
            E12, 300,   330
            E12, 330,   330
            E12, 331,   390
            E12, 8300,  10000
            E12, 0.9,   1.0
            E24, 125,   130
            E6,  1600,  2200
            E12, 4.7,   4.7
            E12, 47e6,  47e6
            """)
    void nextPreferredValue(ESeries series, double value, double expected) {
        assertEquals(expected, series.atLeast(value), expected * 1e-12);
    }

    @Test
    void thereIsNoPreferredValueAtOrBelowZero() {
        assertThrows(IllegalArgumentException.class, () -> ESeries.E12.atLeast(0));
        assertThrows(IllegalArgumentException.class, () -> ESeries.E12.atLeast(-1));
    }
}
