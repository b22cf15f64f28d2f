package inkel.core.quantity;

/** A charge in ampere-hours, the unit that batteries are sold by: 1 Ah is 3600 C. */
public record Charge(double ampereHours) implements Quantity, Comparable<Charge> {
    public static final Charge ZERO = new Charge(0);

    public Charge {
        Quantity.finite(ampereHours, Unit.AMPERE_HOUR);
    }

    public static Charge ofAmpereHours(double ampereHours) {
        return new Charge(ampereHours);
    }

    @Override
    public double si() {
        return ampereHours;
    }

    @Override
    public Unit unit() {
        return Unit.AMPERE_HOUR;
    }

    @Override
    public int compareTo(Charge other) {
        return Double.compare(ampereHours, other.ampereHours);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
