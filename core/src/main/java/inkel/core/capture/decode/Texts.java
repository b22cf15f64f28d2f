package inkel.core.capture.decode;

import inkel.core.quantity.Engineering;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** Bytes as practitioners write them. */
final class Texts {
    private Texts() {}

    static String hex(int value) {
        return Engineering.address(value);
    }

    static String hex(List<Integer> bytes) {
        return bytes.stream().map(Texts::hex).collect(Collectors.joining(" "));
    }

    /** Letters as they are, all else as its number. */
    static String letters(List<Integer> bytes) {
        StringBuilder text = new StringBuilder();
        for (int value : bytes) {
            if (value >= 32 && value < 127) {
                text.append((char) value);
            } else {
                text.append(
                        value == '\n' ? "\\n" : value == '\r' ? "\\r" : String.format(Locale.ROOT, "\\x%02X", value));
            }
        }
        return text.toString();
    }
}
