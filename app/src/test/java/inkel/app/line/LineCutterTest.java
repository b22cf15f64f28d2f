package inkel.app.line;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class LineCutterTest {
    private static List<String> cut(byte[]... parts) {
        LineCutter cutter = new LineCutter();
        List<String> lines = new ArrayList<>();
        for (byte[] part : parts) {
            lines.addAll(cutter.take(part, part.length));
        }
        return lines;
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void linesMayComeInAnyPieces() {
        assertEquals(List.of("i2c 0 0x24", "end 1"), cut(bytes("i2c 0 "), bytes("0x24\r"), bytes("\nend 1\r\nrest")));
        assertEquals(List.of("", "a"), cut(bytes("\n"), bytes("a\n")));
        // A letter of two bytes, cut in its middle.
        assertEquals(List.of("µs"), cut(new byte[] {(byte) 0xC2}, new byte[] {(byte) 0xB5, 's', '\n'}));
    }

    @Test
    void whatIsNoLetterIsShownAsSuch() {
        assertEquals(List.of("a\uFFFD\uFFFDb\t1"), cut(new byte[] {'a', 0, (byte) 0xFF, 'b', '\t', '1', '\n'}));
    }

    @Test
    void somethingThatEndsNoLineIsCut() {
        List<String> lines = cut(new byte[2 * LineCutter.MOST + 5], bytes("\n"));
        assertEquals(
                List.of(LineCutter.MOST, LineCutter.MOST, 5),
                lines.stream().map(String::length).toList());
    }

    @Test
    void onlySoManyBytesCountAsCame() {
        assertEquals(List.of("ab"), new LineCutter().take(bytes("ab\ncd\n"), 3));
    }
}
