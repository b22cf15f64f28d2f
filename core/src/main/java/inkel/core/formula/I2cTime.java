package inkel.core.formula;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import inkel.core.quantity.TimeSpan;

/**
 * How long a transfer holds an I2C bus: nine clocks for each byte, its acknowledgement among them, and one each for start
 * and stop; a repeated start takes one more (I2C-bus specification, data transfer).
 *
 * @param bits clocks in all
 */
public record I2cTime(long bits, TimeSpan time) {
    private static final int CLOCKS_PER_BYTE = 9;
    private static final int START_AND_STOP = 2;

    /**
     * @param bytes data bytes to and fro
     * @param addressBytes how many times an address is sent: one, and one more after each repeated start
     */
    public static I2cTime of(Frequency clock, int bytes, int addressBytes, boolean hasRestart) {
        long bits = (long) CLOCKS_PER_BYTE * (bytes + addressBytes) + START_AND_STOP + (hasRestart ? 1 : 0);
        return new I2cTime(bits, TimeSpan.ofSeconds(bits / clock.hertz()));
    }

    /** The share of the bus that polls of this kind take; above 1 they do not fit. */
    public Share use(Frequency polls) {
        return Share.of(time.seconds() * polls.hertz());
    }
}
