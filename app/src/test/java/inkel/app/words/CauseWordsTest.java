package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.app.kit.Given;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What moves a reading, by the names on the table. */
class CauseWordsTest {
    private static final Circuit CIRCUIT = Circuit.of(Given.build(Given.LOCKS), Given.CATALOG);
    private static final NodeCircuit NODE = CIRCUIT.nodes().get(0);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            lower-lock plug usb.5V > board.USB            | plug USB 5 V 5V → Board USB
            lower-lock plug usb.5V > board.USB ground     | ground of the plug USB 5 V 5V → Board USB
            lower-lock wire board.GND@1 > row ground      | wire Board GND → ground row
            lower-lock wire row board.5V > display.VCC@1  | wire row of Board 5V → Display 4 × 20 VCC
            lower-lock display.VCC peak                   | Display 4 × 20 VCC takes
            lower-lock usb.5V volts                       | USB 5 V 5V gives
            pump-house board.USB idle                     | Board USB takes, Pump house
            pump-house wire board.D1@1 > away lower-lock/board.D0 | wire Board D1 → Lower lock D0, Pump house
            pump-house wire row ground > away lower-lock  | wire ground row → ground of Lower lock, Pump house
            lower-lock display.VCC code 0.25              | Display 4 × 20 VCC gives, of its reference
            """)
    void isSaidByTheNamesOnTheTable(String key, String said) {
        assertEquals(said, CauseWords.say(CIRCUIT, NODE, key));
    }
}
