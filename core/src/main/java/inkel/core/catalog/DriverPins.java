package inkel.core.catalog;

import java.util.List;

/**
 * Pins that a driver of the board's operating system takes for itself as soon as its bus is in use.
 *
 * @param bus what it drives
 * @param unit which of them
 * @param pins in the order in which it takes them; it takes all unless told to take fewer
 */
public record DriverPins(Ability.Kind bus, int unit, List<String> pins) {
    public DriverPins {
        pins = List.copyOf(pins);
    }

    /** Whether a pin is one of the bus that it drives. */
    public boolean drives(Pin pin) {
        return pin.can().stream().anyMatch(ability -> ability.kind() == bus && ability.unit() == unit);
    }
}
