package inkel.core.quantity;

/** A span of time in seconds. */
public record TimeSpan(double seconds) implements Quantity, Comparable<TimeSpan> {
    public static final TimeSpan ZERO = new TimeSpan(0);

    public TimeSpan {
        Quantity.finite(seconds, Unit.SECOND);
    }

    /** @param seconds may be negative, as a shift is; finite */
    public static TimeSpan ofSeconds(double seconds) {
        return new TimeSpan(seconds);
    }

    public static TimeSpan ofHours(double hours) {
        return new TimeSpan(hours * 3600);
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
    public int compareTo(TimeSpan other) {
        return Double.compare(seconds, other.seconds);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
