package inkel.core.formula;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import inkel.core.quantity.TimeSpan;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * How a timer makes a frequency: {@code f = clock / (N·(TOP + 1))}, with the prescaler {@code N} and the count
 * {@code TOP} that come nearest; of equally near ones the finest steps.
 *
 * @param top the last count before it starts anew
 * @param error of the real frequency against the wanted one; negative when too slow
 * @param step how long one count lasts: the finest a pulse can be set
 */
public record TimerSetting(int prescaler, long top, Frequency actual, Share error, TimeSpan step) {
    /**
     * @param bits how far the timer counts, 1 to 32
     * @param prescalers what the clock can be divided by before it counts; empty when any whole number up to 256 will do
     * @return empty when the frequency cannot be reached within the counts that the timer has
     */
    public static Optional<TimerSetting> nearest(
            Frequency clock, int bits, List<Integer> prescalers, Frequency wanted) {
        Stream<Integer> dividers =
                prescalers.isEmpty() ? Stream.iterate(1, n -> n + 1).limit(256) : prescalers.stream();
        long mostTop = (1L << bits) - 1;
        return dividers.map(divider -> with(clock, divider, mostTop, wanted))
                .flatMap(Optional::stream)
                .min(Comparator.<TimerSetting>comparingDouble(
                                made -> Math.abs(made.error().ratio()))
                        .thenComparingInt(TimerSetting::prescaler));
    }

    private static Optional<TimerSetting> with(Frequency clock, int divider, long mostTop, Frequency wanted) {
        long top = Math.round(clock.hertz() / (divider * wanted.hertz())) - 1;
        if (top < 1 || top > mostTop) {
            return Optional.empty();
        }
        double actual = clock.hertz() / (divider * (top + 1.0));
        return Optional.of(new TimerSetting(
                divider,
                top,
                Frequency.ofHertz(actual),
                Share.of(actual / wanted.hertz() - 1),
                TimeSpan.ofSeconds(divider / clock.hertz())));
    }

    /** The count at which a pulse of that length ends, to the nearest. */
    public long ticks(TimeSpan pulse) {
        return Math.round(pulse.seconds() / step.seconds());
    }
}
