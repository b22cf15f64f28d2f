package inkel.core.quantity;

import java.util.Objects;
import java.util.function.Function;

/**
 * What is known of an amount: the least, the typical and the most, each of which may be unknown, but not all three.
 *
 * @param min null when unknown
 * @param typ null when unknown
 * @param max null when unknown
 */
public record Range<Q extends Quantity & Comparable<Q>>(Q min, Q typ, Q max) {
    public Range {
        if (min == null && typ == null && max == null) {
            throw new IllegalArgumentException("a range needs at least one of min, typ and max");
        }
        if (isAfter(min, typ) || isAfter(typ, max) || isAfter(min, max)) {
            throw new IllegalArgumentException("a range must rise: min " + min + ", typ " + typ + ", max " + max);
        }
    }

    public static <Q extends Quantity & Comparable<Q>> Range<Q> exactly(Q value) {
        return new Range<>(value, value, value);
    }

    public static <Q extends Quantity & Comparable<Q>> Range<Q> between(Q min, Q max) {
        return new Range<>(Objects.requireNonNull(min), null, Objects.requireNonNull(max));
    }

    /** The smallest value that must be reckoned with. */
    public Q lowest() {
        return min != null ? min : typ != null ? typ : max;
    }

    /** The expected amount alone. */
    public Range<Q> usual() {
        return exactly(expected());
    }

    /** The value to expect on the bench: the typical one, else the middle known one. */
    public Q expected() {
        return typ != null ? typ : max != null ? max : min;
    }

    /** The largest value that must be reckoned with. */
    public Q highest() {
        return max != null ? max : typ != null ? typ : min;
    }

    /** Applies a rising function to every known part. */
    public <R extends Quantity & Comparable<R>> Range<R> map(Function<Q, R> rising) {
        return new Range<>(mapped(min, rising), mapped(typ, rising), mapped(max, rising));
    }

    private static <Q, R> R mapped(Q value, Function<Q, R> function) {
        return value == null ? null : function.apply(value);
    }

    private static <Q extends Comparable<Q>> boolean isAfter(Q first, Q second) {
        return first != null && second != null && first.compareTo(second) > 0;
    }
}
