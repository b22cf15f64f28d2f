package inkel.core.quantity;

/** A power in watts. */
public record Power(double watts) implements Quantity, Comparable<Power> {
    public static final Power ZERO = new Power(0);

    public Power {
        Quantity.finite(watts, Unit.WATT);
    }

    public static Power ofWatts(double watts) {
        return new Power(watts);
    }

    @Override
    public double si() {
        return watts;
    }

    @Override
    public Unit unit() {
        return Unit.WATT;
    }

    @Override
    public int compareTo(Power other) {
        return Double.compare(watts, other.watts);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
