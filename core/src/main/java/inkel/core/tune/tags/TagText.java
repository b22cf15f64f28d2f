package inkel.core.tune.tags;

import inkel.core.formula.TagNumber;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;

/**
 * The number of a tag as people have it: in hexadecimal with or without blanks and colons, with zeros cut off by a program that
 * printed byte by byte, as one decimal number the first byte the highest or the lowest, or as the serial kind of 125 kHz sends and
 * prints it: ten digits of five bytes and two of their check, 10 decimal digits, or 3 and 5.
 */
public final class TagText {
    private static final long MOST_OF_FOUR = 0xFFFF_FFFFL;
    private static final int SERIAL_BYTES = 5;

    private TagText() {}

    /**
     * All numbers that a text may mean, as bytes: one where it is clear, two for a decimal number whose order nobody knows, and
     * none for what is no number of a tag.
     */
    public static List<List<Integer>> candidates(String text) {
        String plain = text.strip();
        if (plain.matches("[0-9]{1,3},[0-9]{5}")) {
            return card(plain).map(List::of).orElse(List.of());
        }
        Optional<List<Integer>> hex = TagNumber.parse(plain)
                .map(TagNumber::bytes)
                .or(() -> printed(plain))
                .or(() -> serial(plain));
        // Eight digits without a letter are hexadecimal as well as decimal; the longer habit is hexadecimal.
        return hex.map(List::of).orElseGet(() -> decimal(plain));
    }

    /** Bytes with blanks or colons between them, each with its leading zero cut off. */
    private static Optional<List<Integer>> printed(String text) {
        String[] words = text.split("[\\s:,-]+");
        boolean isSize = words.length == 4 || words.length == 7 || words.length == 10 || words.length == SERIAL_BYTES;
        List<Integer> bytes = new ArrayList<>();
        for (String word : words) {
            String digits = word.replaceFirst("^0[xX]", "");
            if (!isSize || !digits.matches("[0-9a-fA-F]{1,2}")) {
                return Optional.empty();
            }
            bytes.add(Integer.parseInt(digits, 16));
        }
        return Optional.of(bytes);
    }

    /** Ten digits and a check of two, which is the exclusive or of the five; or ten with a letter in them. */
    private static Optional<List<Integer>> serial(String text) {
        String digits = text.replaceAll("[\\s\\p{Cntrl}]+", "");
        if (digits.matches("[0-9a-fA-F]{12}")) {
            List<Integer> bytes = bytes(digits);
            int check = bytes.subList(0, SERIAL_BYTES).stream().reduce(0, (one, other) -> one ^ other);
            return check == bytes.get(SERIAL_BYTES)
                    ? Optional.of(List.copyOf(bytes.subList(0, SERIAL_BYTES)))
                    : Optional.empty();
        }
        return digits.matches("(?=.*[a-fA-F])[0-9a-fA-F]{10}") ? Optional.of(bytes(digits)) : Optional.empty();
    }

    private static List<Integer> bytes(String hex) {
        List<Integer> bytes = new ArrayList<>();
        for (byte one : HexFormat.of().parseHex(hex)) {
            bytes.add(one & 0xFF);
        }
        return bytes;
    }

    /** Three digits, a comma and five, as printed on cards of the serial kind: the third byte, and the lowest two. */
    private static Optional<List<Integer>> card(String text) {
        long high = Long.parseLong(text.substring(0, text.indexOf(',')));
        long low = Long.parseLong(text.substring(text.indexOf(',') + 1));
        return high <= 0xFF && low <= 0xFFFF ? Optional.of(four(high << 16 | low)) : Optional.empty();
    }

    /** Four bytes either way round; the number on a card of the serial kind is the lower four of its five. */
    private static List<List<Integer>> decimal(String text) {
        if (!text.matches("[0-9]{5,10}") || new BigInteger(text).longValue() > MOST_OF_FOUR) {
            return List.of();
        }
        List<Integer> big = four(Long.parseLong(text));
        List<Integer> little = List.of(big.get(3), big.get(2), big.get(1), big.get(0));
        return big.equals(little) ? List.of(big) : List.of(big, little);
    }

    private static List<Integer> four(long number) {
        List<Integer> bytes = new ArrayList<>();
        for (int shift = 24; shift >= 0; shift -= 8) {
            bytes.add((int) (number >> shift & 0xFF));
        }
        return bytes;
    }

    /** In hexadecimal, with blanks. */
    public static String text(List<Integer> bytes) {
        return bytes.stream()
                .map(one -> HexFormat.of().withUpperCase().toHexDigits(one.byteValue()))
                .reduce((one, other) -> one + " " + other)
                .orElse("");
    }

    /** Whether a tag draws its number anew each time: four bytes that begin with 08. */
    public static boolean isRandom(List<Integer> bytes) {
        return bytes.size() == 4 && new TagNumber(bytes).isRandom();
    }
}
