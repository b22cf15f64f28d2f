package inkel.core.formula;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;

/**
 * A long-range radio by chirps: a symbol lasts {@code 2^SF/BW}; the preamble is n + 4.25 of them, the payload {@code 8 +
 * max(ceil((8·PL − 4·SF + 28 + 16·CRC − 20·IH)/(4·(SF − 2·DE)))·(CR + 4), 0)}, as makers of such chips publish it. It is heard
 * down to {@code −174 + 10·lg(BW) + NF + SNR} dBm, 2.5 dB weaker for each step of the spreading factor.
 *
 * @param spreading 6 to 12
 * @param coding 1 to 4: 4/5 to 4/8
 * @param preamble symbols, usually 8
 * @param hasHeader whether length and coding are sent along
 * @param hasCheck whether two check bytes are sent along
 */
public record LongRangeAir(
        int spreading, Frequency bandwidth, int coding, int preamble, boolean hasHeader, boolean hasCheck) {
    private static final double SYNC_SYMBOLS = 4.25;
    private static final double NOISE_DBM = -174;
    private static final double NOISE_FIGURE_DB = 6;

    /** Of the lowest spreading factor, and how much weaker each further one is heard. */
    private static final int FIRST = 6;

    private static final double FIRST_SNR_DB = -5;
    private static final double SNR_STEP_DB = 2.5;

    /** Symbols that last longer want the low data rate set, which takes two bits of each. */
    private static final double LONG_SYMBOL = 16e-3;

    public LongRangeAir {
        if (spreading < FIRST || spreading > 12 || coding < 1 || coding > 4 || preamble < 0) {
            throw new IllegalArgumentException("no such setting: " + spreading + ", " + coding + ", " + preamble);
        }
    }

    public TimeSpan symbol() {
        return TimeSpan.ofSeconds(Math.pow(2, spreading) / bandwidth.hertz());
    }

    public boolean isLowRate() {
        return symbol().seconds() > LONG_SYMBOL;
    }

    public TimeSpan airTime(int payload) {
        int bits = 8 * payload - 4 * spreading + 28 + (hasCheck ? 16 : 0) - (hasHeader ? 0 : 20);
        int each = 4 * (spreading - (isLowRate() ? 2 : 0));
        double symbols = 8 + Math.max(Math.ceil((double) bits / each) * (coding + 4), 0);
        return TimeSpan.ofSeconds((preamble + SYNC_SYMBOLS + symbols) * symbol().seconds());
    }

    /** In dBm. */
    public double sensitivity() {
        return NOISE_DBM
                + 10 * Math.log10(bandwidth.hertz())
                + NOISE_FIGURE_DB
                + FIRST_SNR_DB
                - SNR_STEP_DB * (spreading - FIRST);
    }
}
