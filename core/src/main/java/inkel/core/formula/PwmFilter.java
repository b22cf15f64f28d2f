package inkel.core.formula;

import java.util.List;

/**
 * A resistor and a capacitor behind pulses, once or twice the same in a row. One: {@code f_c = 1/(2π·R·C)}; the ripple from top
 * to bottom is {@code V·(1 − e^(−D·T/τ))·(1 − e^(−(1−D)·T/τ))/(1 − e^(−T/τ))}; it settles to 1 % in {@code τ·ln 100}. Two that
 * load each other: {@code H = 1/(1 + 3sτ + s²τ²)}, which is a difference of two single ones with {@code τ·(3 ± √5)/2}; their
 * sum is followed over a period.
 *
 * @param tau R·C of one, in seconds
 * @param stages 1 or 2
 */
public record PwmFilter(double tau, int stages) {
    /** What is left of a step when it counts as settled. */
    private static final double SETTLED = 0.01;

    private static final int POINTS = 2000;
    private static final int HALVINGS = 80;

    /** A single pole with its weight in the sum. */
    private record Pole(double tau, double weight) {
        /** How far it is up at a time from the beginning of a pulse, once it has settled; of a pulse of one volt. */
        double at(double time, double width, double period) {
            double top = (1 - Math.exp(-width / tau)) / (1 - Math.exp(-period / tau));
            double bottom = top * Math.exp(-(period - width) / tau);
            return time <= width ? 1 - (1 - bottom) * Math.exp(-time / tau) : top * Math.exp(-(time - width) / tau);
        }
    }

    private List<Pole> poles() {
        if (stages == 1) {
            return List.of(new Pole(tau, 1));
        }
        double slow = tau * (3 + Math.sqrt(5)) / 2;
        double fast = tau * (3 - Math.sqrt(5)) / 2;
        return List.of(new Pole(slow, slow / (slow - fast)), new Pole(fast, -fast / (slow - fast)));
    }

    /** The frequency at which half of the power is left, in hertz. */
    public double cutOff() {
        // (1 − x²)² + 9·x² = 2 for two of them.
        double share = stages == 1 ? 1 : Math.sqrt((Math.sqrt(53) - 7) / 2);
        return share / (2 * Math.PI * tau);
    }

    /**
     * From top to bottom of what is left of the pulses.
     *
     * @param period from pulse to pulse, in seconds
     * @param duty the share of it that a pulse lasts, 0 to 1
     */
    public double ripple(double volts, double period, double duty) {
        if (duty <= 0 || duty >= 1) {
            return 0;
        }
        double least = Double.MAX_VALUE;
        double most = -Double.MAX_VALUE;
        for (int i = 0; i <= POINTS; i++) {
            // Both corners of the pulse are among the points, where one stage alone has its ends.
            double time = i <= POINTS / 2
                    ? duty * period * i / (POINTS / 2.0)
                    : duty * period + (1 - duty) * period * (i - POINTS / 2.0) / (POINTS / 2.0);
            double level = 0;
            for (Pole pole : poles()) {
                level += pole.weight() * pole.at(time, duty * period, period);
            }
            least = Math.min(least, level);
            most = Math.max(most, level);
        }
        return volts * (most - least);
    }

    /** How long it takes to come within 1 % of a new value. */
    public double settles() {
        double low = 0;
        double high = 100 * tau;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            double left = 0;
            for (Pole pole : poles()) {
                left += pole.weight() * Math.exp(-middle / pole.tau());
            }
            if (left > SETTLED) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return high;
    }
}
