package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.calc.Calculation;
import inkel.core.calc.Calculator;
import inkel.core.calc.Reckoning;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class ReckonWordsTest {
    @Test
    void everyCalculationAndEveryKeyHasItsWords() {
        List<String> missing = new ArrayList<>();
        for (Calculation calculation : Calculator.all()) {
            String name = calculation.name();
            for (String key : List.of("", ".about", ".also", ".formula")) {
                if (!Words.has("reckon." + name + key)) {
                    missing.add("reckon." + name + key);
                }
            }
            for (String key : Reckoning.of(calculation).keys()) {
                boolean isPoint =
                        key.matches("[xy][1-9]") && ReckonWords.key(name, key).contains(" of point ");
                if (!isPoint && !Words.has("reckon.key." + key) && !Words.has("reckon.key." + name + "." + key)) {
                    missing.add("reckon.key." + key);
                }
            }
            String formula = ReckonWords.formula(Reckoning.of(calculation));
            assertFalse(formula.contains("{"), formula);
        }
        assertEquals(List.of(), missing);
    }

    @Test
    void aFormulaHasItsFiguresFilledIn() {
        Reckoning led = ReckonWords.find("led 5 V 20 mA").get(0);
        assertEquals("R = (5V − 2.0V) / 20mA", ReckonWords.formula(led));
        assertEquals("R = (v − 2.0V) / 20mA", ReckonWords.formula(led.with("v", "")));
    }

    @Test
    void calculationsAreFoundAsPeopleSayThem() {
        assertEquals(
                "led", ReckonWords.find("led 5 V 20 mA").get(0).calculation().name());
        assertEquals(
                "uart",
                ReckonWords.find("baud 115200 16 MHz").get(0).calculation().name());
        assertEquals(
                "divider",
                ReckonWords.find("divider 5 V to 3.3 V").get(0).calculation().name());
        assertTrue(ReckonWords.find("lower lock radio").isEmpty());
        assertTrue(ReckonWords.find("").isEmpty());
        assertTrue(ReckonWords.line(ReckonWords.find("led 5 V 20 mA").get(0)).contains("resistor 150 Ω, "));
    }

    @Test
    void valuesAreSaidInTheirUnits() {
        assertEquals("4.7 kΩ", ReckonWords.value("r1_ohm", 4700.0));
        assertEquals("31.5 °C", ReckonWords.value("temperature_c", 31.5));
        assertEquals("8", ReckonWords.value("divider", 8.0));
        assertEquals("0.16", ReckonWords.value("error_percent", 0.16));
        assertEquals("yes", ReckonWords.value("fits", true));
    }

    @Test
    void onlyAnAmountWithItsUnitIsASum() {
        assertTrue(ReckonWords.isSum("led 5 V 20 mA"));
        assertTrue(ReckonWords.isSum("led 20mA"));
        assertFalse(ReckonWords.isSum("wire 28"));
        assertFalse(ReckonWords.isSum("levels"));
        assertFalse(ReckonWords.isSum("servo CH1"));
    }
}
