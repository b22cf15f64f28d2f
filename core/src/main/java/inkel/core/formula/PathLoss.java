package inkel.core.formula;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Length;

/** What a radio loses over a free path: {@code 20·lg(km) + 20·lg(MHz) + 32.44} dB (ITU-R P.525). */
public final class PathLoss {
    private static final double CONSTANT_DB = 32.44;

    private PathLoss() {}

    /** In dB, from a metre on; nearer the formula does not hold and nothing less is lost. */
    public static double free(Frequency frequency, Length length) {
        double metres = Math.max(1, length.metres());
        return 20 * Math.log10(metres / 1000) + 20 * Math.log10(frequency.hertz() / 1e6) + CONSTANT_DB;
    }

    /** How far a loss may be, in metres: the same turned round. */
    public static double metres(Frequency frequency, double lossDb) {
        return 1000 * Math.pow(10, (lossDb - CONSTANT_DB - 20 * Math.log10(frequency.hertz() / 1e6)) / 20);
    }
}
