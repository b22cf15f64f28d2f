package inkel.core.circuit;

import inkel.core.document.LogLine;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/** What a builder measured on a wire, at the end that listens. */
public record Reading(Optional<Voltage> high, Optional<Voltage> low) {
    public static final Reading NONE = new Reading(Optional.empty(), Optional.empty());

    Reading with(LogLine.Measured line) {
        Optional<Voltage> volts = line.value() instanceof Voltage value ? Optional.of(value) : Optional.empty();
        return line.what() == LogLine.What.HIGH ? new Reading(volts, low) : new Reading(high, volts);
    }
}
