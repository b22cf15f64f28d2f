package inkel.core.catalog.routine;

/**
 * A number within bytes that were read.
 *
 * @param name what it is, one word or two
 * @param at its first byte, from 0
 * @param shift how many of its lowest bits are no part of it
 * @param mask what of it counts, after the shift; 0 for all of it
 * @param scale what one of it is in the unit
 * @param offset what is added after that, in the unit
 * @param unit empty for a plain code
 */
public record Value(String name, int at, Form form, int shift, int mask, double scale, double offset, String unit) {
    private static final long MINUS = 1 << 15;

    /** How the bytes make a number. */
    public enum Form {
        UINT8(1),
        INT8(1),
        UINT16_BIG(2),
        UINT16_LITTLE(2),
        INT16_BIG(2),
        INT16_LITTLE(2),
        /** The highest bit is a minus, the others the number. */
        MINUS16_BIG(2),
        UINT24_BIG(3),
        INT24_BIG(3),
        /** Two decimal digits in one byte. */
        BCD(1),
        /** As many bytes as were read, each told in hexadecimal. */
        HEX(0);

        private final int bytes;

        Form(int bytes) {
            this.bytes = bytes;
        }

        public int bytes() {
            return bytes;
        }

        public boolean isSigned() {
            return this == INT8 || this == INT16_BIG || this == INT16_LITTLE || this == INT24_BIG;
        }

        public boolean isLittle() {
            return this == UINT16_LITTLE || this == INT16_LITTLE;
        }
    }

    /** A number that is told as it comes. */
    public static Value plain(String name, double scale, String unit) {
        return new Value(name, 0, Form.UINT16_BIG, 0, 0, scale, 0, unit);
    }

    /** The same behind so many others of as many bytes each; a single byte is told alone, and not with those before it. */
    Value after(int others, int bytes) {
        Form alone = form == Form.HEX && bytes == 1 ? Form.UINT8 : form;
        return new Value(name, at + others * bytes, alone, shift, mask, scale, offset, unit);
    }

    public boolean isScaled() {
        return scale != 1 || offset != 0;
    }

    /** What bytes mean, by this class alone: what a program prints is held against it. */
    public double of(int[] bytes) {
        long number = 0;
        for (int i = 0; i < form.bytes(); i++) {
            int place = form.isLittle() ? at + form.bytes() - 1 - i : at + i;
            number = number << 8 | bytes[place] & 0xFF;
        }
        if (form.isSigned() && number >> (8 * form.bytes() - 1) == 1) {
            number -= 1L << 8 * form.bytes();
        }
        boolean isMinus = form == Form.MINUS16_BIG && number >= MINUS;
        number = (isMinus ? MINUS - number : number) >> shift;
        if (mask != 0) {
            number &= mask;
        }
        if (form == Form.BCD) {
            number = (number >> 4) * 10 + (number & 15);
        }
        return number * scale + offset;
    }
}
