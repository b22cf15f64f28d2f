package inkel.core.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WireIdTest {
    @Test
    void aWireHasTwoEndsAndNothingBesideThem() {
        WireId wire = WireId.parse("board.D9@1 > radio.CE@2");

        assertEquals(new WireId("board.D9@1", "radio.CE@2"), wire);
        assertFalse(wire.isSmallPart());
        assertEquals(Optional.of(new Endpoint("board", "D9")), WireId.pin(wire.from()));
    }

    @Test
    void aSmallPartSaysWhatItIsAndWhose() {
        WireId capacitor = WireId.parse("radio.VCC@1 > radio.GND@1 by capacitor 10 µF of radio.VCC");

        assertEquals("radio.GND@1", capacitor.to());
        assertEquals("capacitor 10 µF of radio.VCC", capacitor.by());
        assertTrue(capacitor.isSmallPart());
    }

    @Test
    void aPinIsNotOneWhoseNameBeginsLikeIt() {
        WireId wire = WireId.parse("board.D10@1 > radio.CE@1");

        assertTrue(wire.isAt(new Endpoint("board", "D10")));
        assertTrue(wire.isAt(new Endpoint("radio", "CE")));
        assertFalse(wire.isAt(new Endpoint("board", "D1")));
    }

    @Test
    void rowsAreNoPins() {
        assertEquals(Optional.empty(), WireId.pin("row ground"));
        assertEquals(Optional.empty(), WireId.pin("row board.5V"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "board.D9@1 > radio.CE@1",
                "row board.5V > knob.A@1",
                "row ground > radio.CE@1 by resistor of radio.CE",
                "meeting of board.5V@1 2 > gate.V+@1",
                "board.D2@1 > away post/radio.IRQ",
                "nothing that names a wire",
                ""
            })
    void whatIsReadIsWrittenAsItWas(String text) {
        assertEquals(text, WireId.parse(text).toString());
    }
}
