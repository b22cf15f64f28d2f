package inkel.core.catalog;

import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;

/** What a meter reads from pin to pin of a part that is off, at the little voltage of its ohms range. */
public record Unpowered(String from, String to, Range<Resistance> ohms) {
    /** What a part whose class does not tell has at the least between a supply and ground. */
    public static final Resistance LEAST_KNOWN = Resistance.ofOhms(1000);
}
