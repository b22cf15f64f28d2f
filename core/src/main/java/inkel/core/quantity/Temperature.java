package inkel.core.quantity;

/** A temperature in degrees Celsius. */
public record Temperature(double celsius) implements Quantity, Comparable<Temperature> {
    public static final Temperature ZERO = new Temperature(0);

    /** Absolute zero, in degrees Celsius. */
    public static final double LEAST = -273.15;

    public Temperature {
        Quantity.finite(celsius, Unit.CELSIUS);
    }

    public static Temperature ofCelsius(double celsius) {
        return new Temperature(celsius);
    }

    public boolean isAbove(Temperature other) {
        return celsius > other.celsius;
    }

    @Override
    public double si() {
        return celsius;
    }

    @Override
    public Unit unit() {
        return Unit.CELSIUS;
    }

    @Override
    public int compareTo(Temperature other) {
        return Double.compare(celsius, other.celsius);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
