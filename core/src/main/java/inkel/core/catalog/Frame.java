package inkel.core.catalog;

import java.util.ArrayList;
import java.util.List;

/**
 * How a converter is sent a code: bits before it and after it, as zeros and ones, highest first. On I2C they follow the
 * address.
 */
public record Frame(String before, String after) {
    /** Of those before a code, and of those after it. */
    public static final int MOST_BITS = 24;

    private static final int BYTE = 8;

    /**
     * What goes out for a code, byte by byte.
     *
     * @param bits how many a code has
     */
    public List<Integer> bytes(int bits, long code) {
        String digits = Long.toBinaryString((1L << bits) | code).substring(1);
        String all = before + digits + after;
        List<Integer> bytes = new ArrayList<>();
        for (int i = 0; i < all.length(); i += BYTE) {
            bytes.add(Integer.parseInt(all.substring(i, Math.min(i + BYTE, all.length())), 2));
        }
        return bytes;
    }
}
