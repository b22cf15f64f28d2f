package inkel.core.bench;

import inkel.core.bench.net.Element;
import inkel.core.bench.net.Influence;
import inkel.core.bench.net.Network;
import inkel.core.bench.net.Outcome;
import inkel.core.bench.net.Solution;
import inkel.core.bench.net.Solver;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/**
 * What probes read on one state of a healthy bench. The network is solved once with what is expected of every figure; how
 * a reading follows each of them comes from {@link Influence}; and it is solved again with all figures at the ends that
 * move the reading down, and up. Those corners are further apart than any bench will be when many figures have a share, so
 * the band is no wider than a few standard deviations of the sum of them, each as likely anywhere in its range. A
 * meter on volts takes its share of them ({@link MeterLoad}).
 */
public final class Foretelling {
    /** Nobody can foretell what is moved by more than this by what next to nothing is known of, in volts or amperes. */
    static final double WILD = 0.05;

    /** Where a reading bends, no few benches show all of it: its band is wider than they by this share on either side. */
    private static final double PAD = 0.1;

    /** No more than rounding and the last digit of a meter, in volts or amperes. */
    private static final double EVEN = 1e-3;

    /** Where the reading bends besides, this is enough. */
    private static final double WILD_AT_A_BEND = 0.02;

    /** What leaks, in amperes. */
    private static final double NEXT_TO_NOTHING = 20e-6;

    /** So many benches by chance, always the same, are tried besides the corners. */
    private static final int SAMPLES = 3;

    /** By how much a corner may differ from what straight lines foretell of it, for the sum of shares to be trusted. */
    private static final double STRAIGHT = 0.1;

    private final BenchModel model;
    private final double[] expected;
    private final StraightLines lines;
    private final Network network;
    private final Solver solver;
    private final Outcome outcome;
    private final Map<List<Integer>, Tried> corners = new HashMap<>();
    private final Map<Tried, Slopes> behind = new IdentityHashMap<>();
    private final boolean[] isShaky;

    /** The figures of every element: they are gone through for every corner. */
    private final int[][] figuresOf;

    private final boolean isMetered;
    private Slopes slopes;

    public Foretelling(BenchModel model) {
        this(model, false);
    }

    /** @param isMetered whether the meter is among the elements */
    private Foretelling(BenchModel model, boolean isMetered) {
        this.model = model;
        this.isMetered = isMetered;
        expected = model.expected();
        lines = new StraightLines(model);
        isShaky = new boolean[expected.length];
        figuresOf = new int[model.slots().size()][];
        for (int slot = 0; slot < figuresOf.length; slot++) {
            List<Integer> of = model.slots().get(slot).figures();
            figuresOf[slot] = new int[of.size()];
            Arrays.setAll(figuresOf[slot], of::get);
        }
        network = model.network(expected);
        solver = new Solver(network);
        outcome = solver.solve();
    }

    public BenchModel model() {
        return model;
    }

    /** The element that keeps the network from settling; empty when it settles. */
    public Optional<String> unsettled() {
        return outcome instanceof Outcome.Unsettled found
                ? Optional.of(model.slots().get(found.element()).name())
                : Optional.empty();
    }

    /** The regulators that get so hot that they switch themselves off, by the names of their elements. */
    public List<String> hot() {
        return outcome instanceof Outcome.Settled settled
                ? settled.solution().off().stream()
                        .sorted()
                        .map(number -> model.slots().get(number).name())
                        .toList()
                : List.of();
    }

    /**
     * The bands of a few probes, in their order. One is not among them where the build has no such point in this state, it
     * floats, nothing joins its points, or the network does not settle.
     */
    public Map<Probe, Band> bands(Collection<Probe> probes) {
        Map<Probe, Band> bands = new LinkedHashMap<>();
        if (!(outcome instanceof Outcome.Settled)) {
            return bands;
        }
        if (slopes == null) {
            slopes = new Slopes(model, expected, settled());
            for (int i = 0; i < SAMPLES; i++) {
                sample(new Random(i));
            }
            strain();
            findShaky();
        }
        Map<Probe, Sketch> sketches = new LinkedHashMap<>();
        for (Probe probe : probes) {
            Reading.of(model, probe)
                    .filter(reading -> !Double.isNaN(reading.of(settled())))
                    .map(this::sketch)
                    .filter(sketch -> sketch.wild() <= WILD)
                    .ifPresent(sketch -> sketches.put(probe, sketch));
        }
        // Each corner is a bench that may be there, so all readings have to bear all of them: kinks show so.
        sketches.forEach((probe, sketch) ->
                band(sketch).flatMap(band -> metered(probe, sketch, band)).ifPresent(band -> bands.put(probe, band)));
        return bands;
    }

