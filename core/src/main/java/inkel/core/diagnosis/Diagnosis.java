package inkel.core.diagnosis;

import inkel.core.bench.Asked;
import inkel.core.bench.Foreseen;
import inkel.core.bench.Question;
import inkel.core.bench.Rehearsals;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.bench.fault.PinFault;
import inkel.core.bench.fault.Priors;
import inkel.core.bench.fault.WireFault;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.wake.Check;
import inkel.core.wake.MoreLooks;
import inkel.core.wake.NodeWake;
import inkel.core.wake.Phase;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;

/**
 * What may be wrong with one board of a build: every fault is put into the network and thought through for the readings that
 * there are; how likely those are then, times how likely the fault was before, is its share (Bayes). What it has thought of
 * once it keeps, so that a further reading takes little. For one thread.
 */
public final class Diagnosis {
    /** So many hypotheses are weighed against one another for the next look, down to this share. */
    private static final int WEIGHED = 16;

    private static final double LEAST_SHARE = 0.004;

    /** Of so many of the likeliest every pair is tried. */
    private static final int PAIRED = 5;

    private final Layout layout;
    private final NodeWake wake;
    private final Weighing weighing;
    private final Rehearsals rehearsals;
    private final MoreLooks more;
    private final List<Trial> healthy;
    private final List<Trial> trials = new ArrayList<>();
    private final Map<List<Fault>, List<Trial>> pairs = new HashMap<>();

    /** @param replugged names of wires that were taken out and put in again */
    public Diagnosis(Layout layout, NodeWake wake, Meter meter, Set<String> replugged) {
        this.layout = layout;
        this.wake = wake;
        rehearsals = new Rehearsals(layout.circuit(), layout.lists());
        more = new MoreLooks(layout, wake, meter);
        healthy = trials(Hypothesis.healthy());
        weighing = new Weighing(meter, rehearsals, healthy.get(0));
        Priors priors = new Priors(layout, replugged);
        Set<String> tables = wake.checks().stream()
                .flatMap(check -> check.asked().scene().joined().stream())
                .map(Place::node)
                .collect(Collectors.toSet());
        for (Fault fault : Faults.of(layout)) {
            // What is wrong on a table that nothing leads to from here moves no reading.
            if (!tables.contains(fault.at().node())) {
                continue;
            }
            trials.addAll(trials(new Hypothesis(List.of(fault), fault.forms(layout), priors.of(fault))));
        }
    }

    private static List<Trial> trials(Hypothesis hypothesis) {
        return hypothesis.forms().stream()
                .map(twist -> new Trial(hypothesis, twist))
                .toList();
    }

    /**
     * Only what concerns the wires and parts of the last reading that is not as foretold, by that and the readings before it:
     * to be shown first, without a look to take.
     */
    public Suspects near(List<Evidence> evidence, BooleanSupplier isOver) {
        List<Evidence> order = order(evidence);
        return among(order.subList(0, Math.min(Weighing.SOME, order.size())), near(evidence), isOver, false);
    }

    /**
     * Finds beforehand what every fault makes of an amount that is about to be read, so that {@link #all} need not; what was
     * found when it is overtaken stays found.
     */
    public void ahead(Check check, BooleanSupplier isOver) {
        Asked asked = check.asked();
        if (!(asked.question() instanceof Question.Measure)) {
            return;
        }
        for (Trial trial : trials) {
            if (isOver.getAsBoolean()) {
                return;
            }
            trial.expect(asked, rehearsals);
        }
    }

    /** All faults, and pairs of the likeliest. */
    public Suspects all(List<Evidence> evidence, BooleanSupplier isOver) {
        return among(evidence, trials, isOver, true);
    }

    private Suspects among(List<Evidence> evidence, List<Trial> some, BooleanSupplier isOver, boolean isWhole) {
        List<Evidence> order = order(evidence);
        List<Trial> open = new ArrayList<>(healthy);
        open.addAll(some);
        double other = weighing.somethingElse(order);
        List<Weighing.Scored> scored = weighing.scored(order, open, other, isOver);
        if (isWhole) {
            scored.addAll(weighing.scored(order, pairs(scored), other, isOver));
        }
        return suspects(order, scored, other, isOver, isWhole);
    }

    /** What was not as foretold first, the latest first: it tells most. Looks in between come after the checks of the plan. */
    private static List<Evidence> order(List<Evidence> evidence) {
        List<Evidence> order = new ArrayList<>(evidence);
        Collections.reverse(order);
        order.sort(Comparator.comparing(Evidence::isWell).thenComparing(one -> isBetween(one.check())));
        return order;
    }

    private static boolean isBetween(Check check) {
        return check.group().phase() == Phase.BESIDES;
    }

    // --- which are tried

