package inkel.core.diagnosis;

import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.document.Meter;
import inkel.core.wake.Answers;
import inkel.core.wake.Check;
import inkel.core.wake.NodeWake;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/**
 * Something wrong on a practice bench, by a seed: the same seed plants the same on the same build.
 *
 * @param faults what is wrong; none for a bench that is all right
 * @param twists in which form, in the order of the faults
 * @param seed of what is planted, and of all figures of the bench
 */
public record Planted(Layout layout, NodeWake wake, Meter meter, List<Fault> faults, List<Twist> twists, long seed) {
    /** So many are drawn before it is said that none of them would be noticed. */
    private static final int DRAWS = 60;

    /** From then on a cause counts as found. */
    private static final double FOUND = 0.9;

    private static final int MOST_LOOKS = 12;

    public Planted {
        faults = List.copyOf(faults);
        twists = List.copyOf(twists);
    }

    /**
     * Plants what at least one check of the first power-up notices; all kinds that the build can have are as likely.
     *
     * @param count how many faults, from 0 to 2
     * @param kind of the first of them; empty for any
     * @return empty when the build has no such fault that is noticed
     */
    public static Optional<Planted> of(
            Layout layout, NodeWake wake, Meter meter, int count, Optional<FaultKind> kind, long seed) {
        if (count == 0) {
            return Optional.of(new Planted(layout, wake, meter, List.of(), List.of(), seed));
        }
        String node = wake.node().node().id();
        List<Fault> all = Faults.of(layout).stream()
                .filter(fault -> fault.at().node().equals(node))
                .toList();
        Random random = new Random(seed);
        for (int draw = 0; draw < DRAWS; draw++) {
            List<Fault> faults = new ArrayList<>();
            List<Twist> twists = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                Optional<Fault> next = pick(all, i == 0 ? kind : Optional.empty(), faults, random);
                if (next.isPresent()) {
                    List<Twist> forms = next.get().forms(layout);
                    twists.add(forms.get(random.nextInt(forms.size())));
                    faults.add(next.get());
                }
            }
            Planted planted = new Planted(layout, wake, meter, faults, twists, seed);
            if (faults.size() == count && planted.isNoticed()) {
                return Optional.of(planted);
            }
        }
        return Optional.empty();
    }

    private static Optional<Fault> pick(List<Fault> all, Optional<FaultKind> kind, List<Fault> already, Random random) {
        List<FaultKind> kinds = kind.map(List::of)
                .orElseGet(
                        () -> all.stream().map(Fault::kind).distinct().sorted().toList());
        if (kinds.isEmpty()) {
            return Optional.empty();
        }
        FaultKind of = kinds.get(random.nextInt(kinds.size()));
        List<Fault> some = all.stream()
                .filter(fault -> fault.kind() == of && !already.contains(fault))
                .toList();
        return some.isEmpty() ? Optional.empty() : Optional.of(some.get(random.nextInt(some.size())));
    }

    /** A bench that has it; each call makes it anew, so that the same questions get the same answers. */
    public PracticeBench bench() {
        Twist twist = twists.stream().reduce(Twist.NONE, Twist::and);
        return new PracticeBench(layout.circuit(), layout.lists(), twist, meter, seed);
    }

    private boolean isNoticed() {
        return firstOut(new ArrayList<>());
    }

    /** Makes all checks in their order up to the first that is not as foretold; whether there is one. */
    private boolean firstOut(List<Evidence> into) {
        PracticeBench bench = bench();
        for (Check check : wake.checks()) {
            Optional<Answer> answer = bench.ask(check.asked());
            if (answer.isPresent()) {
                into.add(new Evidence(check, answer.get()));
                if (!Answers.isWell(check, answer.get())) {
                    return true;
                }
            }
        }
        return false;
    }

    /**
     * How Inkel alone would have found it.
     *
     * @param readings up to the first that was not as foretold, with that
     * @param looks after it, the last of which made it clear
     */
    public record Hindsight(int readings, List<Check> looks) {
        public Hindsight {
            looks = List.copyOf(looks);
        }
    }

    /** Several faults are found one after the other, each mended when it is clear. Takes some seconds. */
    public Hindsight hindsight() {
        List<Evidence> evidence = new ArrayList<>();
        List<Check> looks = new ArrayList<>();
        boolean isOut = firstOut(evidence);
        int readings = evidence.size();
        PracticeBench bench = bench();
        Diagnosis diagnosis = new Diagnosis(layout, wake, meter, Set.of());
        while (isOut && looks.size() < MOST_LOOKS) {
            Suspects suspects = diagnosis.all(evidence, () -> false);
            boolean isFound =
                    !suspects.list().isEmpty() && suspects.list().get(0).share() > FOUND;
            if (isFound) {
                Hindsight rest =
                        without(suspects.list().get(0)).map(Planted::hindsight).orElse(new Hindsight(0, List.of()));
                looks.addAll(rest.looks());
                return new Hindsight(readings + rest.readings(), looks);
            }
            Optional<Check> next = suspects.next();
            Optional<Answer> answer = next.flatMap(look -> bench.ask(look.asked()));
            if (answer.isEmpty()) {
                break;
            }
            looks.add(next.get());
            evidence.add(new Evidence(next.get(), answer.get()));
        }
        return new Hindsight(readings, looks);
    }

    /** The same when what was found is mended; empty when nothing is left, or it was not what was planted. */
    private Optional<Planted> without(Suspect found) {
        List<Fault> left = new ArrayList<>();
        List<Twist> forms = new ArrayList<>();
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            boolean isFound = found.alike().stream().anyMatch(together -> together.contains(fault));
            if (!isFound) {
                left.add(fault);
                forms.add(twists.get(i));
            }
        }
        return left.isEmpty() || left.size() == faults.size()
                ? Optional.empty()
                : Optional.of(new Planted(layout, wake, meter, left, forms, seed));
    }
}
