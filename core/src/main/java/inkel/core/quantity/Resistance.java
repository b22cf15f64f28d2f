package inkel.core.quantity;

/** An electric resistance in ohms. */
public record Resistance(double ohms) implements Quantity, Comparable<Resistance> {
    public static final Resistance ZERO = new Resistance(0);

    public Resistance {
        Quantity.finite(ohms, Unit.OHM);
    }

    public static Resistance ofOhms(double ohms) {
        return new Resistance(ohms);
    }

    public Resistance times(double factor) {
        return new Resistance(ohms * factor);
    }

    /** R1·R2 / (R1 + R2). */
    public Resistance parallelTo(Resistance other) {
        return new Resistance(ohms * other.ohms / (ohms + other.ohms));
    }

    @Override
    public double si() {
        return ohms;
    }

    @Override
    public Unit unit() {
        return Unit.OHM;
    }

    @Override
    public int compareTo(Resistance other) {
        return Double.compare(ohms, other.ohms);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
