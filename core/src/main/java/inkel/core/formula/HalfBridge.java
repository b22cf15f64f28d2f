package inkel.core.formula;

import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;

/**
 * A resistance that varies, to ground, below a fixed one to the supply. The share of the supply between them is
 * {@code R/(R + R0)}; from the least to the most that R is, it swings by {@code R2/(R2 + R0) − R1/(R1 + R0)}, which is widest
 * where its slope by R0 is nought: at {@code R0 = √(R1·R2)}.
 */
public final class HalfBridge {
    private HalfBridge() {}

    /** What share of the supply stands over the resistance. */
    public static double share(Resistance varies, Resistance fixed) {
        return varies.ohms() / (varies.ohms() + fixed.ohms());
    }

    /** The fixed resistor of a series with which the share swings the most. */
    public static Resistance widest(Range<Resistance> varies, ESeries series) {
        double best = Math.sqrt(varies.lowest().ohms() * varies.highest().ohms());
        double above = series.atLeast(best);
        double below = series.atMost(best);
        return Resistance.ofOhms(above / best <= best / below ? above : below);
    }
}
