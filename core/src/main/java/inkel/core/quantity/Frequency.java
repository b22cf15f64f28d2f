package inkel.core.quantity;

/** A frequency, clock or rate in hertz. */
public record Frequency(double hertz) implements Quantity, Comparable<Frequency> {
    public static final Frequency ZERO = new Frequency(0);

    public Frequency {
        Quantity.finite(hertz, Unit.HERTZ);
    }

    public static Frequency ofHertz(double hertz) {
        return new Frequency(hertz);
    }

    @Override
    public double si() {
        return hertz;
    }

    @Override
    public Unit unit() {
        return Unit.HERTZ;
    }

    @Override
    public int compareTo(Frequency other) {
        return Double.compare(hertz, other.hertz);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
