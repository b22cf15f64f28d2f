package inkel.core.bench;

/** What shows currents on a bench: the display of a supply, or a meter in a plug. */
public final class Display {
    /** The share of what it shows that it may be off by. */
    public static final double SHARE = 0.01;

    /** Its last digit, in amperes. */
    public static final double STEP = 1e-3;

    /** How many of its last digit it may be off by besides. */
    private static final int DIGITS = 2;

    private Display() {}

    /** How far a reading may be off, in amperes. */
    public static double error(double amperes) {
        return SHARE * Math.abs(amperes) + DIGITS * STEP;
    }
}
