package inkel.app.state;

import inkel.app.lane.Trouble;
import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.checks.Assessment;
import inkel.core.diagnosis.Planted;
import inkel.core.diagnosis.Suspect;
import inkel.core.document.Build;
import inkel.core.document.Logbook;
import inkel.core.document.Meter;
import inkel.core.finding.Stage;
import inkel.core.wake.Check;
import inkel.core.wake.WakePlan;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * The practice bench: a copy of the open build, all wired, on a bench that is not there. The copy has its own undo, is never
 * saved nor kept, and is gone when the builder goes back to the own bench.
 */
public final class PracticeWork {
    /** Seeds that are drawn are short enough to be told to somebody. */
    private static final int MOST_SEED = 1000;

    private final Session session;
    private final ReadOnlyObjectWrapper<Round> round = new ReadOnlyObjectWrapper<>();
    private final Random random = new Random();

    /** What came of naming a cause. */
    public enum Guess {
        RIGHT,
        /** It was planted, and so was something else that was not named yet. */
        ONE_OF_SEVERAL,
        WRONG
    }

    /**
     * One go.
     *
     * @param planted empty while it is being planted, and where that was not possible
     * @param taken readings so far
     * @param looks those after the first that was not as foretold
     * @param named what was named so far and is planted
     * @param end what is told at the end; empty before
     */
    public record Round(
            String node,
            int count,
            Optional<FaultKind> kind,
            long seed,
            Optional<Planted> planted,
            boolean isPlanting,
            int taken,
            int looks,
            Set<Fault> named,
            Optional<Guess> guess,
            Optional<Planted.Hindsight> end) {
        private Round read(boolean isLook) {
            return new Round(
                    node,
                    count,
                    kind,
                    seed,
                    planted,
                    isPlanting,
                    taken + 1,
                    looks + (isLook ? 1 : 0),
                    named,
                    guess,
                    end);
        }

        private Round planted(Optional<Planted> found) {
            return new Round(node, count, kind, seed, found, false, 0, 0, Set.of(), Optional.empty(), Optional.empty());
        }

        private Round guessed(Set<Fault> all, Guess came) {
            return new Round(node, count, kind, seed, planted, isPlanting, taken, looks, all, Optional.of(came), end);
        }

        private Round told(Planted.Hindsight hindsight) {
            return new Round(
                    node, count, kind, seed, planted, isPlanting, taken, looks, named, guess, Optional.of(hindsight));
        }
    }

    private PracticeBench bench;

    PracticeWork(Session session) {
        this.session = session;
    }

    /** Null while the builder is at the own bench. */
    public ReadOnlyObjectProperty<Round> roundProperty() {
        return round.getReadOnlyProperty();
    }

    public boolean isOn() {
        return round.get() != null;
    }

    /** Opens a build and begins on it as soon as it is there. */
    public void open(Path file) {
        session.files().read(file, read -> {
            session.files().take(read);
            if (read.assessment().isPresent()) {
                session.stageProperty().set(Stage.WAKE);
                begin();
            }
        });
    }

    /** A bench without a fault, as for trying what the pieces on it do. */
    public void beginWithNone() {
        if (!isOn()) {
            begin(0, Optional.empty(), 1 + random.nextInt(MOST_SEED));
        }
    }

    /** One fault of any kind, by a seed that is drawn. */
    public void begin() {
        begin(1, Optional.empty(), 1 + random.nextInt(MOST_SEED));
    }

