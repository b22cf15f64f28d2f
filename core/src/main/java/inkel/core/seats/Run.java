package inkel.core.seats;

import inkel.core.quantity.Length;

/**
 * A wire, or a small part with its legs, from one place to another.
 *
 * @param isPiece whether it is a small part
 * @param length what a wire must measure; nothing for a small part, and for the lead of a part
 */
public record Run(Landing from, Landing to, boolean isPiece, Length length) {
    Run turned() {
        return new Run(to, from, isPiece, length);
    }
}
