package inkel.core.quantity;

/** A part of a whole: 1 is all of it. */
public record Share(double ratio) implements Quantity, Comparable<Share> {
    public static final Share ZERO = new Share(0);

    private static final double TOLERANCE = 1e-9;

    public Share {
        Quantity.finite(ratio, Unit.ONE);
    }

    public static Share of(double ratio) {
        return new Share(ratio);
    }

    public static Share ofPercent(double percent) {
        return new Share(percent / 100);
    }

    /** True above the other by more than what rounding in sums and products may bring. */
    public boolean isAbove(Share other) {
        return ratio > other.ratio + TOLERANCE;
    }

    public double percent() {
        return ratio * 100;
    }

    @Override
    public double si() {
        return ratio;
    }

    @Override
    public Unit unit() {
        return Unit.ONE;
    }

    @Override
    public int compareTo(Share other) {
        return Double.compare(ratio, other.ratio);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
