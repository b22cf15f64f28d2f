package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class TextPduTest {
    private static final String NUMBER = "+999000111";

    @Test
    void aTextByHand() {
        // "hellohello" packed is E8 32 9B FD 46 97 D9 EC 37: h is 1101000, e 1100101; the low bit of e is the top of
        // E8, …
        TextPdu one = TextPdu.of(NUMBER, "hellohello", 0).get(0);
        assertEquals("0001000991" + "99090011F1" + "00" + "00" + "0A" + "E8329BFD4697D9EC37", one.hex());
        assertEquals(one.hex().length() / 2 - 1, one.length());
    }

    @Test
    void aNumberOfEvenLengthLeavesNoHalfByte() {
        assertTrue(TextPdu.of("+9990001112", "a", 0).get(0).hex().startsWith("0001000A91" + "9909001121"));
    }

    @Test
    void sixteenBitsWhereOneLetterNeedsThem() {
        // ł is U+0142.
        assertTrue(TextPdu.of(NUMBER, "łA", 0).get(0).hex().endsWith("08" + "04" + "01420041"));
    }

    @Test
    void lettersThatCountDoubleHaveTheirOwnTable() {
        assertEquals(List.of(0x1B, 0x65, 0x1B, 0x3C, 0x1B, 0x14, 0x1B, 0x0A), TextMessage.septets("€[^\f"));
        assertEquals(List.of(0, 27 + 1, 32, 64, 65, 127), TextMessage.septets("@Æ ¡Aà"));
    }

    @Test
    void partsSayWhichOfHowManyTheyAre() {
        List<TextPdu> parts = TextPdu.of(NUMBER, "a".repeat(200), 0xB7);
        assertEquals(2, parts.size());
        // 153 characters and seven for the header are 160; 47 and seven are 54.
        assertTrue(parts.get(0).hex().startsWith("0041000991" + "99090011F1" + "0000" + "A0" + "050003B70201"));
        assertTrue(parts.get(1).hex().contains("0000" + "36" + "050003B70202"));
        // An "a" is 1100001; behind 48 bits of header one bit is left out, so that the next byte is 11000010.
        assertEquals("C2", parts.get(0).hex().substring(26 + 12, 26 + 14));
        List<TextPdu> wide = TextPdu.of(NUMBER, "ł".repeat(71), 1);
        assertTrue(wide.get(0).hex().contains("0008" + "8C" + "050003010201"), "67 of two bytes and six");
    }

    /** The other way about, bit by bit. */
    private static String unpacked(String hex, int from, int count) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < count; i++) {
            int code = 0;
            for (int bit = 0; bit < 7; bit++) {
                int at = (from + i) * 7 + bit;
                int octet = Integer.parseInt(hex.substring(at / 8 * 2, at / 8 * 2 + 2), 16);
                code |= (octet >> at % 8 & 1) << bit;
            }
            text.append((char) code);
        }
        return text.toString();
    }

    @Test
    void whatIsPackedIsThereAgain() {
        Random random = new Random(5);
        for (int round = 0; round < 500; round++) {
            // Letters and digits have their own codes in the table of 7 bits.
            StringBuilder text = new StringBuilder();
            int length = 1 + random.nextInt(400);
            for (int i = 0; i < length; i++) {
                text.append("abcxyzABCXYZ0189".charAt(random.nextInt(16)));
            }
            StringBuilder back = new StringBuilder();
            List<TextPdu> parts = TextPdu.of(NUMBER, text.toString(), round);
            for (TextPdu part : parts) {
                int all = Integer.parseInt(part.hex().substring(24, 26), 16);
                int header = parts.size() == 1 ? 0 : 7;
                back.append(unpacked(part.hex().substring(26), header, all - header));
            }
            assertEquals(text.toString(), back.toString());
            assertEquals(TextMessage.of(text.toString()).parts(), parts.size());
        }
    }
}
