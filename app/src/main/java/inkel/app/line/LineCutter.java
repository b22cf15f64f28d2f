package inkel.app.line;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** Cuts what comes byte by byte into lines of letters that can be shown. */
final class LineCutter {
    /** A longer line is cut, in bytes: something that is no text may never end one. */
    static final int MOST = 1000;

    private final ByteArrayOutputStream begun = new ByteArrayOutputStream();

    /** The lines that these bytes end. */
    List<String> take(byte[] bytes, int count) {
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            if (bytes[i] == '\n') {
                lines.add(line());
            } else {
                begun.write(bytes[i]);
                if (begun.size() >= MOST) {
                    lines.add(line());
                }
            }
        }
        return lines;
    }

    private String line() {
        String text = begun.toString(StandardCharsets.UTF_8);
        begun.reset();
        StringBuilder shown = new StringBuilder();
        text.stripTrailing()
                .codePoints()
                .forEach(letter ->
                        shown.appendCodePoint(Character.isISOControl(letter) && letter != '\t' ? 0xFFFD : letter));
        return shown.toString();
    }
}
