package inkel.core.bench;

import inkel.core.bench.net.Element;
import inkel.core.bench.net.Influence;
import inkel.core.bench.net.Solution;
import java.util.Arrays;
import java.util.List;

/** How readings of a settled network change with its figures, in units of the reading over those of the figure. */
final class Slopes {
    /** How far a figure is moved to see what it does, as a share of its reach: too little to come over a bend. */
    private static final double NUDGE = 1e-6;

    private final BenchModel model;
    private final Solution solution;
    private final double[] usual;
    private final Influence influence;
    private final Puts[] puts;

    /** What one more of a figure puts into points, all volts as they are. */
    private static final class Puts {
        private int[] points = new int[0];
        private double[] amperes = new double[0];

        void add(List<Integer> to, double[] more) {
            int size = points.length;
            points = Arrays.copyOf(points, size + more.length);
            amperes = Arrays.copyOf(amperes, size + more.length);
            for (int i = 0; i < more.length; i++) {
                points[size + i] = to.get(i);
                amperes[size + i] = more[i];
            }
        }

        double felt(double[] influence) {
            double sum = 0;
            for (int i = 0; i < points.length; i++) {
                sum += influence[points[i]] * amperes[i];
            }
            return sum;
        }
    }

    /** @param figures of the bench that settled so */
    Slopes(BenchModel model, double[] figures, Solution solution) {
        this.model = model;
        this.solution = solution;
        usual = figures.clone();
        influence = new Influence(solution);
        puts = new Puts[model.unknowns().size()];
        Arrays.setAll(puts, figure -> new Puts());
        for (int slot = 0; slot < model.slots().size(); slot++) {
            for (int figure : model.slots().get(slot).figures()) {
                put(slot, figure, usual);
            }
        }
    }

    private void put(int slot, int figure, double[] figures) {
        double nudge = nudge(figure);
        if (nudge > 0) {
            Element more = nudged(slot, figure, nudge, figures);
            double[] rises = solution.leaving(more);
            double[] falls = solution.leaving(nudged(slot, figure, -nudge, figures));
            double[] put = new double[rises.length];
            Arrays.setAll(put, place -> (falls[place] - rises[place]) / (2 * nudge));
            puts[figure].add(more.points(), put);
        }
    }

    private double nudge(int figure) {
        return NUDGE * model.unknowns().get(figure).reach();
    }

    private Element nudged(int slot, int figure, double by, double[] figures) {
        double usual = figures[figure];
        figures[figure] = usual + by;
        Element made = model.slots().get(slot).maker().make(figures);
        figures[figure] = usual;
        return made;
    }

    /** What a meter leaves, see {@link MeterLoad#share}. */
    double left(Reading reading) {
        return MeterLoad.share(solution, influence, reading);
    }

    /** As {@link #left}, by straight lines alone. */
    double leftStraight(Reading reading) {
        return MeterLoad.straight(influence, reading);
    }

    /** By the number of the figure. */
    double[] of(Reading reading) {
        double[] felt = influence.of(
                reading.isCurrent()
                        ? influence.through(reading.slot())
                        : List.of(
                                new Influence.Weighted(reading.plus(), 1),
                                new Influence.Weighted(reading.minus(), -1)));
        double[] slopes = new double[puts.length];
        for (int figure = 0; figure < slopes.length; figure++) {
            slopes[figure] = puts[figure].felt(felt);
        }
        if (reading.isCurrent()) {
            double[] figures = usual;
            for (int figure : model.slots().get(reading.slot()).figures()) {
                double nudge = nudge(figure);
                if (nudge > 0) {
                    double more = solution.amperes(nudged(reading.slot(), figure, nudge, figures));
                    double less = solution.amperes(nudged(reading.slot(), figure, -nudge, figures));
                    slopes[figure] += (more - less) / (2 * nudge);
                }
            }
        }
        return slopes;
    }
}
