package inkel.core.quantity;

/** A length in metres. */
public record Length(double metres) implements Quantity, Comparable<Length> {
    public static final Length ZERO = new Length(0);

    public Length {
        Quantity.finite(metres, Unit.METRE);
    }

    public static Length ofMetres(double metres) {
        return new Length(metres);
    }

    @Override
    public double si() {
        return metres;
    }

    @Override
    public Unit unit() {
        return Unit.METRE;
    }

    @Override
    public int compareTo(Length other) {
        return Double.compare(metres, other.metres);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
