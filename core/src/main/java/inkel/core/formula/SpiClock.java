package inkel.core.formula;

import inkel.core.quantity.Frequency;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A clock that a board divides down for SPI: {@code clock = source / divider}.
 *
 * @param divider one of those that the board has
 */
public record SpiClock(Frequency clock, int divider) {
    /** The fastest at or below a limit; empty when no divider is large enough. */
    public static Optional<SpiClock> fastest(Frequency source, List<Integer> dividers, Frequency limit) {
        return dividers.stream()
                .map(divider -> new SpiClock(Frequency.ofHertz(source.hertz() / divider), divider))
                .filter(made -> made.clock().hertz() <= limit.hertz())
                .max(Comparator.comparingDouble(made -> made.clock().hertz()));
    }
}
