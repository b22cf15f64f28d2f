package inkel.core.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Sums, multiples and limits of amounts, and what belongs to one unit alone. */
class ArithmeticTest {
    @Test
    void sumsAndMultiples() {
        assertEquals(
                0.05,
                Current.ofMilliamperes(20).plus(Current.ofMilliamperes(30)).amperes(),
                1e-15);
        assertEquals(
                -0.01,
                Current.ofMilliamperes(20).minus(Current.ofMilliamperes(30)).amperes(),
                1e-15);
        assertEquals(0.06, Current.ofMilliamperes(20).times(3).amperes(), 1e-15);
        assertEquals(9400, Resistance.ofOhms(4700).times(2).ohms(), 1e-9);
        assertEquals(1536, DataSize.ofBytes(1024).plus(DataSize.ofBytes(512)).bytes(), 0);
        assertEquals(3072, DataSize.ofBytes(1024).times(3).si(), 0);
        assertEquals(5400, TimeSpan.ofHours(1.5).seconds(), 1e-9);
        assertEquals(0.25, Share.ofPercent(25).ratio(), 1e-15);
    }

    @Test
    void asMuchIsNotMore() {
        assertFalse(DataSize.ofBytes(2048).isAbove(DataSize.ofBytes(2048)));
        assertTrue(DataSize.ofBytes(2049).isAbove(DataSize.ofBytes(2048)));
        assertFalse(DataSize.ofBytes(2047).isAbove(DataSize.ofBytes(2048)));
        assertFalse(DataSize.ofBytes(500).toString().isEmpty());
    }

    @Test
    void whatIsExpectedOfARange() {
        Voltage low = Voltage.ofVolts(3);
        Voltage high = Voltage.ofVolts(3.6);
        Voltage usual = Voltage.ofVolts(3.3);
        assertEquals(usual, new Range<>(low, usual, high).expected());
        assertEquals(high, new Range<>(low, null, high).expected());
        assertEquals(low, new Range<>(low, null, null).expected());
        Range<Voltage> one = new Range<>(low, usual, high).usual();
        assertEquals(usual, one.lowest());
        assertEquals(usual, one.highest());
        assertEquals(Range.exactly(usual), one);
    }

    @ParameterizedTest
    @CsvSource({"12 cm, 0.12", "2.5cm, 0.025", "1 m, 1", "30 mm, 0.03"})
    void aLengthMayBeGivenInCentimetres(String text, double metres) {
        assertEquals(metres, Engineering.parse(text, Unit.METRE).orElseThrow(), 1e-12);
        assertEquals(
                Optional.of(Length.ofMetres(metres)),
                Engineering.parseQuantity(text, Unit.METRE).map(Length.class::cast));
    }

    @Test
    void centimetresAreOfLengthsAlone() {
        assertEquals(Optional.empty(), Engineering.parse("12 cm", Unit.VOLT));
        assertEquals(Optional.empty(), Engineering.parseQuantity("12 cm", Unit.VOLT));
    }

    @Test
    void nothingHasNoSign() {
        // What is rounded to nothing is shown without the minus that it came with.
        assertEquals("0.00 V", Engineering.volts(Voltage.ofVolts(-0.001)));
        assertEquals("−0.01 V", Engineering.volts(Voltage.ofVolts(-0.0051)));
        assertEquals("0 °C", Engineering.print(Temperature.ofCelsius(0)));
        assertEquals("−40 °C", Engineering.print(Temperature.ofCelsius(-40)));
        assertEquals("0.5 °C", Engineering.print(Temperature.ofCelsius(0.5)));
    }

    @ParameterizedTest
    @CsvSource({"V, true", "mA, true", "kΩ, true", "%, true", "ready, false", "D7, false", "k, false"})
    void whichWordsAreUnits(String word, boolean isSymbol) {
        assertEquals(isSymbol, Unit.isSymbol(word));
    }
}
