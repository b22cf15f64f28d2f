package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.ui.kit.Knot;
import inkel.app.ui.pins.LoomModel.Kind;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.formula.Verdict;
import inkel.core.io.document.BuildReader;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LoomModelTest {
    private static final LoomModel LOCKS = LoomModel.of(Given.assessment(Given.LOCKS), "lower-lock");
    private static final LoomModel SKETCH = LoomModel.of(Given.assessment(Given.FIRST_SKETCH), "lower-lock");

    private static LoomModel.Row row(LoomModel model, String part, String pin) {
        return model.modules().stream()
                .filter(module -> module.place().part().equals(part))
                .flatMap(module -> module.rows().stream())
                .filter(row -> row.label().equals(pin))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void groundAndRailsStandBeforeThePins() {
        List<Kind> kinds = LOCKS.threads().stream().map(LoomModel.Thread::kind).toList();
        assertEquals(kinds.stream().sorted().toList(), kinds);
        assertEquals("GND", LOCKS.threads().get(0).label());
    }

    @Test
    void everyBoardPinIsAThreadInTheHeadersOrder() {
        List<String> pins = LOCKS.threads().stream()
                .filter(thread ->
                        thread.kind() == Kind.PIN && thread.end().part().equals("board"))
                .map(LoomModel.Thread::label)
                .toList();
        assertEquals(20, pins.size());
        assertEquals(List.of("A0", "A1", "A2", "A3", "A4", "A5", "D13", "D12"), pins.subList(0, 8));
    }

    @Test
    void aStrapToItsOwnBusWireHangsWhereThatWireDoes() throws Exception {
        String file =
                """
                {"format": 2, "name": "Straps", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "adc", "class": "adc-16", "name": "Converter", "feeds": {"VDD": "board.5V"}}],
                 "wires": [{"from": "adc.SDA", "to": "board.A4"}, {"from": "adc.ADDR", "to": "adc.SDA"}]}]}
                """;
        Build build = BuildReader.parse(Path.of("x"), file, Given.CATALOG);
        LoomModel model = LoomModel.of(Assessment.assess(build, Given.CATALOG), "a");
        assertEquals(
                "A4", model.threads().get(row(model, "adc", "ADDR").thread()).label());
        assertEquals(
                row(model, "adc", "SDA").thread(), row(model, "adc", "ADDR").thread());
    }

    /** Two boards that switch a load each have a screw of the same name; one rail of a name needs no owner beside it. */
    @Test
    void railsOfOneNameAreToldApart() throws Exception {
        String file =
                """
                {"format": 2, "name": "Loads", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"}, {"id": "wall", "class": "wall-supply-12v", "name": "Wall"},
                           {"id": "water", "class": "switch-transistor", "name": "Water", "feeds": {"V+": "wall.+"}},
                           {"id": "light", "class": "switch-transistor", "name": "Light", "feeds": {"V+": "wall.+"}},
                           {"id": "valve", "class": "valve-12v", "name": "Valve", "feeds": {"V+": "water.OUT+"}},
                           {"id": "shelf", "class": "lamp-strip-12v", "name": "Shelf", "feeds": {"V+": "light.OUT+"}}]}]}
                """;
        Build build = BuildReader.parse(Path.of("x"), file, Given.CATALOG);
        List<String> rails = LoomModel.of(Assessment.assess(build, Given.CATALOG), "a").threads().stream()
                .filter(thread -> thread.kind() == Kind.RAIL)
                .map(thread -> (thread.label() + " " + thread.tag()).strip())
                .toList();
        assertEquals(List.of("12 V", "OUT+ water", "OUT+ light"), rails);
    }

    @Test
    void onlyTakenChannelsOfADriverAreThreads() {
        List<String> channels = LOCKS.threads().stream()
                .filter(thread -> thread.end().part().equals("driver") && thread.kind() == Kind.PIN)
                .map(LoomModel.Thread::label)
                .toList();
        assertEquals(List.of("CH0", "CH1", "CH2"), channels);
    }

    @ParameterizedTest(name = "{0} {1}: {2} on {3}")
    @CsvSource(
            textBlock =
                    """
            radio,   CE,  HELD,   D9,  digital
            radio,   SCK, FIXED,  D13, spi
            radio,   CSN, PLACED, D8,  spi
            display, SDA, FIXED,  A4,  i2c
            sluice,  SIG, PLACED, CH2, pwm
            level,   S,   PLACED, A0,  analog
            driver,  OE,  HELD,   GND, digital
            radio,   GND, PLACED, GND, ground
            display, VCC, PLACED, 5V,  supply
            """)
    void knotsTellHowTheWireCameThere(String part, String pin, Knot.Form form, String thread, String family) {
        LoomModel.Row row = row(LOCKS, part, pin);
        assertEquals(form, row.form());
        assertEquals(thread, LOCKS.threads().get(row.thread()).label());
        assertEquals(family, row.family());
    }

    /** A contact that switches nothing is fed by nobody; a coil is to be. */
    @Test
    void onlyWhatIsToBeFedIsMissed() throws Exception {
        String file =
                """
                {"format": 2, "name": "Pump", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "pump", "class": "relay-one", "name": "Pump"}],
                 "wires": [{"from": "pump.IN", "to": "board.D4"}]}]}
                """;
        Build build = BuildReader.parse(Path.of("x"), file, Given.CATALOG);
        LoomModel model = LoomModel.of(Assessment.assess(build, Given.CATALOG), "a");
        assertEquals(-1, row(model, "pump", "COM").thread());
        assertFalse(row(model, "pump", "COM").isLoose());
        assertTrue(row(model, "pump", "VCC").isLoose());
    }

    /** One finding of several wires crosses all of them. */
    @Test
    void everyWireOfAFindingIsCrossed() throws Exception {
        String file =
                """
                {"format": 2, "name": "Places", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "computer-40pin", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "tags", "class": "tag-reader-spi", "name": "Tags", "feeds": {"3.3V": "board.3V3"}}],
                 "wires": [{"from": "tags.SCK", "to": "board.GPIO23"}, {"from": "tags.MOSI", "to": "board.GPIO19"},
                           {"from": "tags.MISO", "to": "board.GPIO21"}, {"from": "tags.RST", "to": "board.GPIO22"}]}]}
                """;
        Build build = BuildReader.parse(Path.of("x"), file, Given.CATALOG);
        LoomModel model = LoomModel.of(Assessment.assess(build, Given.CATALOG), "a");
        for (String pin : List.of("SCK", "MOSI", "MISO")) {
            assertEquals(Knot.Form.CLASH, row(model, "tags", pin).form(), pin);
        }
        assertEquals(Knot.Form.PLACED, row(model, "tags", "RST").form());
    }

    /** A resistor in a wire is a mark in its thread; one beside it is none. */
    @Test
    void whatStandsBesideAWireIsNoMarkInItsThread() throws Exception {
        String file =
                """
                {"format": 2, "name": "Contacts", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "door", "class": "contact-reed", "name": "Door"},
                           {"id": "bell", "class": "button", "name": "Bell"}],
                 "between": [{"signal": "door.A", "kind": "pull-up", "pull_up": "10 kΩ"},
                             {"signal": "bell.A", "kind": "series", "series": "1 kΩ"}],
                 "wires": [{"from": "door.A", "to": "board.D4"}, {"from": "bell.A", "to": "board.D5"}]}]}
                """;
        Build build = BuildReader.parse(Path.of("x"), file, Given.CATALOG);
        LoomModel model = LoomModel.of(Assessment.assess(build, Given.CATALOG), "a");
        assertEquals(LoomModel.Mark.NONE, row(model, "door", "A").mark());
        assertEquals(LoomModel.Mark.RESISTORS, row(model, "bell", "A").mark());
    }

    @Test
    void clashesAreCrossedAndLooseSignalsSaySo() {
        assertEquals(Knot.Form.CLASH, row(SKETCH, "handset", "OUT").form());
        assertTrue(row(SKETCH, "level", "S").isLoose());
        assertEquals(-1, row(SKETCH, "level", "S").thread());
        assertFalse(row(LOCKS, "radio", "IRQ").isLoose(), "what may stay open is not loose");
    }

    @Test
    void theVoltsLensHasTheVerdictsOfTheReport() {
        assertEquals(Optional.of(Verdict.HARMS), row(SKETCH, "reader", "MOSI").volts());
        assertEquals(Optional.of(Verdict.THIN), row(SKETCH, "reader", "MISO").volts());
        assertEquals(Optional.of(Verdict.FINE), row(LOCKS, "reader", "MOSI").volts());
    }

    @Test
    void theConsoleIsMarked() {
        LoomModel.Thread console = LOCKS.threads().stream()
                .filter(thread -> thread.label().equals("D0"))
                .findFirst()
                .orElseThrow();
        assertTrue(console.isReserved());
        assertEquals("console", console.tag());
    }
}
