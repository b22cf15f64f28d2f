package inkel.core.formula;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;

/**
 * The number of a tag: 4, 7 or 10 bytes of a 13.56 MHz one (ISO/IEC 14443-3), sent over the air in one, two or three cascade
 * levels of four bytes and a check byte, the exclusive or of the four. A level that is not the last begins with 0x88.
 */
public record TagNumber(List<Integer> bytes) {
    private static final int MARK = 0x88;
    private static final int RANDOM = 0x08;

    public TagNumber {
        bytes = List.copyOf(bytes);
        if (bytes.size() != 4 && bytes.size() != 7 && bytes.size() != 10) {
            throw new IllegalArgumentException("4, 7 or 10 bytes, not " + bytes.size());
        }
    }

    /** Of hexadecimal digits with or without blanks, colons, dashes or 0x between the bytes; empty for anything else. */
    public static Optional<TagNumber> parse(String hex) {
        String plain = hex.strip().replaceAll("0[xX]", "").replaceAll("[\\s:,-]+", "");
        boolean isRight = plain.matches("(?:[0-9a-fA-F]{2})+")
                && (plain.length() == 8 || plain.length() == 14 || plain.length() == 20);
        if (!isRight) {
            return Optional.empty();
        }
        List<Integer> bytes = new ArrayList<>();
        for (byte one : HexFormat.of().parseHex(plain)) {
            bytes.add(one & 0xFF);
        }
        return Optional.of(new TagNumber(bytes));
    }

    /** The four bytes of each cascade level, as they go over the air. */
    public List<List<Integer>> levels() {
        List<List<Integer>> levels = new ArrayList<>();
        int at = 0;
        while (bytes.size() - at > 4) {
            levels.add(List.of(MARK, bytes.get(at), bytes.get(at + 1), bytes.get(at + 2)));
            at += 3;
        }
        levels.add(bytes.subList(at, at + 4));
        return levels;
    }

    /** The check byte of each level. */
    public List<Integer> checks() {
        return levels().stream()
                .map(level -> level.stream().reduce(0, (one, other) -> one ^ other))
                .toList();
    }

    /** Whether it is drawn anew each time the tag wakes, so that it says nothing. */
    public boolean isRandom() {
        return bytes.size() == 4 && bytes.get(0) == RANDOM;
    }

    /** The first byte the highest. */
    public BigInteger big() {
        BigInteger number = BigInteger.ZERO;
        for (int one : bytes) {
            number = number.shiftLeft(8).or(BigInteger.valueOf(one));
        }
        return number;
    }

    /** The first byte the lowest. */
    public BigInteger little() {
        BigInteger number = BigInteger.ZERO;
        for (int i = bytes.size() - 1; i >= 0; i--) {
            number = number.shiftLeft(8).or(BigInteger.valueOf(bytes.get(i)));
        }
        return number;
    }

    /** In hexadecimal, with blanks. */
    public String text() {
        return bytes.stream()
                .map(one -> HexFormat.of().withUpperCase().toHexDigits(one.byteValue()))
                .reduce((one, other) -> one + " " + other)
                .orElse("");
    }
}
