package inkel.core.quantity;

/** An electric potential difference in volts; may be negative. */
public record Voltage(double volts) implements Quantity, Comparable<Voltage> {
    public static final Voltage ZERO = new Voltage(0);

    public Voltage {
        Quantity.finite(volts, Unit.VOLT);
    }

    public static Voltage ofVolts(double volts) {
        return new Voltage(volts);
    }

    public static Voltage ofMillivolts(double millivolts) {
        return new Voltage(millivolts / 1e3);
    }

    public Voltage plus(Voltage other) {
        return new Voltage(volts + other.volts);
    }

    public Voltage minus(Voltage other) {
        return new Voltage(volts - other.volts);
    }

    public Voltage times(double factor) {
        return new Voltage(volts * factor);
    }

    public Current dividedBy(Resistance resistance) {
        return new Current(volts / resistance.ohms());
    }

    public boolean isAbove(Voltage other) {
        return volts > other.volts + TOLERANCE;
    }

    public boolean isBelow(Voltage other) {
        return volts < other.volts - TOLERANCE;
    }

    /** A nanovolt: sums of tenths are not exact in binary, and no part can tell this much apart. */
    private static final double TOLERANCE = 1e-9;

    @Override
    public double si() {
        return volts;
    }

    @Override
    public Unit unit() {
        return Unit.VOLT;
    }

    @Override
    public int compareTo(Voltage other) {
        return Double.compare(volts, other.volts);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
