package inkel.core.catalog;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.kit.Builds;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class SettingsTest {
    static List<Setting<?>> all() {
        return Settings.all();
    }

    @ParameterizedTest
    @MethodSource("all")
    void theExampleIsAValueForAClassItSuits(Setting<?> setting) {
        PartClass cls = CATALOG.all().stream()
                .filter(setting.suits())
                .filter(found -> !setting.example(found).isEmpty())
                .findFirst()
                .orElseThrow();
        String first = setting.example(cls).split(", ")[0];
        assertTrue(setting.read(cls, first).isPresent());
        assertEquals(Optional.empty(), setting.problem(cls, first));
        assertTrue(setting.problem(cls, "much").isPresent());
        assertEquals(setting, Settings.of(setting.key()).orElseThrow());
    }

    @Test
    void everyConstantIsInTheTableOnceAndNoKeyTwice() {
        long constants = Stream.of(Settings.class.getFields())
                .filter(field -> field.getType() == Setting.class)
                .count();
        assertEquals(constants, Settings.all().size());
        assertEquals(
                constants, Settings.all().stream().map(Setting::key).distinct().count());
        assertEquals(Optional.empty(), Settings.of("spi_klock"));
    }

    @ParameterizedTest
    @CsvSource({
        "gauge, 80",
        "cells, 0",
        "cells, 25",
        "cells, 2.5",
        "gauge, 0",
        "gauge, 41",
        "length, -1 m",
        "length, 3 V",
        "address, 0x80",
        "address, -1",
        "ambient, -274 °C",
        "hours, 0",
        "capacitor, 10 Ω",
        "volts, 0 V"
    })
    void whatCannotBeIsRefused(String key, String text) {
        assertEquals(
                "problem.expected_value",
                Settings.of(key)
                        .orElseThrow()
                        .problem(CATALOG.get("text-modem"), text)
                        .orElseThrow()
                        .key());
    }

    @ParameterizedTest
    @CsvSource({"gauge, 40", "cells, 1", "cells, 24", "address, 0", "address, 0x7F", "ambient, -273.15 °C"})
    void theVeryEndsAreValues(String key, String text) {
        assertTrue(Settings.of(key)
                .orElseThrow()
                .problem(CATALOG.get("text-modem"), text)
                .isEmpty());
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
        assertEquals(0.4, lines.get(0).wire().length().metres(), 1e-12);
        assertEquals(0.167, lines.get(0).wire().thereAndBack().ohms(), 1e-3);
    }

    @Test
    void onlyWhatMeansSomethingIsAskedFor() {
        assertEquals(List.of(Settings.VOLTS), Settings.typedFor(CATALOG.get("bench-supply")));
        assertEquals(List.of(Settings.CELLS, Settings.HOURS), Settings.typedFor(CATALOG.get("battery-lithium")));
        assertEquals(List.of(), Settings.typedFor(CATALOG.get("usb-port")));
        assertEquals(
                List.of(Settings.BAUD, Settings.GAUGE, Settings.LENGTH, Settings.CAPACITOR, Settings.ESR),
                Settings.typedFor(CATALOG.get("text-modem")));
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
                isGood,
                Settings.of(key)
                        .orElseThrow()
                        .problem(CATALOG.get(classId), text)
                        .isEmpty());
    }
}
