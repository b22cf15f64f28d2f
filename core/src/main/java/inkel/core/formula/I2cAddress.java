package inkel.core.formula;

/** 7-bit addresses of the I2C-bus specification. */
public final class I2cAddress {
    /** The lowest address that a device may have; those below are kept for the bus. */
    public static final int FIRST = 0x08;

    /** The highest address that a device may have. */
    public static final int LAST = 0x77;

    private I2cAddress() {}

    public static boolean isReserved(int address) {
        return address < FIRST || address > LAST;
    }
}
