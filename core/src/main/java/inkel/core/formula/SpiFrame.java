package inkel.core.formula;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * A frame of named fields, highest bit first, filled up with zeros at its end to whole bytes.
 *
 * @param bits as sent, of zeros and ones
 */
public record SpiFrame(String bits) {
    private static final int BYTE = 8;

    /**
     * @param bits 1 to 32
     * @param value not negative and inside the bits
     */
    public record Field(String name, int bits, long value) {
        public Field {
            if (bits < 1 || bits > 32 || value < 0 || value >= 1L << bits) {
                throw new IllegalArgumentException(name + ":" + bits + ":" + value);
            }
        }
    }

    public static SpiFrame of(List<Field> fields) {
        StringBuilder bits = new StringBuilder();
        for (Field field : fields) {
            String binary = Long.toBinaryString(field.value());
            bits.append("0".repeat(field.bits() - binary.length())).append(binary);
        }
        return new SpiFrame(bits.toString());
    }

    /** The bytes that go out, in order. */
    public List<Integer> bytes() {
        String whole = bits + "0".repeat(Math.floorMod(-bits.length(), BYTE));
        List<Integer> bytes = new ArrayList<>();
        for (int at = 0; at < whole.length(); at += BYTE) {
            bytes.add(Integer.parseInt(whole.substring(at, at + BYTE), 2));
        }
        return bytes;
    }

    public String hex() {
        StringBuilder hex = new StringBuilder("0x");
        bytes().forEach(value -> hex.append(String.format(Locale.ROOT, "%02X", value)));
        return hex.toString();
    }
}
