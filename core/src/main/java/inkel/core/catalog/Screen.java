package inkel.core.catalog;

/**
 * What a part shows.
 *
 * @param columns characters in a line, or dots; the lamps of a strip
 * @param bits of one dot; 0 where characters are shown
 * @param lacks characters of a keyboard that it has no picture for
 */
public record Screen(int columns, int rows, int bits, String lacks) {
    private static final int BITS_A_BYTE = 8;

    public boolean isOfText() {
        return bits == 0;
    }

    /** What one whole picture is, in bytes. */
    public int bytes() {
        return isOfText() ? columns * rows : (columns * rows * bits + BITS_A_BYTE - 1) / BITS_A_BYTE;
    }
}
