package inkel.core.bench;

import inkel.core.bench.net.Influence;
import inkel.core.bench.net.Solution;
import inkel.core.bench.net.Solver;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** What one state of one bench would give. */
public final class Rehearsal {
    /** What is as likely anywhere in a range deviates by its half over this. */
    private static final double EVEN = Math.sqrt(3);

    /** Figures with less than this share of all that moves an amount are left out. */
    private static final double LEAST_SHARE = 1e-3;

    private final BenchModel model;
    private final Solver like;
    private final Optional<Solution> solution;
    private final Supplier<Optional<Life>> alive;
    private final Optional<Rehearsal> plan;
    private final Map<Probe, Double> left = new HashMap<>();
    private Optional<Life> life;
    private Slopes slopes;
    private List<Influence> off;

    /**
     * @param like of the bench as planned, or of this one itself where it has other points
     * @param alive what parts do, made when it is first asked for
     * @param plan the same state of the bench as planned; empty for that one itself
     */
    Rehearsal(
            BenchModel model,
            Solver like,
            Optional<Solution> solution,
            Supplier<Optional<Life>> alive,
            Optional<Rehearsal> plan) {
        this.plan = plan;
        this.model = model;
        this.like = like;
        this.solution = solution;
        this.alive = alive;
    }

    /** An amount by what is expected of all figures, which takes far less time than {@link #of}; empty for what is none. */
    public Optional<Double> roughly(Question question) {
        return question instanceof Question.Measure measure
                ? solution.map(found ->
                        value(measure.probe(), found) * plan.orElse(this).leftByTheMeter(measure.probe()))
                : Optional.empty();
    }

    /** The share of an amount that a meter leaves; the plan's will do for what differs little from it. */
    private double leftByTheMeter(Probe probe) {
        return left.computeIfAbsent(probe, key -> solution.flatMap(found -> Reading.of(model, probe)
                        .filter(reading -> !Double.isNaN(reading.of(found)))
                        .map(reading -> slopes(found).left(reading)))
                .orElse(1.0));
    }

    private Slopes slopes(Solution found) {
        if (slopes == null) {
            slopes = new Slopes(model, model.expected(), found);
        }
        return slopes;
    }

    /** Between points that nothing joins a meter shows nothing. */
    private double value(Probe probe, Solution found) {
        return Foretelling.read(model, probe, found).orElse(0.0);
    }

    /** Empty when no currents settle. */
    public Optional<Foreseen> of(Question question) {
        if (question instanceof Question.Measure measure) {
            return solution.map(found -> amount(measure.probe(), found));
        } else if (question instanceof Question.Ohms ohms) {
            return Optional.of(ohms(ohms));
        }
        if (life == null) {
            life = alive.get();
        }
        return life.flatMap(found -> found.answer(question)).map(Foreseen.Certain::new);
    }

    private Foreseen amount(Probe probe, Solution found) {
        Optional<Reading> reading = Reading.of(model, probe);
        double value = value(probe, found);
        if (reading.isEmpty() || Double.isNaN(reading.get().of(found))) {
            return new Foreseen.Amount(value, List.of(), false);
        }
        double[] slope = slopes(found).of(reading.get());
        double share = slopes(found).left(reading.get());
        double all = 0;
        double wild = 0;
        for (int i = 0; i < slope.length; i++) {
            double reach = Math.abs(slope[i] * model.unknowns().get(i).reach());
            all += reach;
            wild += model.unknowns().get(i).isWild() ? reach : 0;
        }
        List<Foreseen.Share> shares = new ArrayList<>();
        double middle = value;
        for (int i = 0; i < slope.length; i++) {
            Unknown unknown = model.unknowns().get(i);
            double reach = slope[i] * unknown.reach();
            if (Math.abs(reach) > LEAST_SHARE * all) {
                shares.add(new Foreseen.Share(unknown.key(), share * reach / EVEN));
                middle += slope[i] * (unknown.middle() - unknown.expected());
            }
        }
        return new Foreseen.Amount(share * middle, shares, wild > Foretelling.WILD);
    }

    private Foreseen ohms(Question.Ohms ohms) {
        if (off == null) {
            off = Ohmmeter.ends(model, like);
        }
        double least = 0;
        double most = 0;
        for (String other : ohms.others()) {
            Optional<Double> low = Ohmmeter.read(model, off.get(0), ohms.one(), other);
            Optional<Double> high = Ohmmeter.read(model, off.get(1), ohms.one(), other);
            if (low.isEmpty() || high.isEmpty()) {
                return new Foreseen.Ohms(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, true);
            }
            least = Math.max(least, low.get());
            most = Math.max(most, high.get());
        }
        return new Foreseen.Ohms(Math.min(least, most), Math.max(least, most), false);
    }
}
