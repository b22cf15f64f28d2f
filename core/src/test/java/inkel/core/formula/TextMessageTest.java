package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

class TextMessageTest {
    @Test
    void lengthsAtTheirLimits() {
        assertEquals(1, TextMessage.of("a".repeat(160)).parts());
        assertEquals(2, TextMessage.of("a".repeat(161)).parts());
        assertEquals(2, TextMessage.of("a".repeat(306)).parts());
        assertEquals(3, TextMessage.of("a".repeat(307)).parts());
        assertEquals(1, TextMessage.of("ж".repeat(70)).parts());
        assertEquals(2, TextMessage.of("ж".repeat(71)).parts());
        assertEquals(3, TextMessage.of("ж".repeat(135)).parts());
        assertEquals(0, TextMessage.of("").parts());
    }

    @Test
    void someCountDoubleAndOneStrangeLetterMakesAllLong() {
        assertEquals(2, TextMessage.of("€").units());
        assertEquals(160, TextMessage.of("[".repeat(80)).units());
        assertTrue(TextMessage.of("Tür offen: 5 °".replace("°", "ø")).isShort());
        assertFalse(TextMessage.of("5 °C").isShort());
        assertEquals(2, TextMessage.of("[".repeat(80) + "a").parts());
        // 152 letters and one that counts double: it goes whole into the next part.
        assertEquals(3, TextMessage.of("a".repeat(152) + "[" + "a".repeat(152)).parts());
        assertEquals(155, TextMessage.of("gate:").left());
    }

    @Test
    void aSentenceByHand() {
        // The example of many receivers' manuals; its check is 47.
        String line = "$GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,*47";
        PositionSentence said = PositionSentence.parse(line + "\r\n").orElseThrow();
        assertEquals("GGA", said.type());
        // 7.038 minutes are 0.1173 degrees, 31 are 0.516667.
        assertEquals(48.1173, said.fix().orElseThrow().latitude(), 1e-9);
        assertEquals(11.516667, said.fix().orElseThrow().longitude(), 1e-6);
        assertEquals(8, said.fix().orElseThrow().satellites());
        assertEquals(545.4, said.fix().orElseThrow().height(), 1e-9);
        String south = "GPGGA,1,4807.038,S,01131.000,W,0,00,,,M,,M,,";
        String none = "$" + south + "*" + String.format("%02X", PositionSentence.check(south));
        assertTrue(PositionSentence.parse(none).orElseThrow().fix().isEmpty());
        for (String wrong : new String[] {
            line.replace("*47", "*48"), line.replace("545.4", "546.4"), line.substring(0, 40), "hello", ""
        }) {
            assertTrue(PositionSentence.parse(wrong).isEmpty(), wrong);
        }
        String torn = "GPGGA,1,4,N,0,E,1,x,,y,M,,M,,";
        assertTrue(PositionSentence.parse("$" + torn + "*" + String.format("%02X", PositionSentence.check(torn)))
                .orElseThrow()
                .fix()
                .isEmpty());
    }
}
