package inkel.core.quantity;

/** How much memory something has or takes. */
public record DataSize(double bytes) implements Quantity, Comparable<DataSize> {
    public static final DataSize ZERO = new DataSize(0);

    public DataSize {
        Quantity.finite(bytes, Unit.BYTE);
    }

    public static DataSize ofBytes(double bytes) {
        return new DataSize(bytes);
    }

    public DataSize plus(DataSize other) {
        return new DataSize(bytes + other.bytes);
    }

    public DataSize times(double factor) {
        return new DataSize(bytes * factor);
    }

    public boolean isAbove(DataSize other) {
        return bytes > other.bytes;
    }

    @Override
    public double si() {
        return bytes;
    }

    @Override
    public Unit unit() {
        return Unit.BYTE;
    }

    @Override
    public int compareTo(DataSize other) {
        return Double.compare(bytes, other.bytes);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
