package inkel.core.catalog;

import inkel.core.quantity.Resistance;
import java.util.Optional;

/**
 * The two wires on which a transceiver says a signal as the difference between them, so that it arrives over a long way.
 *
 * @param plus the pin that is the higher one while nothing is said
 * @param enable the pin that makes it drive the line while high; empty where it finds out by itself
 * @param brought what it brings across the two wires; empty where nothing
 */
public record LinePair(String plus, String minus, Optional<String> enable, Optional<Resistance> brought) {
    /** The resistance of a usual twisted pair to a wave, and so of what ends it, by the standard for balanced multipoint data, TIA/EIA-485. */
    public static final Resistance USUAL_TERMINATOR = Resistance.ofOhms(120);

    /** What ends a line here, where something does: what it brings, or the usual one. */
    public Resistance terminator() {
        return brought.orElse(USUAL_TERMINATOR);
    }

    /** What stands across the two wires; what the builder said of it goes before what it brings. */
    public Optional<Resistance> across(Optional<Boolean> isSaidToBeOn) {
        return isSaidToBeOn.orElse(brought.isPresent()) ? Optional.of(terminator()) : Optional.empty();
    }
}