    private List<Trial> near(List<Evidence> evidence) {
        Optional<Evidence> out =
                order(evidence).stream().filter(one -> !one.isWell()).findFirst();
        if (out.isEmpty()) {
            return List.of();
        }
        Check check = out.get().check();
        Set<String> wires = new HashSet<>(check.wires());
        return trials.stream()
                .filter(trial -> trial.hypothesis.faults().stream().allMatch(fault -> isNear(fault, check, wires)))
                .toList();
    }

    /** What is out or loose up to the supplies, and all that concerns the part itself. */
    private boolean isNear(Fault fault, Check check, Set<String> wires) {
        if (!fault.at().node().equals(check.at().node())) {
            return false;
        }
        if (fault instanceof WireFault.OnOneWire on) {
            boolean isPlain = fault instanceof WireFault.Missing || fault instanceof WireFault.Loose;
            return wires.contains(on.wire()) && (isPlain || isAt(on, check.at().part()));
        }
        Place at = fault.at();
        return at.part().equals(check.at().part()) || at.part().isEmpty();
    }

    private boolean isAt(WireFault.OnOneWire fault, String part) {
        return layout.partsOf(fault.node(), fault.wire()).contains(part);
    }

    /** Every two of the likeliest that are of one form each at the time. */
    private List<Trial> pairs(List<Weighing.Scored> scored) {
        List<Trial> first = byHypothesis(scored).entrySet().stream()
                .filter(entry -> !entry.getKey().isHealthy())
                .limit(PAIRED)
                .map(entry -> entry.getValue().get(0).trial())
                .toList();
        List<Trial> both = new ArrayList<>();
        for (int i = 0; i < first.size(); i++) {
            for (int j = i + 1; j < first.size(); j++) {
                both.addAll(pair(first.get(i).hypothesis, first.get(j).hypothesis));
            }
        }
        return both;
    }

    private List<Trial> pair(Hypothesis one, Hypothesis other) {
        List<Fault> faults = List.of(one.faults().get(0), other.faults().get(0));
        return pairs.computeIfAbsent(faults, key -> {
            List<Twist> forms = new ArrayList<>();
            for (Twist first : one.forms()) {
                for (Twist second : other.forms()) {
                    forms.add(first.and(second));
                }
            }
            return trials(new Hypothesis(faults, forms, one.odds() * other.odds()));
        });
    }

    // --- what comes of it

    /** The likeliest first, with their forms, the likeliest first. */
    private static Map<Hypothesis, List<Weighing.Scored>> byHypothesis(List<Weighing.Scored> scored) {
        Map<Hypothesis, List<Weighing.Scored>> forms = new LinkedHashMap<>();
        for (Weighing.Scored one : scored) {
            forms.computeIfAbsent(one.trial().hypothesis, key -> new ArrayList<>())
                    .add(one);
        }
        Map<Hypothesis, List<Weighing.Scored>> sorted = new LinkedHashMap<>();
        forms.entrySet().stream()
                .sorted(Comparator.comparingDouble(
                        (Map.Entry<Hypothesis, List<Weighing.Scored>> entry) -> -sum(entry.getValue())))
                .forEach(entry -> {
                    entry.getValue().sort(Comparator.comparingDouble(one -> -one.log()));
                    sorted.put(entry.getKey(), entry.getValue());
                });
        return sorted;
    }

    /** The logarithm of a sum of exponentials. */
    private static double sum(Collection<Weighing.Scored> scored) {
        double most = scored.stream().mapToDouble(Weighing.Scored::log).max().orElse(Likelihood.NEVER);
        return most
                + Math.log(scored.stream()
                        .mapToDouble(one -> Math.exp(one.log() - most))
                        .sum());
    }

    private Suspects suspects(
            List<Evidence> evidence,
            List<Weighing.Scored> scored,
            double other,
            BooleanSupplier isOver,
            boolean isWhole) {
        Map<Hypothesis, List<Weighing.Scored>> byHypothesis = byHypothesis(scored);
        double all = scored.isEmpty() ? other : plus(sum(scored), other);
        Map<Hypothesis, Double> shares = new LinkedHashMap<>();
        byHypothesis.forEach((hypothesis, forms) -> shares.put(hypothesis, Math.exp(sum(forms) - all)));
        List<NextLook.Weighted> weighed = new ArrayList<>();
        int count = 0;
        for (Map.Entry<Hypothesis, List<Weighing.Scored>> entry : byHypothesis.entrySet()) {
            if (count++ < WEIGHED && shares.get(entry.getKey()) > LEAST_SHARE) {
                for (Weighing.Scored form : entry.getValue()) {
                    double share = Math.exp(form.log() - all);
                    if (share > LEAST_SHARE * LEAST_SHARE) {
                        weighed.add(new NextLook.Weighted(form.trial(), share));
                    }
                }
            }
        }
        NextLook looking = new NextLook(weighing.likelihood, weighed);
        Set<String> made = evidence.stream().map(one -> one.check().id()).collect(Collectors.toSet());
        // Which look tells most takes as long again: it comes with the whole.
        List<Check> looks = weighed.isEmpty() || !isWhole ? List.of() : looks(evidence, weighed, made);
        BiFunction<Trial, Check, Optional<Foreseen>> knowing = knowing(evidence);
        Optional<Check> next = isOver.getAsBoolean() ? Optional.empty() : looking.best(looks, knowing);
        return new Suspects(
                grouped(shares, byHypothesis, looking, looks, knowing),
                shares.entrySet().stream()
                        .filter(entry -> entry.getKey().isHealthy())
                        .mapToDouble(Map.Entry::getValue)
                        .sum(),
                Math.exp(other - all),
                next,
                evidence.size(),
                isWhole);
    }

