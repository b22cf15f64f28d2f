package inkel.core.diagnosis;

import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.bench.net.DenseNodal;
import inkel.core.bench.net.Network;
import inkel.core.bench.net.Outcome;
import inkel.core.bench.net.Solver;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.wake.Check;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/**
 * A bench with something wrong on it is woken check by check; from the first that is not as foretold on Inkel alone says
 * where to look. The bench draws its own figures, contacts and meter, and is solved by a solver of the tests.
 */
final class Game {
    static final int MOST_LOOKS = 6;

    private final Layout layout;
    final NodeWake wake;
    final List<Fault> faults;

    private Game(Layout layout) {
        this.layout = layout;
        wake = WakePlan.of(layout.circuit(), Meter.USUAL).nodes().get(0);
        String node = wake.node().node().id();
        faults = Faults.of(layout).stream()
                .filter(fault -> fault.at().node().equals(node))
                .toList();
    }

    /** Empty for a build with something to stop for. */
    static Optional<Game> of(Build build) {
        boolean stops = Assessment.assess(build, Builds.CATALOG).findings().stream()
                .anyMatch(finding -> finding.severity() == Severity.STOP);
        return stops ? Optional.empty() : Optional.of(new Game(Layout.of(Circuit.of(build, Builds.CATALOG))));
    }

    /**
     * How it went.
     *
     * @param rank of the planted fault among the suspects at the end, from 0; 99 when it is not among them
     * @param looks how many were taken after the first reading that was not as foretold; −1 when all were as foretold
     */
    record Played(Optional<Fault> planted, int rank, int looks, Suspects suspects, List<Evidence> evidence) {
        boolean isNoticed() {
            return looks >= 0;
        }
    }

    /** All kinds that the build can have are as likely. */
    Fault pick(Random random) {
        List<FaultKind> kinds =
                faults.stream().map(Fault::kind).distinct().sorted().toList();
        FaultKind kind = kinds.get(random.nextInt(kinds.size()));
        List<Fault> of = faults.stream().filter(fault -> fault.kind() == kind).toList();
        return of.get(random.nextInt(of.size()));
    }

    Played play(Fault planted, Random random) {
        List<Twist> forms = planted.forms(layout);
        return play(Optional.of(planted), forms.get(random.nextInt(forms.size())), random);
    }

    Played playHealthy(Random random) {
        return play(Optional.empty(), Twist.NONE, random);
    }

    /** By the program's own way where the other finds none, which would notice nothing, or where heat comes in. */
    private static Outcome solve(Network network) {
        Outcome own = new Solver(network).solve();
        boolean isHot = own instanceof Outcome.Settled settled
                && !settled.solution().off().isEmpty();
        Outcome other = isHot ? own : DenseNodal.solve(network);
        return other instanceof Outcome.Settled ? other : own;
    }

    private Played play(Optional<Fault> planted, Twist twist, Random random) {
        PracticeBench bench =
                new PracticeBench(layout.circuit(), layout.lists(), twist, Meter.USUAL, random.nextLong(), Game::solve);
        List<Evidence> evidence = new ArrayList<>();
        boolean isOut = false;
        for (Check check : wake.checks()) {
            Optional<Answer> answer = isOut ? Optional.empty() : bench.ask(check.asked());
            if (answer.isPresent()) {
                Evidence one = new Evidence(check, answer.get());
                evidence.add(one);
                isOut = !one.isWell();
            }
        }
        Diagnosis diagnosis = new Diagnosis(layout, wake, Meter.USUAL, Set.of());
        Suspects suspects = diagnosis.all(evidence, () -> false);
        int looks = 0;
        while (isOut && looks < MOST_LOOKS && suspects.next().isPresent()) {
            Check next = suspects.next().get();
            Optional<Answer> answer = bench.ask(next.asked());
            if (answer.isEmpty()) {
                break;
            }
            evidence.add(new Evidence(next, answer.get()));
            looks++;
            suspects = diagnosis.all(evidence, () -> false);
        }
        return new Played(planted, rank(planted, suspects), isOut ? looks : -1, suspects, evidence);
    }

    private static int rank(Optional<Fault> planted, Suspects suspects) {
        for (int i = 0; i < suspects.list().size() && planted.isPresent(); i++) {
            if (suspects.list().get(i).alike().contains(List.of(planted.get()))) {
                return i;
            }
        }
        return 99;
    }
}
