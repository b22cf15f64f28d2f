package inkel.core.io.catalog;

import static org.junit.jupiter.api.Assertions.assertDoesNotThrow;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.io.json.Problem;
import inkel.core.io.json.UnreadableFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Definitions that contradict themselves, each made from a sound one by one change. */
class ClassCheckTest {
    private static final String SOUND =
            """
            {
              "id": "own-gauge",
              "name": "Gauge",
              "summary": "Counts.",
              "kind": "module",
              "kinds": ["rain"],
              "pins": [
                {"label": "GND", "is": "ground", "header": 1},
                {"label": "VCC", "is": "supply", "header": 2},
                {"label": "SDA", "is": "i2c.sda", "io": "logic", "header": 3},
                {"label": "SCL", "is": "i2c.scl", "io": "logic", "header": 4}
              ],
              "supplies": [{"pin": "VCC", "range": {"min": "3 V", "typ": "3.3 V", "max": "3.6 V"}, "absolute_max": "4 V"}],
              "io": [
                {"name": "logic", "supply": "VCC", "vih": "0.7 VCC", "vil": "0.3 VCC", "voh": "VCC - 0.4 V", "vol": "0.4 V", "absolute_max": "VCC + 0.3 V"}
              ],
              "currents": [
                {"mode": "active", "supply": "VCC", "current": {"min": "1 mA", "typ": "2 mA", "max": "3 mA"}, "duty": "100 %"}
              ],
              "pull_ups": [{"pin": "SDA", "to": "VCC", "resistance": "10 k\u03a9"}],
              "takes": {"ram": 60, "flash": 2500},
              "i2c": {"address": "0x20", "straps": 1, "clock_max": "400 kHz", "also_at": ["0x30"]}
            }
            """;

    private static void read(String text) throws UnreadableFile {
        CatalogReader.read(Path.of("own-gauge.json"), text);
    }

    @Test
    void aSoundOneIsRead() {
        assertDoesNotThrow(() -> read(SOUND));
    }

    /** A clock for which the chip's usual supply is not enough is a slip: 5.1 V of 5 V. */
    @Test
    void aClockWantsNoMoreThanTheUsualSupply() throws Exception {
        String chip = Files.readString(Path.of("src/main/resources/inkel/core/catalog/chip-28pin.json"));
        CatalogReader.read(Path.of("chip-28pin.json"), chip.replace("\"3.8 V\"", "\"5 V\""));
        UnreadableFile refused = assertThrows(
                UnreadableFile.class,
                () -> CatalogReader.read(Path.of("chip-28pin.json"), chip.replace("\"3.8 V\"", "\"5.1 V\"")));
        assertEquals("problem.works_from", refused.problems().get(0).reason().key());
    }

    /** A contact is moved by an input of its part. */
    @Test
    void aContactIsMovedByAPinThatIsThere() {
        String contact = SOUND.replace(
                "\"pull_ups\"",
                "\"outputs\": [{\"pin\": \"SCL\", \"rating\": {\"min\": \"1 A\"}, \"from\": \"VCC\", \"way\": \"pass\","
                        + " \"contact\": {\"is\": \"normally-open\", \"by\": \"IN\", \"at\": \"high\"}}], \"pull_ups\"");
        UnreadableFile refused = assertThrows(UnreadableFile.class, () -> read(contact));
        assertEquals(
                List.of("problem.no_pin"),
                refused.problems().stream()
                        .map(problem -> problem.reason().key())
                        .toList());
        assertDoesNotThrow(() -> read(contact.replace("\"by\": \"IN\"", "\"by\": \"SDA\"")));
    }

    /** What lets a load go to ground says which input does it, and has levels; a pin that does not is moved by nothing. */
    @ParameterizedTest
    @CsvSource({
        "true, true, true, true",
        "true, true, false, false",
        "true, false, true, false",
        "false, true, true, false",
        "false, false, true, true"
    })
    void anOpenEndSaysWhatMovesIt(boolean isSink, boolean isMoved, boolean hasLevels, boolean isSound) {
        String pin = "{\"label\": \"OUT-\", \"header\": 5"
                + (hasLevels ? ", \"io\": \"logic\"" : "")
                + (isMoved ? ", \"contact\": {\"is\": \"normally-open\", \"by\": \"SCL\", \"at\": \"high\"}" : "")
                + (isSink ? ", \"can\": [\"sink\"]" : ", \"is\": \"none\"")
                + "}";
        String text = SOUND.replace("\"header\": 4}", "\"header\": 4}, " + pin);
        if (isSound) {
            assertDoesNotThrow(() -> read(text));
        } else {
            UnreadableFile refused = assertThrows(UnreadableFile.class, () -> read(text));
            assertEquals("problem.sink", refused.problems().get(0).reason().key());
            assertEquals("/pins/4", refused.problems().get(0).field());
        }
    }

