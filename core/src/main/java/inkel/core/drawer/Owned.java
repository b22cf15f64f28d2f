package inkel.core.drawer;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * How many one has of a kind of thing.
 *
 * @param count up to {@link #MOST}; 0 for what one has none of, but knows the price of
 * @param price of one, in the builder's own money
 * @param note in the builder's words
 */
public record Owned(int count, Optional<BigDecimal> price, String note) {
    /** More of one kind nobody counts. */
    public static final int MOST = 1_000_000;

    public static final Owned NONE = new Owned(0, Optional.empty(), "");

    public Owned {
        if (count < 0 || count > MOST) {
            throw new IllegalArgumentException("count " + count);
        }
    }

    /** As many more, up to {@link #MOST}. */
    public Owned plus(int more) {
        return withCount((int) Math.min(MOST, (long) count + more));
    }

    public Owned withCount(int other) {
        return new Owned(other, price, note);
    }

    public Owned withPrice(Optional<BigDecimal> other) {
        return new Owned(count, other, note);
    }
}
