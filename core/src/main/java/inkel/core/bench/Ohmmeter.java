package inkel.core.bench;

import inkel.core.bench.net.Influence;
import inkel.core.bench.net.Solver;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Ohms between points while all power is off, at so little voltage that no diode conducts. More of any resistance never
 * makes less of the whole (Rayleigh), so two networks tell the ends: one with all figures low, one with all high.
 */
public final class Ohmmeter {
    private final BenchModel model;
    private final Influence least;
    private final Influence usual;
    private final Influence most;

    /** @param model a scene with its power off */
    public Ohmmeter(BenchModel model) {
        this.model = model;
        // An input is told by what leaks, so its resistance is high where that is low; neither is felt by a meter.
        double[] low = model.unknowns().stream().mapToDouble(Unknown::low).toArray();
        double[] high = model.unknowns().stream().mapToDouble(Unknown::high).toArray();
        Solver solver = new Solver(model.network(low));
        least = new Influence(solver.solve().orThrow());
        usual = new Influence(solver.solve(model.network(model.expected())).orThrow());
        most = new Influence(solver.solve(model.network(high)).orThrow());
    }

    /** Empty where nothing joins the points, or one is not there. */
    public Optional<Band> band(String one, String other) {
        OptionalInt from = model.points().known(one);
        OptionalInt to = model.points().known(other);
        return from.isEmpty() || to.isEmpty() || !least.areJoined(from.getAsInt(), to.getAsInt())
                ? Optional.empty()
                : Optional.of(new Band(
                        ohms(least, from.getAsInt(), to.getAsInt()),
                        ohms(usual, from.getAsInt(), to.getAsInt()),
                        ohms(most, from.getAsInt(), to.getAsInt()),
                        List.of()));
    }

    /** Ohms between points of a bench whose figures are certain; empty where nothing joins them, or one is not there. */
    static Optional<Double> read(BenchModel model, Influence influence, String one, String other) {
        OptionalInt from = model.points().known(one);
        OptionalInt to = model.points().known(other);
        return from.isEmpty() || to.isEmpty() || !influence.areJoined(from.getAsInt(), to.getAsInt())
                ? Optional.empty()
                : Optional.of(ohms(influence, from.getAsInt(), to.getAsInt()));
    }

    /** A network at rest, ready to be asked for its ohms. */
    static Influence at(BenchModel model, double[] figures) {
        return new Influence(new Solver(model.network(figures)).solve().orThrow());
    }

    /**
     * A network at rest with all figures low, and with all high, ready to be asked for its ohms.
     *
     * @param like of the same points, or of some of them
     */
    static List<Influence> ends(BenchModel model, Solver like) {
        Solver solver = new Solver(
                model.network(
                        model.unknowns().stream().mapToDouble(Unknown::low).toArray()),
                like);
        Influence least = new Influence(solver.solve().orThrow());
        double[] high = model.unknowns().stream().mapToDouble(Unknown::high).toArray();
        return List.of(least, new Influence(solver.solve(model.network(high)).orThrow()));
    }

    /** The volts between two points for one ampere through them. */
    private static double ohms(Influence influence, int from, int to) {
        double[] felt = influence.of(List.of(new Influence.Weighted(from, 1), new Influence.Weighted(to, -1)));
        return felt[from] - felt[to];
    }
}
