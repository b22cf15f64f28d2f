package inkel.core.quantity;

/** An electric capacitance in farads. */
public record Capacitance(double farads) implements Quantity, Comparable<Capacitance> {
    public static final Capacitance ZERO = new Capacitance(0);

    public Capacitance {
        Quantity.finite(farads, Unit.FARAD);
    }

    public static Capacitance ofFarads(double farads) {
        return new Capacitance(farads);
    }

    @Override
    public double si() {
        return farads;
    }

    @Override
    public Unit unit() {
        return Unit.FARAD;
    }

    @Override
    public int compareTo(Capacitance other) {
        return Double.compare(farads, other.farads);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