    /** What a meter shows of volts; where it takes much of them, the bench is foretold anew with the meter on it. */
    private Optional<Band> metered(Probe probe, Sketch sketch, Band open) {
        double share = isMetered ? 1 : slopes.leftStraight(sketch.reading());
        if (MeterLoad.isFirm(share)) {
            return Optional.of(open.times(share));
        }
        Foretelling loaded = new Foretelling(MeterLoad.on(model, sketch.reading()), true);
        return Optional.ofNullable(loaded.bands(List.of(probe)).get(probe));
    }

    /** As {@link #bands} for one. */
    public Optional<Band> band(Probe probe) {
        return Optional.ofNullable(bands(List.of(probe)).get(probe));
    }

    /** What a probe reads when all figures are certain; empty as for {@link #band}. */
    static Optional<Double> read(BenchModel model, Probe probe, Solution solution) {
        return Reading.of(model, probe).map(reading -> reading.of(solution)).filter(value -> !Double.isNaN(value));
    }

    /**
     * What straight lines tell of a reading.
     *
     * @param slope of every figure
     * @param wild what it is moved by figures of which next to nothing is known
     * @param down a bench on which it is as low as it can be
     */
    private record Sketch(
            Reading reading,
            double[] slope,
            double usual,
            double all,
            double wild,
            Optional<Tried> down,
            Optional<Tried> up) {}

    /** A bench that may be there: its figures, and what settles. */
    private record Tried(double[] figures, Outcome outcome) {
        Optional<Solution> solution() {
            return outcome instanceof Outcome.Settled settled ? Optional.of(settled.solution()) : Optional.empty();
        }
    }

    private Sketch sketch(Reading reading) {
        double[] slope = slopes.of(reading);
        double all = 0;
        double wild = 0;
        for (int i = 0; i < slope.length; i++) {
            double moved = lines.moved(i, slope);
            all += moved;
            wild += isShaky[i] || model.unknowns().get(i).isWild() ? moved : 0;
        }
        boolean isTold = wild <= WILD;
        return new Sketch(
                reading,
                slope,
                reading.of(settled()),
                all,
                wild,
                isTold ? Optional.of(corner(slope, all, -1)) : Optional.empty(),
                isTold ? Optional.of(corner(slope, all, 1)) : Optional.empty());
    }

    private Optional<Band> band(Sketch sketch) {
        double[] ends = lines.ends(sketch.usual(), sketch.slope());
        boolean isStraight = true;
        List<Tried> bent = new ArrayList<>();
        double least = sketch.usual();
        double most = sketch.usual();
        for (Tried tried : List.of(sketch.down().orElseThrow(), sketch.up().orElseThrow())) {
            if (tried.solution().isEmpty()) {
                return Optional.empty();
            }
        }
        for (Tried tried : corners.values()) {
            if (tried.solution().isPresent()) {
                double found = sketch.reading().of(tried.solution().get());
                double straight = lines.at(sketch.usual(), sketch.slope(), tried.figures());
                boolean isBent = Math.abs(found - straight) > STRAIGHT * (ends[1] - ends[0]) + EVEN;
                isStraight &= !isBent;
                if (isBent) {
                    bent.add(tried);
                }
                least = Math.min(least, found);
                most = Math.max(most, found);
            }
        }
        if (!isStraight && sketch.wild() > WILD_AT_A_BEND) {
            return Optional.empty();
        }
        // What has a small share is in no corner; it is added.
        double lower = Math.min(corner(sketch, sketch.down().orElseThrow(), -1), sketch.usual());
        double upper = Math.max(corner(sketch, sketch.up().orElseThrow(), 1), sketch.usual());
        if (isStraight) {
            double[] likely = lines.likely(sketch.usual(), sketch.slope());
            lower = Math.max(lower, bent(sketch.usual(), ends[0], likely[0], lower));
            upper = Math.min(upper, bent(sketch.usual(), ends[1], likely[1], upper));
        } else {
            // A bench that is bent and not the furthest may be once its own figures are at their ends.
            least = Math.min(least, Math.min(beyond(sketch, -1, corners.values()), beyond(sketch, -1, bent)));
            most = Math.max(most, Math.max(beyond(sketch, 1, corners.values()), beyond(sketch, 1, bent)));
            double pad = PAD * (most - least);
            lower = Math.min(lower, least - pad);
            upper = Math.max(upper, most + pad);
        }
        return Optional.of(new Band(lower, sketch.usual(), upper, lines.causes(sketch.slope(), sketch.all())));
    }

