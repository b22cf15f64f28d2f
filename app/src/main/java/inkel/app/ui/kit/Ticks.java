package inkel.app.ui.kit;

import java.util.ArrayList;
import java.util.List;

/** Where the numbers of a scale stand: at 1, 2 or 5 times a power of ten. */
public final class Ticks {
    private static final double[] STEPS = {1, 2, 5};

    private Ticks() {}

    /** The smallest round step that is no smaller than this. */
    public static double step(double least) {
        double power = Math.pow(10, Math.floor(Math.log10(least)));
        for (double step : STEPS) {
            if (step * power >= least) {
                return step * power;
            }
        }
        return 10 * power;
    }

    /** The multiples of a step from one value to another. */
    public static List<Double> between(double from, double to, double step) {
        List<Double> all = new ArrayList<>();
        for (double at = Math.ceil(from / step) * step; at <= to + step / 1e6; at += step) {
            all.add(Math.abs(at) < step / 1e6 ? 0 : at);
        }
        return all;
    }
}
