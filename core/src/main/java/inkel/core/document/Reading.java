package inkel.core.document;

import inkel.core.quantity.Voltage;
import java.util.Optional;

/** What a builder measured on a wire, at the end that listens. */
public record Reading(Optional<Voltage> high, Optional<Voltage> low) {
    public static final Reading NONE = new Reading(Optional.empty(), Optional.empty());
}
