package inkel.app.ui.kit;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Hard spaces, written here as an underscore, between numbers and units. */
class UnbrokenTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "lifts the bus to 4.15 V, a little | lifts the bus to 4.15_V, a little",
                "up to 57600 baud | up to 57600_baud",
                "2.1 % off at 40 °C | 2.1_% off at 40_°C",
                "1 kΩ and 4.7 µF at 100 kHz | 1_kΩ and 4.7_µF at 100_kHz",
                "solder 11 pins before | solder 11 pins before",
                "at 3 A | at 3_A",
                "5 Above it | 5 Above it",
                "board D8 V | board D8_V",
                "nothing at all | nothing at all",
                "10 mA, 20 mAh | 10_mA, 20_mAh",
                "12 mm wide | 12_mm wide"
            })
    void aNumberAndItsUnitStayTogether(String text, String kept) {
        assertEquals(kept, Unbroken.of(text).replace('\u00A0', '_'));
    }
}
