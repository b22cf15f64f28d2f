package inkel.core.calc;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.quantity.Unit;
import java.util.List;
import org.junit.jupiter.api.Test;

class ReckoningTest {
    private static Reckoning of(String name) {
        return Calculator.all().stream()
                .filter(calculation -> calculation.name().equals(name))
                .map(Reckoning::of)
                .findFirst()
                .orElseThrow();
    }

    private static Reckoning said(String name, String line) {
        return of(name).with(List.of(line.split(" ")));
    }

    @Test
    void everyCalculationBeginsWithAnExampleThatWorks() throws CalcRefused {
        for (Calculation calculation : Calculator.all()) {
            Reckoning reckoning = Reckoning.of(calculation);
            assertFalse(reckoning.answer().isEmpty(), calculation.name());
            assertTrue(reckoning.keys().containsAll(reckoning.units().keySet()), calculation.name());
        }
    }

    @Test
    void keysHaveTheUnitsTheyAreReadIn() {
        assertEquals(Unit.VOLT, of("led").units().get("v"));
        assertEquals(Unit.AMPERE, of("led").units().get("i"));
        assertEquals(Unit.HERTZ, of("uart").units().get("clock"));
        assertEquals(null, of("i2c-pullup").units().get("mode"));
    }

    @Test
    void amountsGoToTheKeysOfTheirUnits() throws CalcRefused {
        // (5 V − 2 V) / 20 mA = 150 Ω.
        assertEquals(150.0, said("led", "led 5 V 20 mA").answer().get("r_ohm"));
        assertEquals(150.0, said("led", "led 20mA 5V").answer().get("r_ohm"));
        Reckoning uart = said("uart", "baud 115200 16 MHz");
        assertEquals("16MHz", uart.given().get("clock"));
        assertEquals("115200", uart.given().get("baud"));
        Reckoning divider = said("divider", "divider 5 V to 3.3 V");
        assertEquals("5V", divider.given().get("vin_min"));
        assertEquals("5V", divider.given().get("vin_max"));
        assertEquals("3.3V", divider.given().get("vout_max"));
    }

    @Test
    void whatCannotBeIsRefusedAndWhatIsLeftOutIsGone() {
        assertThrows(CalcRefused.class, () -> of("led").with("v", "much").answer());
        assertFalse(of("led").with("v", " ").given().containsKey("v"));
        assertTrue(of("led").isNeeded("v"));
        assertFalse(of("led").isNeeded("series"));
    }
}
