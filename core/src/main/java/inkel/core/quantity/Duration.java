package inkel.core.quantity;

/** A span of time in seconds. */
public record Duration(double seconds) implements Quantity, Comparable<Duration> {
    public static final Duration ZERO = new Duration(0);

    public Duration {
        Quantity.finite(seconds, Unit.SECOND);
    }

    public static Duration ofSeconds(double seconds) {
        return new Duration(seconds);
    }

    @Override
    public double si() {
        return seconds;
    }

    @Override
    public Unit unit() {
        return Unit.SECOND;
    }

    @Override
    public int compareTo(Duration other) {
        return Double.compare(seconds, other.seconds);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