    private static double plus(double one, double other) {
        double most = Math.max(one, other);
        return most + Math.log(Math.exp(one - most) + Math.exp(other - most));
    }

    /** What forms foresee of looks when it is known what was read. */
    private BiFunction<Trial, Check, Optional<Foreseen>> knowing(List<Evidence> evidence) {
        Map<Trial, Likelihood.Known> known = new IdentityHashMap<>();
        return (trial, look) -> {
            Optional<Foreseen> foreseen = trial.foreseen(look.asked(), rehearsals);
            return foreseen.orElse(null) instanceof Foreseen.Amount amount
                    ? Optional.of(known.computeIfAbsent(
                                    trial, of -> weighing.likelihood.known(weighing.amounts(of, evidence)))
                            .given(look.kind(), amount))
                    : foreseen;
        };
    }

    /** One line for those that no look tells apart. */
    private List<Suspect> grouped(
            Map<Hypothesis, Double> shares,
            Map<Hypothesis, List<Weighing.Scored>> forms,
            NextLook looking,
            List<Check> looks,
            BiFunction<Trial, Check, Optional<Foreseen>> knowing) {
        List<List<Hypothesis>> groups = new ArrayList<>();
        for (Hypothesis hypothesis : shares.keySet()) {
            if (hypothesis.isHealthy() || shares.get(hypothesis) < LEAST_SHARE) {
                continue;
            }
            Trial own = forms.get(hypothesis).get(0).trial();
            Optional<List<Hypothesis>> alike = groups.stream()
                    .filter(group -> !looks.isEmpty())
                    .filter(group ->
                            looking.areAlike(forms.get(group.get(0)).get(0).trial(), own, looks, knowing))
                    .findFirst();
            alike.ifPresentOrElse(
                    group -> group.add(hypothesis), () -> groups.add(new ArrayList<>(List.of(hypothesis))));
        }
        return groups.stream()
                .map(group -> new Suspect(
                        group.stream().map(Hypothesis::faults).toList(),
                        group.stream().mapToDouble(shares::get).sum()))
                .sorted(Comparator.comparingDouble(suspect -> -suspect.share()))
                .toList();
    }

    // --- which looks there are

    /** Checks left to make in the state of the latest reading that is not as foretold, and looks at what is suspected. */
    private List<Check> looks(List<Evidence> evidence, List<NextLook.Weighted> weighed, Set<String> made) {
        Map<String, Check> looks = new LinkedHashMap<>();
        Check during = evidence.get(0).check();
        for (Check check : wake.checks()) {
            boolean isHere = check.asked().scene().equals(during.asked().scene())
                    || !check.asked().scene().isOn();
            if (isHere) {
                looks.put(check.id(), check);
            }
        }
        for (NextLook.Weighted one : weighed) {
            for (Fault fault : one.trial().hypothesis.faults()) {
                for (Check look : atFault(fault, during)) {
                    looks.putIfAbsent(look.id(), look);
                }
            }
        }
        made.forEach(looks::remove);
        return List.copyOf(looks.values());
    }

    private List<Check> atFault(Fault fault, Check during) {
        List<Optional<Check>> looks = new ArrayList<>();
        boolean isOn = during.asked().scene().isOn();
        for (String wire : FaultyWires.of(fault, layout)) {
            if (isOn) {
                looks.add(more.along(wire, during));
            }
            looks.add(more.ohms(wire));
            looks.add(more.sits(wire));
        }
        Place at = fault.at();
        if (at.node().equals(wake.node().node().id())) {
            if (at.isPin() && isOn) {
                looks.add(more.again(at.endpoint(), during));
            }
            if (fault instanceof PinFault.Shorted shorted) {
                looks.add(more.ohmsBetween(at.endpoint(), shorted.other().endpoint()));
            }
            if (fault instanceof PinFault.PinDamaged) {
                looks.add(more.ohmsToGround(at.endpoint()));
            }
            FaultyWires.seenAt(fault).ifPresent(sort -> looks.add(more.seen(sort, at)));
        }
        return looks.stream().flatMap(Optional::stream).toList();
    }
}
