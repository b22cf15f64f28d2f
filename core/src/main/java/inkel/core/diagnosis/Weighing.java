package inkel.core.diagnosis;

import inkel.core.bench.Answer;
import inkel.core.bench.Foreseen;
import inkel.core.bench.Question;
import inkel.core.bench.Rehearsals;
import inkel.core.bench.fault.Priors;
import inkel.core.document.Meter;
import inkel.core.wake.Check;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Weighs forms of faults by readings: those that are far less likely than others are thought through no further. */
final class Weighing {
    /** So many readings are weighed before those that are left are weighed by all of them. */
    static final int SOME = 6;

    /** What is less likely than the likeliest by this, in natural logarithms, is thought through no further. */
    private static final double FAR = 14;

    /** A first screening lets through what is off by less than so many times what it may be off by. */
    private static final double ROUGH = 4;

    /** How much of its effect the figures of a fault may change, in that screening. */
    private static final double ROUGH_SHARE = 0.5;

    /** An amount that nobody foretold lies anywhere in so many volts or amperes; ohms in so many of their logarithms. */
    private static final double ANY_VOLTS = 20;

    private static final double ANY_AMPERES = 2;
    private static final double ANY_OHMS = 15;
    private static final double ANY_TEXT = 0.3;
    private static final double ANY_SIGHT = 0.5;

    /** A band reaches no further than so many deviations where a reading follows straight lines, and rounding. */
    private static final double STRAIGHT = 5.5;

    private static final double EVEN = 2e-3;

    final Likelihood likelihood;

    private final Rehearsals rehearsals;
    private final Trial healthy;

    /** @param healthy a bench on which nothing is wrong */
    Weighing(Meter meter, Rehearsals rehearsals, Trial healthy) {
        likelihood = new Likelihood(meter);
        this.rehearsals = rehearsals;
        this.healthy = healthy;
    }

    /** A form with how likely it is together with all readings, as a logarithm. */
    record Scored(Trial trial, double log) {}

    /**
     * Those that are left, with their odds and all readings together.
     *
     * @param evidence what tells most first
     * @param other how likely something else is, below which nothing need be known
     * @return nothing when it was overtaken
     */
    List<Scored> scored(List<Evidence> evidence, List<Trial> all, double other, BooleanSupplier isOver) {
        List<Scored> left =
                all.stream().map(trial -> new Scored(trial, trial.logOdds)).collect(Collectors.toList());
        for (int count : rounds(evidence.size())) {
            Evidence last = evidence.get(count - 1);
            List<Scored> next = new ArrayList<>();
            double best = Double.NEGATIVE_INFINITY;
            for (Scored one : left) {
                if (isOver.getAsBoolean()) {
                    return new ArrayList<>();
                }
                // Only the first reading leaves so many that a full thought for each takes too long.
                boolean isKept = count > 1 || one.trial().hypothesis.isHealthy() || isPossible(one.trial(), last);
                double log = isKept ? log(one.trial(), evidence.subList(0, count)) : Likelihood.NEVER;
                if (log > Likelihood.NEVER) {
                    next.add(new Scored(one.trial(), log));
                    best = Math.max(best, log);
                } else {
                    one.trial().rest();
                }
            }
            double least = Math.max(best, count == evidence.size() ? other : best) - FAR;
            left = new ArrayList<>();
            for (Scored one : next) {
                if (one.log() >= least || one.trial().hypothesis.isHealthy()) {
                    left.add(one);
                } else {
                    one.trial().rest();
                }
            }
        }
        return left;
    }

    /** After the first reading, which leaves few, after some, and after all: each round weighs all readings so far together. */
    private static List<Integer> rounds(int size) {
        return IntStream.of(1, SOME, size)
                .filter(count -> count >= 1 && count <= size)
                .distinct()
                .sorted()
                .boxed()
                .toList();
    }

    /** A quick look at an amount; what is further off than its figures could ever make it is not thought through. */
    private boolean isPossible(Trial trial, Evidence evidence) {
        if (!(evidence.answer() instanceof Answer.Amount read)
                || !(evidence.check().asked().question() instanceof Question.Measure)) {
            return true;
        }
        double value = trial.roughly(evidence.check().asked(), rehearsals);
        Optional<Foreseen> plan = healthy.foreseen(evidence.check().asked(), rehearsals);
        if (Double.isNaN(value) || !(plan.orElse(null) instanceof Foreseen.Amount planned)) {
            return !Double.isNaN(value);
        }
        double reach = ROUGH
                        * (planned.spread()
                                + Math.sqrt(likelihood.noise(evidence.check().kind(), read.si())))
                + ROUGH_SHARE * Math.abs(value - planned.value());
        return Math.abs(read.si() - value) <= reach;
    }

    /** With its odds. */
    private double log(Trial trial, List<Evidence> evidence) {
        double log = trial.logOdds;
        List<Likelihood.Compared> amounts = new ArrayList<>();
        for (Evidence one : evidence) {
            Optional<Foreseen> foreseen = trial.foreseen(one.check().asked(), rehearsals);
            if (foreseen.isEmpty()) {
                return Likelihood.NEVER;
            }
            if (foreseen.get() instanceof Foreseen.Amount amount) {
                if (!(one.answer() instanceof Answer.Amount read)) {
                    return Likelihood.NEVER;
                }
                amounts.add(new Likelihood.Compared(one.check().kind(), read.si(), amount, bend(one.check())));
            } else {
                log += likelihood.single(one.answer(), foreseen.get());
            }
        }
        return log + likelihood.together(amounts);
    }

    /** A band that is wider than the slopes make it tells of a bend: a regulator that stops, a supply that gives up. */
    private double bend(Check check) {
        Optional<Foreseen> plan = healthy.foreseen(check.asked(), rehearsals);
        if (check.band().isEmpty() || !(plan.orElse(null) instanceof Foreseen.Amount planned)) {
            return 0;
        }
        double reach = (check.band().get().high() - check.band().get().low()) / 2;
        return reach > STRAIGHT * planned.spread() + EVEN ? reach / 2 : 0;
    }

    List<Likelihood.Compared> amounts(Trial trial, List<Evidence> evidence) {
        List<Likelihood.Compared> amounts = new ArrayList<>();
        for (Evidence one : evidence) {
            Optional<Foreseen> foreseen = trial.foreseen(one.check().asked(), rehearsals);
            if (foreseen.orElse(null) instanceof Foreseen.Amount amount && one.answer() instanceof Answer.Amount read) {
                amounts.add(new Likelihood.Compared(one.check().kind(), read.si(), amount, bend(one.check())));
            }
        }
        return amounts;
    }

    /** What is as foretold came about as on a table that is all right, the rest anyhow. */
    double somethingElse(List<Evidence> evidence) {
        double log = Math.log(Priors.somethingElse());
        List<Evidence> well = evidence.stream().filter(Evidence::isWell).toList();
        double usual = log(healthy, well);
        log += usual <= Likelihood.NEVER ? 0 : usual;
        for (Evidence one : evidence) {
            if (!one.isWell()) {
                log += Math.log(
                        switch (one.check().kind()) {
                            case VOLTS, LEVEL, CODE -> 1 / ANY_VOLTS;
                            case AMPERES -> 1 / ANY_AMPERES;
                            case OHMS -> 1 / ANY_OHMS;
                            case LOOK -> ANY_SIGHT;
                            case ANSWERS, REGISTER, REPLY, PULSES -> ANY_TEXT;
                        });
            }
        }
        return log;
    }
}
