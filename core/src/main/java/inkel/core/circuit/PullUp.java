package inkel.core.circuit;

import inkel.core.document.Endpoint;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * A pull-up on a wire.
 *
 * @param at the pin it is soldered to
 * @param volts where it reaches
 * @param rail the rail it hangs on; empty where the part makes its own
 */
public record PullUp(Endpoint at, Range<Voltage> volts, Optional<Endpoint> rail) {
    /** The one that decides what an open-drain wire reaches. */
    public static Optional<PullUp> highest(List<PullUp> pulls) {
        PullUp highest = null;
        for (PullUp pull : pulls) {
            if (highest == null
                    || pull.volts().highest().isAbove(highest.volts().highest())) {
                highest = pull;
            }
        }
        return Optional.ofNullable(highest);
    }
}
