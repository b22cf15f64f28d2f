package inkel.core.catalog;

/**
 * A timer that common code takes for itself.
 *
 * @param use what the code does: {@code servo pulses}, {@code tone}, {@code infrared}
 * @param timer the unit it takes, so that no pin of it gives free PWM any more
 */
public record Claim(String use, int timer) {}
