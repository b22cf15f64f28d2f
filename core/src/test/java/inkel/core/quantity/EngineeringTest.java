package inkel.core.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class EngineeringTest {
    // The letter in place of the point is the marking code of IEC 60062; the rest is SI notation.
    @ParameterizedTest(name = "{0} in {1} is {2}")
    @CsvSource(
            textBlock =
                    """
            4k7,      OHM,    4700
            2u2,      FARAD,  0.0000022
            100n,     FARAD,  0.0000001
            3V3,      VOLT,   3.3
            0.1 µF,   FARAD,  0.0000001
            20 mA,    AMPERE, 0.02
            20mA,     AMPERE, 0.02
            4R7,      OHM,    4.7
            1M,       OHM,    1000000
            115200,   HERTZ,  115200
            16e6,     HERTZ,  16000000
            16MHz,    HERTZ,  16000000
            0x40,     ONE,    64
            -0.3 V,   VOLT,   -0.3
            577 us,   SECOND, 0.000577
            10 %,     ONE,    0.1
            4.7 kΩ,   OHM,    4700
            """)
    void reads(String text, Unit unit, double expected) {
        assertEquals(expected, Engineering.parse(text, unit).orElseThrow(), Math.abs(expected) * 1e-15);
    }

    @ParameterizedTest(name = "{0} is no {1}")
    @CsvSource(
            textBlock =
                    """
            3V6x,   VOLT
            5 A,    VOLT
            3V3,    AMPERE
            '',     VOLT
            ten,    OHM
            1e999,  OHM
            4k7k,   OHM
            10 k V, OHM
            """)
    void refuses(String text, Unit unit) {
        assertEquals(Optional.empty(), Engineering.parse(text, unit));
    }

    @ParameterizedTest(name = "{0} {1} prints as {2}")
    @CsvSource(
            textBlock =
                    """
            4700,      OHM,    4.7 kΩ
            0.000001,  FARAD,  1 µF
            0.001,     FARAD,  1000 µF
            0.0135,    AMPERE, 13.5 mA
            0.000026,  AMPERE, 26 µA
            3.3,       VOLT,   3.3 V
            -0.3,      VOLT,   −300 mV
            0,         VOLT,   0 V
            0.9996,    AMPERE, 1 A
            999.6,     OHM,    1 kΩ
            50,        HERTZ,  50 Hz
            """)
    void prints(double value, Unit unit, String expected) {
        assertEquals(expected, Engineering.print(Quantity.of(unit, value)));
    }

    @Test
    void whatIsPrintedCanBeReadAgain() {
        for (double ohms : new double[] {0.47, 4.7, 47, 470, 4700, 47000, 470000, 4.7e6}) {
            String printed = Engineering.print(Resistance.ofOhms(ohms));
            assertEquals(ohms, Engineering.parse(printed, Unit.OHM).orElseThrow(), ohms * 1e-12, printed);
        }
    }

    @Test
    void marginsAlwaysHaveTwoDigits() {
        assertEquals("0.10 V", Engineering.volts(Voltage.ofVolts(0.1)));
        assertEquals("−0.45 V", Engineering.volts(Voltage.ofVolts(-0.45)));
        assertEquals("0.00 V", Engineering.volts(Voltage.ofVolts(-0.001)));
    }

    @Test
    void aKeyCarriesItsUnitOnce() {
        assertEquals("drop_v", Unit.VOLT.key("drop"));
        assertEquals("r_ohm", Unit.OHM.key("r_ohm"));
        assertTrue(Unit.ONE.key("share").equals("share"));
    }

    @ParameterizedTest(name = "{0} {1} is kept as {2}")
    @CsvSource({
        "3.30456,       VOLT,    3.30456 V",
        "-0.03,         VOLT,    -30 mV",
        "1234.56,       OHM,     1.23456 kΩ",
        "0,             SECOND,  0 s",
        "0.001,         FARAD,   1000 µF",
        "1e71,          OHM,     1E+62 GΩ",
        "-17.5,         CELSIUS, -17.5 °C",
        "0.05,          ONE,     0.05"
    })
    void keepsAllDigits(double value, Unit unit, String expected) {
        assertEquals(expected, Engineering.exact(Quantity.of(unit, value)));
    }

    @Test
    void whatIsKeptReadsBackAsTheVerySameAmount() {
        Random random = new Random(7);
        for (int i = 0; i < 2_000; i++) {
            double value = Double.longBitsToDouble(random.nextLong());
            double amount = i % 2 == 0 ? random.nextGaussian() * Math.pow(10, random.nextInt(30) - 15) : value;
            if (!Double.isFinite(amount)) {
                continue;
            }
            for (Unit unit : Unit.values()) {
                String kept = Engineering.exact(Quantity.of(unit, amount));
                assertEquals(
                        Quantity.of(unit, amount).si(),
                        Engineering.parse(kept, unit).orElseThrow(() -> new AssertionError(kept)),
                        kept);
            }
        }
    }

    @Test
    void theMinusThatIsPrintedReadsBack() {
        assertEquals("−30 mV", Engineering.print(Voltage.ofMillivolts(-30)));
        assertEquals(-0.03, Engineering.parse("−30 mV", Unit.VOLT).orElseThrow());
        assertEquals(-0.03, Engineering.parse("-30 mV", Unit.VOLT).orElseThrow());
    }

    @ParameterizedTest
    @ValueSource(strings = {"1e1000", "1e999999999", "1e-999999999", "9e308 k"})
    void aNumberTooLargeIsNoNumberAndTakesNoTime(String text) {
        assertEquals(Optional.empty(), Engineering.parse(text, Unit.VOLT));
    }

    @Test
    void theLongestTextsThatAreStillNumbers() {
        String digits = "1" + "0".repeat(59);
        assertEquals(1e59, Engineering.parse(digits + "    ", Unit.OHM).orElseThrow(), 1e47);
        assertEquals(Optional.of(1.0), Engineering.parse("0".repeat(63) + "1", Unit.OHM));
        assertEquals(Optional.empty(), Engineering.parse("0".repeat(64) + "1", Unit.OHM));
        assertEquals(Optional.of((double) 0xFFFFFFFFFFFFFFFL), Engineering.parse("0xFFFFFFFFFFFFFFF", Unit.ONE));
        assertEquals(Optional.empty(), Engineering.parse("0xFFFFFFFFFFFFFFFF", Unit.ONE));
        assertEquals(Optional.empty(), Engineering.parse(null, Unit.ONE));
    }

    @Test
    void sharesTemperaturesVoltsAndAddressesPrintInTheirOwnWays() {
        assertEquals("12 %", Engineering.print(Share.of(0.123)));
        assertEquals("0 %", Engineering.print(Share.of(0)));
        assertEquals("23.5 °C", Engineering.print(Temperature.ofCelsius(23.46)));
        assertEquals("−17 °C", Engineering.print(Temperature.ofCelsius(-17)));
        assertEquals("3.10 V", Engineering.volts(Voltage.ofVolts(3.1)));
        assertEquals("0.00 V", Engineering.volts(Voltage.ofVolts(-0.001)));
        assertEquals("−0.05 V", Engineering.volts(Voltage.ofVolts(-0.05)));
        assertEquals("0x0F", Engineering.address(0x0F));
        assertEquals("0x10", Engineering.address(0x10));
        assertEquals("0x27", Engineering.address(0x27));
    }

    @Test
    void fifteenPowersOfTenAreWrittenOutAndSixteenAreNot() {
        assertEquals("1000000 GΩ", Engineering.exact(Resistance.ofOhms(1e15)));
        assertEquals("1E+7 GΩ", Engineering.exact(Resistance.ofOhms(1e16)));
    }

    @Test
    void bitsHaveTwoDigitsAtLeast() {
        assertEquals("0x00", Engineering.hexadecimal(0));
        assertEquals("0x08", Engineering.hexadecimal(8));
        assertEquals("0x7F", Engineering.address(127));
        assertEquals("0xFF06", Engineering.hexadecimal(65_286));
    }
}
