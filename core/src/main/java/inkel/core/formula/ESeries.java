package inkel.core.formula;

import java.util.stream.DoubleStream;

/** Preferred values of IEC 60063: the steps in which resistors and capacitors are sold. */
public enum ESeries {
    E6(100, 150, 220, 330, 470, 680),
    E12(100, 120, 150, 180, 220, 270, 330, 390, 470, 560, 680, 820),
    E24(
            100, 110, 120, 130, 150, 160, 180, 200, 220, 240, 270, 300, 330, 360, 390, 430, 470, 510, 560, 620, 680,
            750, 820, 910),
    E96(logarithmic(96));

    private final int[] steps;

    /** From E48 on the steps are a geometric row rounded to three digits. */
    private static int[] logarithmic(int count) {
        int[] row = new int[count];
        for (int i = 0; i < count; i++) {
            row[i] = (int) Math.round(100 * Math.pow(10, (double) i / count));
        }
        return row;
    }

    ESeries(int... steps) {
        this.steps = steps;
    }

    /**
     * The smallest preferred value that is not below the one given.
     *
     * @param value above zero
     */
    public double atLeast(double value) {
        if (!(value > 0) || !Double.isFinite(value)) {
            throw new IllegalArgumentException("a preferred value is above zero: " + value);
        }
        int decade = (int) Math.floor(Math.log10(value));
        return DoubleStream.concat(ofDecade(decade - 1), DoubleStream.concat(ofDecade(decade), ofDecade(decade + 1)))
                .filter(step -> step >= value * (1 - 1e-9))
                .findFirst()
                .orElseThrow();
    }

    /**
     * The largest preferred value that is not above the one given.
     *
     * @param value above zero
     */
    public double atMost(double value) {
        if (!(value > 0) || !Double.isFinite(value)) {
            throw new IllegalArgumentException("a preferred value is above zero: " + value);
        }
        int decade = (int) Math.floor(Math.log10(value));
        return DoubleStream.concat(ofDecade(decade - 1), DoubleStream.concat(ofDecade(decade), ofDecade(decade + 1)))
                .filter(step -> step <= value * (1 + 1e-9))
                .max()
                .orElseThrow();
    }

    /** The values from {@code 10^decade} up to, and without, the next decade, rising. */
    public DoubleStream ofDecade(int decade) {
        // Dividing keeps 4700 exact where multiplying by a negative power would not.
        double scale = Math.pow(10, Math.abs(decade - 2));
        return java.util.Arrays.stream(steps).mapToDouble(step -> decade >= 2 ? step * scale : step / scale);
    }
}
