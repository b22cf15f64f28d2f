package inkel.core.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What all amounts have in common, and what each is called in other units. */
class QuantitiesTest {
    static Stream<Arguments> printed() {
        return Stream.of(
                Arguments.of(Voltage.ofMillivolts(3300), 3.3, "3.3 V"),
                Arguments.of(Current.ofMilliamperes(20), 0.02, "20 mA"),
                Arguments.of(Resistance.ofOhms(4700), 4700.0, "4.7 kΩ"),
                Arguments.of(Capacitance.ofFarads(1e-7), 1e-7, "100 nF"),
                Arguments.of(Frequency.ofHertz(16e6), 16e6, "16 MHz"),
                Arguments.of(TimeSpan.ofSeconds(0.0015), 0.0015, "1.5 ms"),
                Arguments.of(Power.ofWatts(1.5), 1.5, "1.5 W"),
                Arguments.of(Temperature.ofCelsius(85), 85.0, "85 °C"),
                Arguments.of(Length.ofMetres(0.3), 0.3, "300 mm"),
                Arguments.of(Charge.ofAmpereHours(2.2), 2.2, "2.2 Ah"),
                Arguments.of(Share.ofPercent(25), 0.25, "25 %"));
    }

    @ParameterizedTest
    @MethodSource("printed")
    void isHeldInItsBaseUnitAndPrintsShort(Quantity amount, double si, String text) {
        assertEquals(si, amount.si(), si * 1e-15);
        assertEquals(text, amount.toString());
        assertEquals(amount, Quantity.of(amount.unit(), amount.si()));
        assertEquals(amount.hashCode(), Quantity.of(amount.unit(), amount.si()).hashCode());
    }

    @ParameterizedTest
    @EnumSource(Unit.class)
    @SuppressWarnings("unchecked")
    void isOrderedByItsAmountAndAlwaysFinite(Unit unit) {
        Comparable<Quantity> small = (Comparable<Quantity>) Quantity.of(unit, 1);
        Quantity large = Quantity.of(unit, 2);
        assertTrue(small.compareTo(large) < 0);
        assertEquals(0, small.compareTo(Quantity.of(unit, 1)));
        assertTrue(((Comparable<Quantity>) large).compareTo((Quantity) small) > 0);
        assertEquals(2, Quantity.finite(2, unit));
        for (double wrong : new double[] {Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY}) {
            assertThrows(IllegalArgumentException.class, () -> Quantity.of(unit, wrong));
        }
    }

    @Test
    void theLargerAndTheSmallerOfTwo() {
        Resistance small = Resistance.ofOhms(100);
        Resistance large = Resistance.ofOhms(101);
        assertEquals(large, Quantity.larger(small, large));
        assertEquals(large, Quantity.larger(large, small));
        assertEquals(small, Quantity.smaller(small, large));
        assertEquals(small, Quantity.smaller(large, small));
    }

    @Test
    void roundingDoesNotExceed() {
        // 4.35 V less 1.1 V comes out just under 3.25 V.
        Voltage rounded = Voltage.ofVolts(4.35).minus(Voltage.ofVolts(1.1));
        assertNotEquals(Voltage.ofVolts(3.25), rounded);
        assertFalse(Quantity.exceeds(Voltage.ofVolts(3.25), rounded));
        assertFalse(Quantity.exceeds(rounded, Voltage.ofVolts(3.25)));
        assertTrue(Quantity.exceeds(Voltage.ofVolts(3.2501), rounded));
        assertTrue(Quantity.exceeds(Capacitance.ofFarads(1.001e-12), Capacitance.ofFarads(1e-12)));
        assertTrue(Quantity.exceeds(Voltage.ofVolts(-1), Voltage.ofVolts(-1.1)));
        assertFalse(Quantity.exceeds(Voltage.ofVolts(-1.1), Voltage.ofVolts(-1)));
        assertFalse(Quantity.exceeds(Current.ZERO, Current.ZERO));
    }

    @Test
    void exactlyTheRoundingMoreIsNotMore() {
        assertFalse(Share.of(0.5 + 1e-9).isAbove(Share.of(0.5)));
        assertTrue(Share.of(0.5 + 2e-9).isAbove(Share.of(0.5)));
        assertFalse(Voltage.ofVolts(0.5 + 1e-9).isAbove(Voltage.ofVolts(0.5)));
        assertFalse(Current.ofAmperes(0.5 + 1e-9).isAbove(Current.ofAmperes(0.5)));
    }

    @Test
    void differentAmountsAreNotTheSame() {
        assertNotEquals(Current.ofAmperes(1), Current.ofAmperes(2));
        assertNotEquals(Current.ofAmperes(1).hashCode(), Current.ofAmperes(2).hashCode());
    }

    @ParameterizedTest
    @CsvSource({
        "0.7 VCC,         0.7 VCC",
        "VCC,             VCC",
        "VCC - 0.3 V,     VCC - 300 mV",
        "VCC + 0.5 V,     VCC + 500 mV",
        "0.3 VCC + 0.1 V, 0.3 VCC + 100 mV",
        "2.0 V,           2 V",
        "-0.5 V,          -500 mV",
        "0 V,             0 V"
    })
    void thresholdsPrintAsTheyAreRead(String typed, String printed) {
        Threshold threshold = Threshold.parse(typed).orElseThrow();
        assertEquals(printed, threshold.toString());
        assertEquals(Optional.of(threshold), Threshold.parse(printed));
    }

    @Test
    void aThresholdAtASupply() {
        // 0.3 · 5 V + 0.1 V
        assertEquals(
                1.6,
                Threshold.parse("0.3 VCC + 0.1 V")
                        .orElseThrow()
                        .at(Voltage.ofVolts(5))
                        .volts(),
                1e-12);
        assertEquals(
                4.7,
                Threshold.parse("VCC - 0.3 V")
                        .orElseThrow()
                        .at(Voltage.ofVolts(5))
                        .volts(),
                1e-12);
    }

    @ParameterizedTest
    @ValueSource(strings = {"VDD", "0.7 VCC - 0.3 A", "high", ""})
    void whatIsNoThreshold(String text) {
        assertEquals(Optional.empty(), Threshold.parse(text));
    }

    @Test
    void aRangeKeepsWhatIsNotKnownUnknown() {
        Range<Voltage> most = new Range<>(null, null, Voltage.ofVolts(5));
        Range<Voltage> doubled = most.map(volts -> volts.times(2));
        assertEquals(10, doubled.highest().volts(), 1e-12);
        assertEquals(new Range<>(null, null, Voltage.ofVolts(10)), doubled);
        assertEquals(Source.CLASS, Figure.ofClass(most).source());
        assertEquals(most, Figure.ofClass(most).range());
        assertThrows(IllegalArgumentException.class, () -> new Range<>(Voltage.ofVolts(2), null, Voltage.ofVolts(1)));
    }

    @Test
    void hotterThanIsMoreThanAsHotAs() {
        Temperature limit = Temperature.ofCelsius(125);
        assertTrue(Temperature.ofCelsius(125.1).isAbove(limit));
        assertTrue(!limit.isAbove(limit));
        assertTrue(!Temperature.ofCelsius(-40).isAbove(limit));
    }
}
