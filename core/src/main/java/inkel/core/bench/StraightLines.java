package inkel.core.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** What straight lines tell of a reading: from the slopes of all figures, and how far each of these may be off. */
final class StraightLines {
    private static final double SIGMAS = 4.6;

    /** The variance of what is as likely anywhere in ±1. */
    private static final double VARIANCE = 1.0 / 3;

    /** Figures with at least this share of all that moves a reading are put into the network for its corners. */
    private static final double LARGE = 0.01;

    /** Those with less than this share are not told of. */
    private static final double SHOWN = 1e-3;

    private final List<Unknown> unknowns;
    private final double[] expected;
    private final double[] low;
    private final double[] high;
    private final double[] reach;

    StraightLines(BenchModel model) {
        unknowns = model.unknowns();
        expected = model.expected();
        low = unknowns.stream().mapToDouble(Unknown::low).toArray();
        high = unknowns.stream().mapToDouble(Unknown::high).toArray();
        reach = unknowns.stream().mapToDouble(Unknown::reach).toArray();
    }

    double expected(int figure) {
        return expected[figure];
    }

    /** What a figure alone moves a reading by. */
    double moved(int figure, double[] slope) {
        return Math.abs(slope[figure]) * reach[figure];
    }

    /** All that moves a reading. */
    double all(double[] slope) {
        double all = 0;
        for (int i = 0; i < slope.length; i++) {
            all += moved(i, slope);
        }
        return all;
    }

    boolean isLarge(int figure, double[] slope, double all) {
        return moved(figure, slope) > LARGE * all;
    }

    /** The end of a figure's range that moves a reading one way. */
    double end(int figure, double[] slope, int way) {
        return slope[figure] * way > 0 ? high[figure] : low[figure];
    }

    /** What is foretold of a bench with certain figures. */
    double at(double usual, double[] slope, double[] figures) {
        double straight = usual;
        for (int i = 0; i < figures.length; i++) {
            straight += slope[i] * (figures[i] - expected[i]);
        }
        return straight;
    }

    /** What the figures of a small share add to a corner that they are not in. */
    double small(double[] slope, double all, int way) {
        double sum = 0;
        for (int i = 0; i < expected.length; i++) {
            if (!isLarge(i, slope, all)) {
                sum += slope[i] * (end(i, slope, way) - expected[i]);
            }
        }
        return sum;
    }

    /** The least and the most. */
    double[] ends(double usual, double[] slope) {
        double least = usual;
        double most = usual;
        for (int i = 0; i < expected.length; i++) {
            double byLow = slope[i] * (low[i] - expected[i]);
            double byHigh = slope[i] * (high[i] - expected[i]);
            least += Math.min(byLow, byHigh);
            most += Math.max(byLow, byHigh);
        }
        return new double[] {least, most};
    }

    /** Within {@value #SIGMAS} standard deviations of the sum of all figures. */
    double[] likely(double usual, double[] slope) {
        double middle = usual;
        double squares = 0;
        for (int i = 0; i < expected.length; i++) {
            double moved = slope[i] * reach[i];
            middle += slope[i] * (low[i] + reach[i] - expected[i]);
            squares += moved * moved * VARIANCE;
        }
        double wide = SIGMAS * Math.sqrt(squares);
        return new double[] {Math.min(middle - wide, usual), Math.max(middle + wide, usual)};
    }

    /** What moves it, most first. */
    List<Band.Cause> causes(double[] slope, double all) {
        List<Band.Cause> causes = new ArrayList<>();
        for (int i = 0; i < expected.length; i++) {
            double least = slope[i] * (low[i] - expected[i]);
            double most = slope[i] * (high[i] - expected[i]);
            if (Math.max(Math.abs(least), Math.abs(most)) > SHOWN * all) {
                causes.add(new Band.Cause(unknowns.get(i), least, most));
            }
        }
        causes.sort(Comparator.comparingDouble(Band.Cause::reach).reversed());
        return causes;
    }
}
