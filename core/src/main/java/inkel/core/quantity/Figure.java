package inkel.core.quantity;

/** A range and where it comes from. */
public record Figure<Q extends Quantity & Comparable<Q>>(Range<Q> range, Source source) {
    public static <Q extends Quantity & Comparable<Q>> Figure<Q> ofClass(Range<Q> range) {
        return new Figure<>(range, Source.CLASS);
    }
}
