package inkel.core.catalog;

import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/**
 * A pull-up that is soldered on the part, from a signal pin to one of its supply pins.
 *
 * @param volts where it really reaches, when a regulator sits behind the supply pin
 */
public record Pull(String pin, String supply, Resistance resistance, Optional<Voltage> volts) {}