    /** Where a reading bends: its end by the slopes behind the bend, from the bench of some that was furthest that way. */
    private double beyond(Sketch sketch, int way, Collection<Tried> benches) {
        Tried furthest = null;
        double most = Double.NEGATIVE_INFINITY;
        for (Tried tried : benches) {
            if (tried.solution().isPresent()) {
                double found = way * sketch.reading().of(tried.solution().get());
                if (found > most) {
                    most = found;
                    furthest = tried;
                }
            }
        }
        if (furthest == null) {
            return sketch.usual();
        }
        double[] slope = behind.computeIfAbsent(
                        furthest,
                        tried -> new Slopes(
                                model, tried.figures(), tried.solution().orElseThrow()))
                .of(sketch.reading());
        double[] figures = furthest.figures().clone();
        double all = lines.all(slope);
        for (int i = 0; i < figures.length; i++) {
            figures[i] = lines.isLarge(i, slope, all) ? lines.end(i, slope, way) : figures[i];
        }
        return tried(figures)
                .solution()
                .map(solution -> sketch.reading().of(solution))
                .map(value -> way * Math.max(way * value, way * sketch.usual()))
                .orElse(sketch.usual());
    }

    /** How far it likely is, where straight lines lead to an end and the corner is really somewhat further: half as much further. */
    private static double bent(double usual, double end, double likely, double corner) {
        double ratio = end == usual ? 1 : Math.max(1, (1 + (corner - usual) / (end - usual)) / 2);
        return usual + (likely - usual) * ratio;
    }

    /** The bench with every figure of a large share at the end that moves a reading one way, the others as expected. */
    private Tried corner(double[] slope, double all, int way) {
        List<Integer> ends = new ArrayList<>();
        double[] figures = expected.clone();
        for (int i = 0; i < slope.length; i++) {
            if (lines.isLarge(i, slope, all)) {
                figures[i] = lines.end(i, slope, way);
                ends.add(figures[i] > expected[i] ? i + 1 : -i - 1);
            }
        }
        return corners.computeIfAbsent(ends, key -> tried(figures));
    }

    private double corner(Sketch sketch, Tried tried, int way) {
        return sketch.reading().of(tried.solution().orElseThrow()) + lines.small(sketch.slope(), sketch.all(), way);
    }

    /** For every supply and regulator a bench on which as little comes in as can be, and one on which most is taken: there they bend. */
    private void strain() {
        List<Element> elements = settled().network().elements();
        for (int slot = 0; slot < elements.size(); slot++) {
            Element element = elements.get(slot);
            // What holds an output or a pull-up down bends nothing that others feel.
            boolean isRegulator = model.slots().get(slot).name().endsWith(PartElements.REGULATES);
            if (isRegulator) {
                strain(Reading.between(element.points().get(0), element.points().get(2)), -1);
            }
            if (isRegulator || element instanceof Element.Source) {
                strain(Reading.through(slot), 1);
            }
            if (isRegulator) {
                // Pushed from behind it gives nothing any more.
                strain(Reading.through(slot), -1);
            }
        }
    }

    private void strain(Reading reading, int way) {
        double[] slope = slopes.of(reading);
        corner(slope, lines.all(slope), way);
    }

    /** Figures of diodes that carry next to nothing: a little less, and they carry nothing at all. */
    private void findShaky() {
        List<Element> elements = settled().network().elements();
        for (int slot = 0; slot < elements.size(); slot++) {
            if (elements.get(slot) instanceof Element.Diode
                    && Math.abs(settled().amperes(slot)) < NEXT_TO_NOTHING) {
                model.slots().get(slot).figures().forEach(figure -> isShaky[figure] = true);
            }
        }
    }

    private void sample(Random random) {
        double[] figures = model.unknowns().stream()
                .mapToDouble(unknown -> unknown.low() + random.nextDouble() * (unknown.high() - unknown.low()))
                .toArray();
        // All figures differ, so that nothing near is a better start than none.
        corners.put(List.of(-corners.size(), 0, 0), new Tried(figures, solver.solve(network(figures))));
    }

    private Tried tried(double[] figures) {
        return new Tried(figures, solver.solve(network(figures), settled()));
    }

    /** With only those elements made anew whose figures are others than expected. */
    private Network network(double[] figures) {
        List<Element> elements = new ArrayList<>(network.elements());
        for (int slot = 0; slot < elements.size(); slot++) {
            if (isMoved(slot, figures)) {
                elements.set(slot, model.slots().get(slot).maker().make(figures));
            }
        }
        return new Network(network.names(), elements);
    }

    private boolean isMoved(int slot, double[] figures) {
        for (int figure : figuresOf[slot]) {
            if (figures[figure] != expected[figure]) {
                return true;
            }
        }
        return false;
    }

    private Solution settled() {
        return outcome.orThrow();
    }
}
