package inkel.core.formula;

import inkel.core.quantity.Temperature;

/**
 * The curve of a thermistor through three points, by Steinhart and Hart (1968): {@code 1/T = A + B·ln R + C·(ln R)³}, T in
 * kelvin. With {@code L = ln R}, {@code Y = 1/T} and {@code γ2 = (Y2 − Y1)/(L2 − L1)}, {@code γ3 = (Y3 − Y1)/(L3 − L1)}:
 * {@code C = (γ3 − γ2)/((L3 − L2)·(L1 + L2 + L3))}, {@code B = γ2 − C·(L1² + L1·L2 + L2²)},
 * {@code A = Y1 − L1·(B + L1²·C)}.
 */
public record SteinhartHart(double a, double b, double c) {
    private static final double KELVIN = 273.15;

    /** A resistance and the temperature at which it was measured. */
    public record Known(double ohms, double celsius) {}

    /** @throws IllegalArgumentException where two points have one resistance, or none rises above absolute zero */
    public static SteinhartHart through(Known one, Known two, Known three) {
        double l1 = Math.log(one.ohms());
        double l2 = Math.log(two.ohms());
        double l3 = Math.log(three.ohms());
        double y1 = 1 / (one.celsius() + KELVIN);
        double y2 = 1 / (two.celsius() + KELVIN);
        double y3 = 1 / (three.celsius() + KELVIN);
        double g2 = (y2 - y1) / (l2 - l1);
        double g3 = (y3 - y1) / (l3 - l1);
        double c = (g3 - g2) / ((l3 - l2) * (l1 + l2 + l3));
        double b = g2 - c * (l1 * l1 + l1 * l2 + l2 * l2);
        double a = y1 - l1 * (b + l1 * l1 * c);
        if (!Double.isFinite(a) || !Double.isFinite(b) || !Double.isFinite(c)) {
            throw new IllegalArgumentException("three points of a curve differ");
        }
        return new SteinhartHart(a, b, c);
    }

    public Temperature at(double ohms) {
        double l = Math.log(ohms);
        return Temperature.ofCelsius(1 / (a + b * l + c * l * l * l) - KELVIN);
    }
}
