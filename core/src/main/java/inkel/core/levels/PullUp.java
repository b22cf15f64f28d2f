package inkel.core.levels;

import inkel.core.build.Endpoint;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;

/**
 * A pull-up on a wire.
 *
 * @param at the pin it is soldered to
 * @param volts where it reaches
 */
public record PullUp(Endpoint at, Range<Voltage> volts) {}
