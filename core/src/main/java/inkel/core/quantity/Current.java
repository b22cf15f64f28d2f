package inkel.core.quantity;

/** An electric current in amperes. */
public record Current(double amperes) implements Quantity, Comparable<Current> {
    public static final Current ZERO = new Current(0);

    public Current {
        Quantity.finite(amperes, Unit.AMPERE);
    }

    public static Current ofAmperes(double amperes) {
        return new Current(amperes);
    }

    public static Current ofMilliamperes(double milliamperes) {
        return new Current(milliamperes / 1e3);
    }

    public Current plus(Current other) {
        return new Current(amperes + other.amperes);
    }

    public Current minus(Current other) {
        return new Current(amperes - other.amperes);
    }

    public Current times(double factor) {
        return new Current(amperes * factor);
    }

    public boolean isBelow(Current other) {
        return other.isAbove(this);
    }

    /** Above by more than a nanoampere, so that rounding of sums never decides. */
    public boolean isAbove(Current other) {
        return amperes > other.amperes + 1e-9;
    }

    @Override
    public double si() {
        return amperes;
    }

    @Override
    public Unit unit() {
        return Unit.AMPERE;
    }

    // Written out, since the generated ones are linked at run time, which every start would pay.
    @Override
    public boolean equals(Object other) {
        return other instanceof Current that && Double.compare(amperes, that.amperes) == 0;
    }

    @Override
    public int hashCode() {
        return Double.hashCode(amperes);
    }

    @Override
    public int compareTo(Current other) {
        return Double.compare(amperes, other.amperes);
    }

    @Override
    public String toString() {
        return Engineering.print(this);
    }
}
