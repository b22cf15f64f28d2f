package inkel.stress.kit;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Random;

/** Spoils bytes, as a bad disk, a wrong tool or a torn copy does. */
public final class Scrawl {
    private static final String MARKS = "{}[]\",:\n\\0-9e.+ \u0000\u00e4";

    private Scrawl() {}

    /** Bytes with one to three changes. */
    public static byte[] over(byte[] bytes, Random random) {
        byte[] spoilt = bytes;
        int changes = 1 + random.nextInt(3);
        for (int i = 0; i < changes && spoilt.length > 0; i++) {
            spoilt = once(spoilt, random);
        }
        return spoilt;
    }

    private static byte[] once(byte[] bytes, Random random) {
        int at = random.nextInt(bytes.length);
        int length = 1 + random.nextInt(Math.min(40, bytes.length - at));
        byte[] mark =
                String.valueOf(MARKS.charAt(random.nextInt(MARKS.length()))).getBytes(StandardCharsets.UTF_8);
        return switch (random.nextInt(8)) {
            case 0 -> Arrays.copyOf(bytes, at);
            case 1 -> replaced(bytes, at, 0, mark);
            case 2 -> replaced(bytes, at, length, new byte[0]);
            case 3 -> replaced(bytes, at, 1, new byte[] {(byte) random.nextInt(256)});
            case 4 -> replaced(bytes, at, 0, Arrays.copyOfRange(bytes, at, at + length));
            case 5 -> replaced(bytes, 0, 0, new byte[] {(byte) 0xEF, (byte) 0xBB, (byte) 0xBF});
            case 6 -> replaced(bytes, bytes.length, 0, Arrays.copyOfRange(bytes, at, bytes.length));
            default -> replaced(bytes, at, 1, mark);
        };
    }

    private static byte[] replaced(byte[] bytes, int at, int gone, byte[] put) {
        byte[] made = new byte[bytes.length - gone + put.length];
        System.arraycopy(bytes, 0, made, 0, at);
        System.arraycopy(put, 0, made, at, put.length);
        System.arraycopy(bytes, at + gone, made, at + put.length, bytes.length - at - gone);
        return made;
    }
}
