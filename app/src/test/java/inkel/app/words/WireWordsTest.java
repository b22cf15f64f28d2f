package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.app.kit.Given;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.wiring.Terminal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WireWordsTest {
    private static final NodeCircuit NODE =
            Given.assessment(Given.LOCKS).circuit("lower-lock").orElseThrow();
    private static final WireWords WORDS = new WireWords(NODE);

    private static Terminal.OnPin pin(String part, String label) {
        Placed placed = NODE.part(part).orElseThrow();
        int index = placed.cls().pins().indexOf(placed.cls().pin(label).orElseThrow());
        return new Terminal.OnPin(new Endpoint(part, label), index, 1);
    }

    @ParameterizedTest(name = "{0} {1}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            board   | D11   | Board D11                | right row, 7th from the USB end, 12th from the far end
            board   | 3V3   | Board 3V3                | left row, 4th from the USB end, 11th from the far end
            board   | D13   | Board D13                | right row, 5th from the USB end, 14th from the far end
            radio   | MOSI  | Packet radio MOSI        | header pin 6: even row, 3rd from the marked end, 2nd from the far end
            radio   | GND   | Packet radio GND         | header pin 1: odd row, 1st from the marked end, 4th from the far end
            shifter | HV4   | Level shifter HV4        | right row, 6th from the marked end, 1st from the far end
            driver  | CH0   | 16-way servo driver CH0  | in its own socket
            """)
    void endsAreNamedAndCounted(String part, String label, String name, String place) {
        assertEquals(name, WORDS.name(pin(part, label)));
        assertEquals(place, WORDS.place(pin(part, label)));
    }

    /** What has two ends is named by what one sees of them; nothing is printed on a button. */
    @ParameterizedTest(name = "{0} {1}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            button | A | either end, since both are alike
            button | B | the end that is left, since both are alike
            fuse   | OUT | the end that is left, since both are alike
            led    | A | the longer leg
            led    | C | the shorter leg
            knob   | OUT | 2nd pin from the marked end, 2nd from the other end
            """)
    void endsOfTwoAreNamedByWhatIsSeen(String cls, String label, String place) {
        Placed placed = new Placed(Part.of("x", cls, "x", ""), Given.CATALOG.get(cls));
        int index = placed.cls().pins().indexOf(placed.cls().pin(label).orElseThrow());
        assertEquals(place, WireWords.place(placed, index));
    }

    @Test
    void rowsOfTheBreadboardHaveNames() {
        assertEquals("Ground row", WORDS.name(new Terminal.OnGroundRow()));
        assertEquals("Board 5V row", WORDS.name(new Terminal.OnRow(new Endpoint("board", "5V"))));
        assertEquals("on the breadboard", WORDS.place(new Terminal.OnGroundRow()));
    }

    @ParameterizedTest(name = "{0}: {1}, {2}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            board      | board      | 45 mA → 60 mA   | USB
            radio      | SPI        | 26 µA → 14 mA   | VCC
            display    | I2C 0x27   | 2 mA → 120 mA   | VCC
            gate-upper | PWM 50 Hz  | 6 mA → 750 mA   | V+
            level      | analog     | 15 mA → 20 mA   | +
            handset    | digital    | 400 µA → 5 mA   | VS
            shifter    | in between | 400 µA → 1.5 mA | LV
            """)
    void cardsSayHowAPartTalksAndWhatItTakes(String part, String bus, String current, String supply) {
        Placed placed = NODE.part(part).orElseThrow();
        assertEquals(bus, PartWords.bus(placed));
        assertEquals(current, PartWords.current(placed, supply));
    }

    /** What only takes a current is no digital part; a lamp on a pin is lit by its level. */
    @ParameterizedTest
    @CsvSource({
        "valve-12v, load",
        "lamp-strip-12v, load",
        "motor-leads, load",
        "solenoid, load",
        "led, digital",
        "relay-one, digital"
    })
    void whatTalksToNobodyIsALoad(String cls, String said) {
        Part part = Part.of("it", cls, "It", "");
        assertEquals(said, PartWords.bus(new Placed(part, Given.CATALOG.get(cls))));
    }

    @Test
    void suppliesSayWhatTheyGive() {
        assertEquals("6 V, up to 3 A", PartWords.gives(NODE, NODE.part("bench").orElseThrow()));
        assertEquals("5 V, up to 500 mA", PartWords.gives(NODE, NODE.part("usb").orElseThrow()));
    }
}
