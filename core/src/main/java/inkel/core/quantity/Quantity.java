package inkel.core.quantity;

/** A physical amount held in its SI base unit. Every amount is finite. */
public sealed interface Quantity
        permits Capacitance,
                Charge,
                Current,
                DataSize,
                TimeSpan,
                Frequency,
                Length,
                Power,
                Resistance,
                Share,
                Temperature,
                Voltage {

    /** The part of an amount that a sum or a quotient may be off by. */
    double ROUNDING = 1e-9;

    /** The amount in the SI base unit of {@link #unit()}; always finite. */
    double si();

    Unit unit();

    /** The same kind of quantity with another amount, in SI base units. */
    static Quantity of(Unit unit, double si) {
        return switch (unit) {
            case VOLT -> new Voltage(si);
            case AMPERE -> new Current(si);
            case OHM -> new Resistance(si);
            case FARAD -> new Capacitance(si);
            case HERTZ -> new Frequency(si);
            case SECOND -> new TimeSpan(si);
            case WATT -> new Power(si);
            case CELSIUS -> new Temperature(si);
            case METRE -> new Length(si);
            case AMPERE_HOUR -> new Charge(si);
            case BYTE -> new DataSize(si);
            case ONE -> new Share(si);
        };
    }

    /** The larger of two; the first when they are the same. */
    static <Q extends Quantity & Comparable<Q>> Q larger(Q one, Q other) {
        return one.compareTo(other) >= 0 ? one : other;
    }

    /** The smaller of two; the first when they are the same. */
    static <Q extends Quantity & Comparable<Q>> Q smaller(Q one, Q other) {
        return one.compareTo(other) <= 0 ? one : other;
    }

    /** Whether one is more than the other by more than a billionth of that, so that rounding never decides. */
    static <Q extends Quantity> boolean exceeds(Q one, Q other) {
        return one.si() - other.si() > Math.abs(other.si()) * ROUNDING;
    }

    /** Refuses anything that is not a finite number, so that no later sum can go wrong quietly. */
    static double finite(double value, Unit unit) {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("not a finite number of " + unit.symbol() + ": " + value);
        }
        return value;
    }
}
