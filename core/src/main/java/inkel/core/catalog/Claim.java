package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import java.util.Optional;

/**
 * A timer that common code takes for itself.
 *
 * @param use what the code does: {@code servo pulses}, {@code tone}, {@code infrared}
 * @param timer the unit it takes, so that no pin of it gives free PWM any more
 * @param keeps for code that runs on the board in any case and keeps time: the frequency at which the timer's pins then
 *     pulse, and no other one; empty for code that is there only when something wants it
 * @param anyPin whether the code switches its pulses itself, at any plain pin, and needs no pin of that timer
 */
public record Claim(String use, int timer, Optional<Frequency> keeps, boolean anyPin) {}