    /** Begins with a copy of the own build, anew where one is under way. */
    public void begin(int count, Optional<FaultKind> kind, long seed) {
        Assessment assessment = session.assessmentProperty().get();
        String node = session.nodeProperty().get();
        if (assessment == null || node == null || session.isOnlyLookedAt()) {
            return;
        }
        session.practise(copy(session.ownBuild().orElseThrow(), assessment));
        Round begun = new Round(
                node, count, kind, seed, Optional.empty(), true, 0, 0, Set.of(), Optional.empty(), Optional.empty());
        bench = null;
        session.reports().forget();
        session.tune().practise();
        // A board that is there is on no practice bench.
        session.line().close();
        round.set(begun);
        Meter meter = session.wake().meterProperty().get();
        session.lanes().diagnosing().execute(() -> {
            Optional<Planted> planted = Optional.empty();
            try {
                Layout layout = new Layout(
                        assessment.reports().circuit(), assessment.reports().wires());
                planted = WakePlan.of(layout.circuit(), meter)
                        .node(node)
                        .flatMap(wake -> Planted.of(layout, wake, meter, count, kind, seed));
            } catch (RuntimeException mistake) {
                Trouble.severe(PracticeWork.class, "nothing could be planted", mistake);
                session.lanes().screen().execute(() -> session.notices().failed("practice.failed", mistake));
            }
            Optional<Planted> found = planted;
            session.lanes().screen().execute(() -> {
                if (round.get() == begun) {
                    bench = found.map(Planted::bench).orElse(null);
                    round.set(begun.planted(found));
                }
            });
        });
    }

    /** The kinds of fault that the board can have. */
    public List<FaultKind> kinds() {
        Round now = round.get();
        Assessment assessment = session.assessmentProperty().get();
        if (now == null || assessment == null) {
            return List.of();
        }
        Layout layout =
                new Layout(assessment.reports().circuit(), assessment.reports().wires());
        return Faults.of(layout).stream()
                .filter(fault -> fault.at().node().equals(now.node()))
                .map(Fault::kind)
                .distinct()
                .sorted()
                .toList();
    }

    /** All wires in and nothing read yet. */
    private static Build copy(Build own, Assessment assessment) {
        return own.withLog(Logbook.EMPTY)
                .withNodes(own.nodes().stream()
                        .map(node -> node.withPlugged(assessment
                                .wires(node.id())
                                .map(PracticeWork::all)
                                .orElse(Set.of())))
                        .toList());
    }

    private static Set<String> all(WireList list) {
        return list.steps().stream()
                .filter(step -> step.kind() != WireStep.Kind.PULL)
                .map(WireStep::id)
                .collect(Collectors.toSet());
    }

    /** Back to the own bench, as it was left. */
    public void leave() {
        if (isOn()) {
            forget();
            session.stopPractising();
        }
    }

    /** The copy is gone already. */
    void forget() {
        bench = null;
        // What a board that is not there reported never comes to the own record.
        session.reports().forget();
        if (isOn()) {
            session.tune().stopPractising();
        }
        round.set(null);
    }

    /** What the bench gives; empty while nothing is planted, and where no currents settle. */
    public Optional<Answer> read(Check check, boolean isLook) {
        Optional<Answer> answer = Optional.ofNullable(bench).flatMap(made -> made.ask(check.asked()));
        if (answer.isPresent()) {
            round.set(round.get().read(isLook));
        }
        return answer;
    }

    /** Says that it is one of these causes. */
    public void guess(Suspect suspect) {
        round.get().planted().ifPresent(planted -> {
            Set<Fault> named = new HashSet<>(round.get().named());
            Optional<List<Fault>> hit = suspect.alike().stream()
                    .filter(together -> !together.isEmpty() && planted.faults().containsAll(together))
                    .max(Comparator.comparingInt(List::size));
            hit.ifPresent(named::addAll);
            boolean isAll = named.containsAll(planted.faults());
            Guess came = hit.isEmpty() ? Guess.WRONG : isAll ? Guess.RIGHT : Guess.ONE_OF_SEVERAL;
            round.set(round.get().guessed(Set.copyOf(named), came));
            if (came == Guess.RIGHT) {
                tell();
            }
        });
    }

    /** What was planted, and how Inkel alone would have found it. */
    public void tell() {
        Round asked = round.get();
        asked.planted()
                .ifPresent(planted -> session.draw(planted::hindsight, hindsight -> {
                    Round now = round.get();
                    if (now != null && now.planted().equals(asked.planted())) {
                        round.set(now.told(hindsight));
                    }
                }));
    }
}
