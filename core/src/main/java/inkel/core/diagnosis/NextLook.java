package inkel.core.diagnosis;

import inkel.core.bench.Answer;
import inkel.core.bench.Foreseen;
import inkel.core.wake.Check;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;

/** Finds the look that is expected to tell most apart for what it takes: the drop of entropy over the effort. */
final class NextLook {
    /** Where an amount may lie, in standard deviations, each as likely. */
    private static final double[] SPOTS = {-1.28, -0.52, 0, 0.52, 1.28};

    /** Below that nothing is told apart, in bits. */
    private static final double LEAST = 0.02;

    /** A look is not taken that reads anything for so much of what may be so. */
    private static final double FLOATING = 0.2;

    private final Likelihood likelihood;
    private final List<Weighted> hypotheses;

    /** A form of what may be so, with its share. */
    record Weighted(Trial trial, double share) {}

    NextLook(Likelihood likelihood, List<Weighted> hypotheses) {
        this.likelihood = likelihood;
        this.hypotheses = List.copyOf(hypotheses);
    }

    /** @param foreseen what a form foresees of a look, knowing what was read */
    Optional<Check> best(List<Check> looks, BiFunction<Trial, Check, Optional<Foreseen>> foreseen) {
        Check best = null;
        double most = 0;
        for (Check look : looks) {
            double drop = drop(look, foreseen);
            double worth = drop / effort(look);
            if (drop > LEAST && worth > most) {
                most = worth;
                best = look;
            }
        }
        return Optional.ofNullable(best);
    }

    /** Power off and on again, a wire to be followed, a pin to be reached. */
    private static double effort(Check look) {
        return switch (look.kind()) {
            case OHMS -> 1.6;
            case LOOK -> 1.2;
            case AMPERES -> 1.4;
            case ANSWERS, REGISTER, REPLY, PULSES -> 1.2;
            case VOLTS, LEVEL -> 1;
            case CODE -> 1.2;
        };
    }

    private double drop(Check look, BiFunction<Trial, Check, Optional<Foreseen>> foreseen) {
        List<Foreseen> each = new ArrayList<>();
        List<Weighted> of = new ArrayList<>();
        for (Weighted one : hypotheses) {
            foreseen.apply(one.trial(), look).ifPresent(found -> {
                each.add(found);
                of.add(one);
            });
        }
        double floating = 0;
        for (int i = 0; i < each.size(); i++) {
            floating += each.get(i) instanceof Foreseen.Amount amount && amount.isWild()
                    ? of.get(i).share()
                    : 0;
        }
        if (floating > FLOATING) {
            return 0;
        }
        double before = entropy(of.stream().mapToDouble(Weighted::share).toArray(), of);
        double after = 0;
        double all = of.stream().mapToDouble(Weighted::share).sum();
        for (int i = 0; i < each.size(); i++) {
            List<Answer> answers = answers(look, each.get(i));
            for (Answer answer : answers) {
                double[] posterior = new double[each.size()];
                for (int j = 0; j < posterior.length; j++) {
                    posterior[j] = of.get(j).share() * Math.exp(Math.max(-60, log(look, answer, each.get(j))));
                }
                after += of.get(i).share() / all / answers.size() * entropy(posterior, of);
            }
        }
        return before - after;
    }

    /** In bits, of hypotheses and not of their forms. */
    private static double entropy(double[] shares, List<Weighted> of) {
        Map<Hypothesis, Double> sums = new LinkedHashMap<>();
        double all = 0;
        for (int i = 0; i < shares.length; i++) {
            sums.merge(of.get(i).trial().hypothesis, shares[i], Double::sum);
            all += shares[i];
        }
        double entropy = 0;
        for (double share : sums.values()) {
            if (share > 0 && all > 0) {
                entropy -= share / all * Math.log(share / all) / Math.log(2);
            }
        }
        return entropy;
    }

    /** What may come of a look when something is so. */
    private List<Answer> answers(Check look, Foreseen foreseen) {
        if (foreseen instanceof Foreseen.Amount amount) {
            double spread =
                    Math.sqrt(amount.spread() * amount.spread() + likelihood.noise(look.kind(), amount.value()));
            List<Answer> answers = new ArrayList<>();
            for (double spot : SPOTS) {
                answers.add(new Answer.Amount(amount.value() + spot * spread));
            }
            return answers;
        } else if (foreseen instanceof Foreseen.Ohms ohms) {
            return ohms.isOpen()
                    ? List.of(new Answer.Overload())
                    : List.of(
                            new Answer.Amount(ohms.least()),
                            new Answer.Amount(Math.sqrt(Math.max(0, ohms.least() * ohms.most()))),
                            new Answer.Amount(ohms.most()));
        }
        return List.of(((Foreseen.Certain) foreseen).answer());
    }

    private double log(Check look, Answer answer, Foreseen foreseen) {
        return foreseen instanceof Foreseen.Amount amount
                ? answer instanceof Answer.Amount read
                        ? likelihood.together(List.of(new Likelihood.Compared(look.kind(), read.si(), amount)))
                        : Likelihood.NEVER
                : likelihood.single(answer, foreseen);
    }

    /** Whether no look tells two forms apart. */
    boolean areAlike(Trial one, Trial other, List<Check> looks, BiFunction<Trial, Check, Optional<Foreseen>> foreseen) {
        for (Check look : looks) {
            Optional<Foreseen> first = foreseen.apply(one, look);
            Optional<Foreseen> second = foreseen.apply(other, look);
            if (first.isPresent() && second.isPresent() && areApart(look, first.get(), second.get())) {
                return false;
            }
        }
        return true;
    }

    private boolean areApart(Check look, Foreseen one, Foreseen other) {
        if (one instanceof Foreseen.Amount first && other instanceof Foreseen.Amount second) {
            double spread = Math.sqrt(Math.max(first.spread() * first.spread(), second.spread() * second.spread())
                    + likelihood.noise(look.kind(), first.value()));
            return Math.abs(first.value() - second.value()) > spread
                    || ratio(first.spread(), second.spread(), spread) > 3;
        } else if (one instanceof Foreseen.Ohms first && other instanceof Foreseen.Ohms second) {
            return first.isOpen() != second.isOpen()
                    || !first.isOpen()
                            && (first.least() > 1.5 * second.most() + 1 || second.least() > 1.5 * first.most() + 1);
        }
        return !one.equals(other);
    }

    private static double ratio(double one, double other, double least) {
        double low = Math.max(Math.min(one, other), least / 3);
        return Math.max(one, other) / low;
    }
}
