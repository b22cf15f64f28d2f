package inkel.core.capture;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.Reader;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CaptureLinesTest {
    @Test
    void linesOfAnyLengthComeAsTheyStandWhereverTheFileIsTorn() throws IOException {
        Random random = new Random(1);
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < 3000; i++) {
            int length = i % 500 == 0 ? CaptureLines.MOST - random.nextInt(3) : random.nextInt(40);
            lines.add((char) ('a' + i % 26) + "x".repeat(length == 0 ? 0 : length - 1));
        }
        String text = String.join("\r\n", lines);
        CaptureLines read = new CaptureLines(new Torn(text, random));
        for (int i = 0; i < lines.size(); i++) {
            assertTrue(read.next(), "line " + i);
            assertEquals(lines.get(i), read.text(), "line " + i);
            assertEquals(i + 1, read.number());
        }
        assertFalse(read.next());
        assertFalse(read.next(), "the end stays the end");
        assertEquals(lines.size(), read.number());
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 777_777})
    void whatIsTooLongOfALineIsPassedOver(int more) throws IOException {
        String text = "#1\n" + "y".repeat(CaptureLines.MOST + more) + "\n#2";
        CaptureLines read = new CaptureLines(new StringReader(text));
        assertTrue(read.next());
        assertTrue(read.next());
        assertEquals("y".repeat(CaptureLines.MOST), read.text());
        assertTrue(read.next());
        assertEquals("#2", read.text());
        assertEquals(3, read.number());
        assertFalse(read.next());
    }

    @Test
    void emptyLinesAreLinesAndALastEndMakesNone() throws IOException {
        CaptureLines read = new CaptureLines(new StringReader("\n\n a\n"));
        assertTrue(read.next());
        assertEquals("", read.text());
        assertTrue(read.isBlank());
        assertTrue(read.next());
        assertTrue(read.next());
        assertEquals(" a", read.text());
        assertFalse(read.isBlank());
        assertFalse(read.next());
    }

    @Test
    void numbersAreThoseOfTheLanguage() throws IOException {
        Random random = new Random(2);
        for (int i = 0; i < 20_000; i++) {
            int whole = 1 + random.nextInt(10);
            int decimals = random.nextInt(12);
            StringBuilder text = new StringBuilder(random.nextBoolean() ? "-" : "");
            digits(text, whole, random);
            if (decimals > 0) {
                digits(text.append('.'), decimals, random);
            }
            if (random.nextInt(20) == 0) {
                text.append("e-").append(random.nextInt(9));
            }
            assertEquals(Double.parseDouble(text.toString()), decimal(" " + text + " ", '.'), 0, text.toString());
            assertEquals(
                    Double.parseDouble(text.toString()), decimal(text.toString().replace('.', ','), ','), 0);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "-", ".", "1.2.3", "1,5", "--1", "x", "1 2", "٣"})
    void whatIsNoNumberIsNone(String text) throws IOException {
        assertTrue(Double.isNaN(decimal(text, '.')), text);
    }

    @Test
    void wholeNumbersHaveAnEnd() throws IOException {
        assertEquals(123_456_789_012_345L, whole("#123456789012345"));
        assertEquals(Long.MAX_VALUE, whole("#9223372036854775807"));
        assertEquals(-5, whole("#-5"));
        for (String none : List.of("#", "#9223372036854775808", "#1 2", "#1.0", "#x")) {
            assertThrows(NumberFormatException.class, () -> whole(none), none);
        }
    }

    private static void digits(StringBuilder text, int count, Random random) {
        for (int i = 0; i < count; i++) {
            text.append((char) ('0' + random.nextInt(10)));
        }
    }

    private static double decimal(String text, char point) throws IOException {
        CaptureLines read = new CaptureLines(new StringReader("a;" + text + ";b"));
        assertTrue(read.next());
        return read.decimal(2, 2 + text.length(), point);
    }

    private static long whole(String text) throws IOException {
        CaptureLines read = new CaptureLines(new StringReader(text + "\n"));
        assertTrue(read.next());
        return read.whole(1);
    }

    /** Gives as many letters at a time as it likes. */
    private static final class Torn extends Reader {
        private final String text;
        private final Random random;
        private int at;

        Torn(String text, Random random) {
            this.text = text;
            this.random = random;
        }

        @Override
        public int read(char[] into, int from, int most) {
            int count = Math.min(Math.min(most, 1 + random.nextInt(20_000)), text.length() - at);
            if (count == 0) {
                return -1;
            }
            text.getChars(at, at + count, into, from);
            at += count;
            return count;
        }

        @Override
        public void close() {
            at = text.length();
        }
    }
}