    /** The pair of a long line is two pins that are told as lines, and what enables it an input. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            "plus": "A"          | "plus": "B"
            "plus": "A"          | "plus": "GND"
            "enable": "DE"       | "enable": "RO"
            "enable": "DE"       | "enable": "X"
            "label": "A", "row": "right", "is": "line" | "label": "A", "row": "right", "is": "none"
            "label": "RE", "row": "left", "is": "input" | "label": "RE", "row": "left", "is": "line"
            """)
    void aLongLineIsAPairOfLines(String was, String is) throws Exception {
        String text = Files.readString(Path.of("src/main/resources/inkel/core/catalog/bus-differential.json"));
        assertDoesNotThrow(() -> read(text));
        UnreadableFile refused = assertThrows(UnreadableFile.class, () -> read(text.replace(was, is)));
        assertTrue(
                refused.problems().stream()
                        .anyMatch(problem -> problem.reason().key().equals("problem.line_pair")),
                refused.problems().toString());
    }

    @ParameterizedTest(name = "{2}: {1}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            "typ": "2 mA"            | "typ": "4 mA"                    | /currents/0/current | problem.range
            "max": "3.6 V"           | "max": "4.1 V"                   | /supplies           | problem.limit_below
            "also_at": ["0x30"]      | "also_at": ["0x20"]              | /i2c/also_at        | problem.duplicate
            "also_at": ["0x30"]      | "also_at": ["0x30", "0x30"]      | /i2c/also_at        | problem.duplicate
            "header": 4              | "header": 3                      | /pins/3             | problem.leg_twice
            "is": "supply", "header": 2 | "is": "supply", "place": 1      | /pins/1             | problem.leg_twice
            "label": "SCL"           | "label": "SDA"                   | /pins/3             | problem.duplicate
            "to": "VCC"              | "to": "SCL"                      | /pull_ups           | problem.pull_to_no_supply
            "vil": "0.3 VCC"         | "vil": "0.8 VCC"                 | /io                 | problem.levels_cross
            "vol": "0.4 V"           | "vol": "3 V"                     | /io                 | problem.levels_cross
            "is": "supply", "header": 2 | "is": "ground", "header": 2    | /supplies           | problem.power_is_ground
            "ram": 60                | "ram": -60                       | /takes/ram          | problem.expected_value
            "takes":                 | "frame": {"before": "02", "after": "0"}, "takes": | /frame/before | problem.expected_value
            "i2c.scl"                | "input"                          | /i2c                | problem.bus_without
            "takes":                 | "pin_loads": [{"pin": "A", "is": "led", "current": {"max": "20 mA"}}], "takes": | /pin_loads | problem.no_pin
            "takes":                 | "pin_loads": [{"pin": "", "is": "led", "current": {"max": "20 mA"}}], "takes": | /pin_loads | problem.no_pin
            "takes":                 | "pin_loads": [{"pin": "SDA", "is": "led", "from": "V+", "current": {"max": "20 mA"}}], "takes": | /pin_loads | problem.no_pin
            "takes":                 | "bursts": [{"supply": "V+", "current": {"max": "2 A"}, "time": "1 ms", "period": "4 ms"}], "takes": | /bursts | problem.no_supply_pin
            "takes":                 | "turned_down": [{"name": "dim", "supply": "V+", "mode": "active", "current": "1 mA"}], "takes": | /turned_down | problem.no_supply_pin
            """)
    void whatContradictsItselfIsRefusedWithPlaceAndReason(String sound, String broken, String field, String reason) {
        UnreadableFile refused = assertThrows(UnreadableFile.class, () -> read(SOUND.replace(sound, broken)));
        Problem first = refused.problems().get(0);
        assertEquals(field, first.field(), refused.problems().toString());
        assertEquals(reason, first.reason().key(), refused.problems().toString());
    }

    @Test
    void atTheLimitItIsSound() {
        // As high as the limit, and a low as high as a high.
        assertDoesNotThrow(() -> read(SOUND.replace("\"max\": \"3.6 V\"", "\"max\": \"4 V\"")));
        assertDoesNotThrow(() -> read(SOUND.replace("\"vil\": \"0.3 VCC\"", "\"vil\": \"0.7 VCC\"")));
        // A call to all of a class may be one of the addresses that straps give.
        assertDoesNotThrow(() -> read(SOUND.replace("\"also_at\": [\"0x30\"]", "\"also_at\": [\"0x21\"]")));
    }
}
