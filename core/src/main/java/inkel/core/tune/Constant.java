package inkel.core.tune;

import inkel.core.quantity.Source;
import java.text.Normalizer;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * A constant for the builder's code.
 *
 * @param name an identifier, its unit in it: {@code GATE_LOW_US}
 * @param value as code writes it; a {@link #row} in braces
 * @param source where it came from
 */
public record Constant(String name, String value, Source source) {
    /** An identifier of the words of people: letters, digits and low lines, and no digit first. */
    public static String identifier(String... words) {
        String plain = Normalizer.normalize(String.join(" ", words), Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toUpperCase(Locale.ROOT)
                .replaceAll("[^A-Z0-9]+", "_")
                .replaceAll("^_+|_+$", "");
        return plain.isEmpty() || Character.isDigit(plain.charAt(0)) ? "N_" + plain : plain;
    }

    /** A row of numbers. */
    public static String row(List<Long> numbers) {
        return numbers.stream().map(String::valueOf).collect(Collectors.joining(", ", "{", "}"));
    }

    /** A row of bytes, in hexadecimal as they are told. */
    public static String bytes(List<Integer> bytes) {
        return bytes.stream()
                .map(one -> "0x" + HexFormat.of().withUpperCase().toHexDigits(one.byteValue()))
                .collect(Collectors.joining(", ", "{", "}"));
    }

    public boolean isRow() {
        return value.startsWith("{");
    }
}
