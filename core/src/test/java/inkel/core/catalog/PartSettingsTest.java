package inkel.core.catalog;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.kit.Builds;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class PartSettingsTest {
    @ParameterizedTest
    @EnumSource(PartSettings.class)
    void theExampleIsAValue(PartSettings setting) {
        assertTrue(setting.problem(setting.example()).isEmpty());
        assertEquals(setting, PartSettings.of(setting.key()).orElseThrow());
        assertTrue(setting.problem("much").isPresent());
    }

    @ParameterizedTest
    @CsvSource({
        "GAUGE, 80",
        "CELLS, 0",
        "CELLS, 2.5",
        "GAUGE, 0",
        "LENGTH, -1 m",
        "LENGTH, 3 V",
        "ADDRESS, 0x80",
        "HOURS, 0",
        "CAPACITOR, 10 Ω",
        "VOLTS, 0 V"
    })
    void whatCannotBeIsRefused(PartSettings setting, String text) {
        assertEquals(
                "problem.expected_value", setting.problem(text).orElseThrow().key());
    }

    @Test
    void aLengthInMetresIsNoMillimetre() {
        // 0.4 m of gauge 26, there and back, and four contacts: 0.107 Ω + 0.06 Ω.
        var lines = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .setting("radio", "length", "0.4 m")
                .assess()
                .reports()
                .power()
                .lines();
        assertEquals(0.4, lines.get(0).length().metres(), 1e-12);
        assertEquals(0.167, lines.get(0).resistance().ohms(), 1e-3);
    }

    @Test
    void onlyWhatMeansSomethingIsAskedFor() {
        assertEquals(List.of(PartSettings.VOLTS), PartSettings.of(CATALOG.get("bench-supply")));
        assertEquals(List.of(PartSettings.CELLS, PartSettings.HOURS), PartSettings.of(CATALOG.get("battery-lithium")));
        assertEquals(List.of(), PartSettings.of(CATALOG.get("usb-port")));
        assertEquals(
                List.of(
                        PartSettings.BAUD,
                        PartSettings.GAUGE,
                        PartSettings.LENGTH,
                        PartSettings.CAPACITOR,
                        PartSettings.ESR),
                PartSettings.of(CATALOG.get("text-modem")));
    }

    @ParameterizedTest(name = "{0}: {1} = {2} is good: {3}")
    @CsvSource({
        "packet-radio,         contact,     solder,  true",
        "packet-radio,         contact,     glue,    false",
        "packet-radio,         header,      bent,    false",
        "packet-radio-boosted, turned_down, -6 dBm,  true",
        "packet-radio-boosted, turned_down, low,     false",
        "board-classic-5v,     diode,       5V,      true",
        "board-classic-5v,     diode,       'USB 5V', true",
        "board-classic-5v,     diode,       VCC,     false"
    })
    void aChoiceIsOneOfItsWords(String classId, String key, String text, boolean isGood) {
        assertEquals(
                isGood, PartChoices.problem(CATALOG.get(classId), key, text).isEmpty());
        assertTrue(PartChoices.keys().contains(key));
    }
}
