package inkel.core.catalog;

import java.util.List;

/**
 * A timer or slice of a board: all its channels share one frequency.
 *
 * @param unit the number that {@code pwm} abilities carry
 * @param bits how far it counts
 * @param prescalers what the clock can be divided by before it counts; empty when any whole number will do
 */
public record Timer(int unit, int bits, List<Integer> prescalers) {
    public Timer {
        prescalers = List.copyOf(prescalers);
    }
}
