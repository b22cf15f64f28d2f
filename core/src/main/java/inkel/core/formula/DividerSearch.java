package inkel.core.formula;

import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Finds two resistors of a preferred series (IEC 60063) that bring a high down into a window:
 * {@code V_out = V·R2 / (R1 + R2)}.
 */
public final class DividerSearch {
    private DividerSearch() {}

    /** A pair of resistors: one in line, one to ground. */
    public record Pair(Resistance series, Resistance toGround) {
        public Voltage high(Voltage in) {
            return in.times(toGround.ohms() / (series.ohms() + toGround.ohms()));
        }

        /** What the driver has to feed: both in line. */
        public Resistance total() {
            return Resistance.ofOhms(series.ohms() + toGround.ohms());
        }

        /** What the receiver sees looking back: both in parallel. */
        public Resistance source() {
            return series.parallelTo(toGround);
        }
    }

    /**
     * The pair that takes the least current of those whose source resistance stays at or below a limit, of E12 and, where
     * that has none that lands in the window, of E24 and E96. Values from 100 Ω up to 100 kΩ.
     *
     * @param sourceMost what the wire still rises through in time
     */
    public static Optional<Pair> sparing(
            Voltage highMin, Voltage highMax, Voltage ceiling, Voltage floor, Resistance sourceMost) {
        if (floor.times(highMax.volts()).isAbove(ceiling.times(highMin.volts()))) {
            return Optional.empty(); // no share does both
        }
        return Stream.of(ESeries.E12, ESeries.E24, ESeries.E96)
                .flatMap(series -> landing(series, highMin, highMax, ceiling, floor)
                        .filter(pair -> pair.source().ohms() <= sourceMost.ohms())
                        .min(Comparator.<Pair>comparingDouble(
                                        pair -> -pair.total().ohms())
                                .thenComparingDouble(pair -> -pair.high(highMin).volts()))
                        .stream())
                .findFirst();
    }

    /**
     * The pair whose source resistance is nearest to the one wanted among those that keep the highest input at or below
     * the ceiling and the lowest input's high at or above the floor; of two equally near the one that lands higher.
     * Values from 100 Ω up to 100 kΩ. Empty when no pair does both.
     */
    public static Optional<Pair> find(
            Voltage highMin, Voltage highMax, Voltage ceiling, Voltage floor, ESeries series, Resistance wanted) {
        return landing(series, highMin, highMax, ceiling, floor)
                .min(Comparator.<Pair>comparingDouble(pair -> distance(pair, wanted))
                        .thenComparingDouble(pair -> -pair.high(highMin).volts()));
    }

    private static Stream<Pair> landing(
            ESeries series, Voltage highMin, Voltage highMax, Voltage ceiling, Voltage floor) {
        return values(series)
                .flatMap(inLine -> values(series)
                        .map(toGround -> new Pair(Resistance.ofOhms(inLine), Resistance.ofOhms(toGround))))
                .filter(pair -> !pair.high(highMax).isAbove(ceiling))
                .filter(pair -> !pair.high(highMin).isBelow(floor));
    }

    private static double distance(Pair pair, Resistance wanted) {
        return Math.round(1000 * Math.abs(Math.log(pair.source().ohms() / wanted.ohms())));
    }

    private static Stream<Double> values(ESeries series) {
        return Stream.of(2, 3, 4).flatMap(decade -> series.ofDecade(decade).boxed());
    }
}
