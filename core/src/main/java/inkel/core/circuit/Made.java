package inkel.core.circuit;

import inkel.core.document.Endpoint;
import inkel.core.quantity.Current;

/**
 * A rail that is made from a supply pin.
 *
 * @param ratio what goes in for each ampere that comes out
 * @param ownAmperes what the conversion itself takes
 */
public record Made(Endpoint rail, double ratio, double ownAmperes) {
    /** What goes in while this much comes out. */
    public Current intake(Current out) {
        return Current.ofAmperes(ratio * out.amperes() + ownAmperes);
    }
}
