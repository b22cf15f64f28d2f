package inkel.core.bench;

import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;

/**
 * A figure of a bench that nobody knows exactly: the volts of a port, what a part takes, the resistance of a contact. One
 * figure is one unknown, whatever readings it touches.
 *
 * @param key says which: {@code lower-lock usb.5V volts}
 * @param low in SI base units, as the rest
 * @param source where the range comes from
 * @param isWild whether next to nothing is known of it, so that nobody can foretell a reading that follows it
 */
public record Unknown(String key, double low, double expected, double high, Source source, boolean isWild) {
    public Unknown {
        if (!(low <= expected && expected <= high)) {
            throw new IllegalArgumentException(key + " must rise: " + low + ", " + expected + ", " + high);
        }
    }

    Unknown(String key, double low, double expected, double high, Source source) {
        this(key, low, expected, high, source, false);
    }

    /** The same, of which next to nothing is known. */
    Unknown wild() {
        return new Unknown(key, low, expected, high, source, true);
    }

    /** One that a range tells of. */
    static <Q extends Quantity & Comparable<Q>> Unknown of(String key, Range<Q> range, Source source) {
        return new Unknown(
                key, range.lowest().si(), range.expected().si(), range.highest().si(), source);
    }

    /** One that a rule gives, by the shares of what is expected that it may be. */
    static Unknown about(String key, double expected, double least, double most) {
        return new Unknown(key, least * expected, expected, most * expected, Source.RULE);
    }

    public double middle() {
        return (low + high) / 2;
    }

    /** How far it may be from its middle. */
    public double reach() {
        return (high - low) / 2;
    }
}
