package inkel.core.seats;

import inkel.core.wiring.Terminal;
import java.util.Optional;

/**
 * Where an end of a wire goes.
 *
 * @param at the end whose half row or pin it is; another one than the wire's own where both are joined already
 * @param hole the hole; empty for a pin, screw or lead beside the breadboard
 */
public record Landing(Terminal at, Optional<Hole> hole) {}
