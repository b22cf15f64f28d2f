package inkel.app.state;

import inkel.app.lane.Trouble;
import inkel.app.words.Words;
import inkel.core.bench.Answer;
import inkel.core.bench.fault.Layout;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.LeaveOut;
import inkel.core.document.edit.PullWires;
import inkel.core.document.edit.TakeReading;
import inkel.core.document.edit.TakeSeen;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Quantity;
import inkel.core.wake.Answers;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.Group;
import inkel.core.wake.Kept;
import inkel.core.wake.MoreLooks;
import inkel.core.wake.NodeWake;
import inkel.core.wake.Phase;
import inkel.core.wake.Status;
import inkel.core.wake.WakePlan;
import inkel.core.wake.WakeState;
import inkel.core.wake.report.BoardReport;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** The first power-up: what its checks should read, worked out beside everything else, and what they read. */
public final class WakeWork {
    private final Session session;
    private final Map<String, Known> known = new HashMap<>();
    private final Set<String> asked = new HashSet<>();

    /** For which assessment the checks of a board could not be worked out. */
    private final Map<String, Assessment> failed = new HashMap<>();

    private final ReadOnlyObjectWrapper<NodeWake> latest = new ReadOnlyObjectWrapper<>();
    private final ObjectProperty<Meter> meter = new SimpleObjectProperty<>(Meter.USUAL);
    private final ObjectProperty<Check> current = new SimpleObjectProperty<>();

    /**
     * The checks of a board, and what they were made of: ticks and the record do not change what should be read.
     *
     * @param between looks in between, by their ids
     */
    private record Known(Build plan, Meter meter, Kept kept, NodeWake wake, Map<String, Check> between) {
        /** With the looks in between that were taken, and the one that is looked at. */
        NodeWake with(Build build, Check looked) {
            List<Check> taken = between.values().stream()
                    .filter(check -> check.equals(looked)
                            || isRead(build, wake.node().node().id(), check.id()))
                    .toList();
            return taken.isEmpty() ? wake : wake.with(taken);
        }
    }

    private static boolean isRead(Build build, String node, String check) {
        return build.log()
                .counting()
                .anyMatch(line -> line.place().node().equals(node)
                        && WakeState.checkOf(line).filter(check::equals).isPresent());
    }

    /** The part whose checks are to be shown next. */
    private Optional<Place> begun = Optional.empty();

    private boolean isKeptUp;

    WakeWork(Session session) {
        this.session = session;
    }

    /** The checks that were worked out last, of whichever board. */
    public ReadOnlyObjectProperty<NodeWake> latestProperty() {
        return latest.getReadOnlyProperty();
    }

    /** What the builder measures with. */
    public ObjectProperty<Meter> meterProperty() {
        return meter;
    }

    /** The check that is looked at; null for none. */
    public ObjectProperty<Check> currentProperty() {
        return current;
    }

    /** What became of the checks of a board; empty while these are not worked out. */
    public Optional<WakeState> of(Assessment assessment, String node) {
        return Optional.ofNullable(known.get(node))
                .filter(found ->
                        found.meter().equals(meter.get()) && found.plan().equals(plan(assessment.build())))
                .map(found -> WakeState.of(assessment.build(), found.with(assessment.build(), current.get())));
    }

    /** Whether a reading since may have narrowed what is expected. */
    private boolean isNarrowed(Assessment assessment, String node) {
        Known found = known.get(node);
        return found != null && !found.kept().equals(Kept.of(assessment.build(), node));
    }

    /** As {@link #of}, and has them worked out where they are not: {@link #latestProperty} changes when they are. */
    public Optional<WakeState> wanted(Assessment assessment, String node) {
        Optional<WakeState> state = of(assessment, node);
        boolean isToDo = (state.isEmpty() || isNarrowed(assessment, node)) && !hasFailed(assessment, node);
        if (isToDo && asked.add(node)) {
            workOut(assessment, node);
            return of(assessment, node);
        }
        return state;
    }

    /**
     * From now on the checks of a board on which something was read are worked out also while nobody looks at them, so
     * that the stage is counted. Not before the first picture, which goes without it.
     */
    public void keepUp() {
        isKeptUp = true;
        Assessment assessment = session.assessmentProperty().get();
        if (assessment != null) {
            counted(assessment, session.nodeProperty().get());
        }
    }

    /** As {@link #of}, for counting. */
    public Optional<WakeState> counted(Assessment assessment, String node) {
        return isKeptUp && isAnyRead(assessment.build(), node) ? wanted(assessment, node) : of(assessment, node);
    }

    private static boolean isAnyRead(Build build, String node) {
        return build.log()
                .counting()
                .anyMatch(line -> line.place().node().equals(node)
                        && WakeState.checkOf(line).isPresent());
    }

    /** Makes a look in between one of a board's checks while it is looked at, and for good once it was read. */
    public void look(String node, Check between) {
        Optional.ofNullable(known.get(node)).ifPresent(found -> found.between().put(between.id(), between));
        current.set(between);
    }

    /** Goes to the checks of a part as soon as they are worked out. */
    public void begin(Place part) {
        begun = Optional.of(part);
    }

    /** The check to go to for the part that was asked for, the first of it that does not hold; once. */
    public Optional<Check> begun(WakeState state) {
        Optional<Check> first = begun.flatMap(part -> state.wake().checks().stream()
                .filter(check -> check.at().node().equals(part.node())
                        && check.group().equals(new Group(Phase.PART, part.part())))
                .filter(check -> state.result(check).status() != Status.IN)
                .findFirst());
        begun = Optional.empty();
        return first;
    }

    /** Volts for ohms between the same two points, and the other way about; worked out beside the window. */
    public void turn(String node, Check check, Consumer<Check> show) {
        Assessment assessment = session.assessmentProperty().get();
        Known found = known.get(node);
        if (assessment == null || found == null) {
            return;
        }
        NodeWake wake = found.with(assessment.build(), check);
        Meter with = meter.get();
        session.draw(
                () -> new MoreLooks(
                                new Layout(
                                        assessment.reports().circuit(),
                                        assessment.reports().wires()),
                                wake,
                                with)
                        .turned(check),
                turned -> turned.ifPresentOrElse(
                        other -> {
                            if (wake.check(other.id()).isEmpty()) {
                                look(node, other);
                            }
                            show.accept(other);
                        },
                        () -> session.notices().done(Words.get("wake.turn.none"))));
    }

    /** Whether the checks of a board could not be worked out as it is now. */
    public boolean hasFailed(Assessment assessment, String node) {
        return failed.get(node) == assessment;
    }

    /** A build without what changes no expectation. */
    static Build plan(Build build) {
        return build.withLog(Logbook.EMPTY)
                .withNodes(build.nodes().stream()
                        .map(node -> node.withPlugged(Set.of()))
                        .toList());
    }

    private void workOut(Assessment assessment, String node) {
        Meter with = meter.get();
        Map<String, Check> between = new LinkedHashMap<>();
        Optional.ofNullable(known.get(node)).ifPresent(found -> between.putAll(found.between()));
        session.lanes().waking().execute(() -> {
            Optional<NodeWake> found = assessment.wires(node).flatMap(list -> {
                try {
                    NodeWake made = WakePlan.of(
                            assessment.reports().circuit(),
                            assessment.reports().wires(),
                            list,
                            assessment.reports().levels().toMeasure(),
                            with);
                    addTaken(assessment, made, with, between);
                    return Optional.of(made);
                } catch (RuntimeException mistake) {
                    Trouble.severe(WakeWork.class, "checks could not be worked out", mistake);
                    return Optional.empty();
                }
            });
            session.lanes().screen().execute(() -> {
                asked.remove(node);
                found.ifPresent(wake -> known.put(
                        node,
                        new Known(plan(assessment.build()), with, Kept.of(assessment.build(), node), wake, between)));
                if (found.isEmpty()) {
                    known.remove(node);
                    failed.put(node, assessment);
                }
                latest.set(found.orElse(null));
                Assessment now = session.assessmentProperty().get();
                boolean isOvertaken = now != null && (now != assessment || !with.equals(meter.get()));
                if (isOvertaken && found.isPresent()) {
                    wanted(now, node);
                }
            });
        });
    }

    /** Looks in between that the record tells of, made again by their ids. */
    private static void addTaken(Assessment assessment, NodeWake wake, Meter with, Map<String, Check> into) {
        String node = wake.node().node().id();
        List<String> ids = assessment
                .build()
                .log()
                .counting()
                .filter(line -> line.place().node().equals(node))
                .flatMap(line -> WakeState.checkOf(line).stream())
                .filter(id -> wake.check(id).isEmpty() && !into.containsKey(id))
                .distinct()
                .toList();
        if (!ids.isEmpty()) {
            MoreLooks more = new MoreLooks(
                    new Layout(
                            assessment.reports().circuit(), assessment.reports().wires()),
                    wake,
                    with);
            ids.forEach(id -> more.check(id).ifPresent(check -> into.put(id, check)));
        }
    }

    // --- by hand

    private Standing standing(Check check) {
        return WakeState.standing(session.build().orElseThrow(), check);
    }

    /** Writes down what was read. */
    public void read(Check check, Quantity value, String typed) {
        Expected.Within within = (Expected.Within) check.expected();
        session.apply(new TakeReading(
                check.at(),
                check.kind() == Check.Kind.LEVEL ? LogLine.What.HIGH : LogLine.What.of(within.unit()),
                value,
                typed,
                LogLine.By.TYPED,
                standing(check),
                new Foretold(check.id(), within.low(), within.high(), Optional.of(meter.get())),
                session.now()));
    }

    /** Writes down what a board reported, as one step; whether it was taken. */
    boolean reported(ReportWork.Found found) {
        String node = found.wake().node().node().id();
        List<Edit> edits = new ArrayList<>();
        for (BoardReport.Taken taken : found.report().taken()) {
            Check check = taken.check();
            Optional.ofNullable(known.get(node))
                    .filter(with -> with.wake().check(check.id()).isEmpty())
                    .ifPresent(with -> with.between().put(check.id(), check));
            if (taken.answer() instanceof Answer.Amount amount && check.expected() instanceof Expected.Within within) {
                edits.add(new TakeReading(
                        check.at(),
                        LogLine.What.of(within.unit()),
                        Quantity.of(within.unit(), amount.si()),
                        taken.said(),
                        LogLine.By.BOARD,
                        standing(check),
                        new Foretold(check.id(), within.low(), within.high(), Optional.empty()),
                        session.now()));
            } else {
                edits.add(new TakeSeen(
                        check.at(),
                        check.id(),
                        Answers.isWell(check, taken.answer()),
                        taken.said(),
                        LogLine.By.BOARD,
                        standing(check),
                        session.now()));
            }
        }
        return session.apply(edits);
    }

    /** Writes down what was seen or answered, or that a reading is taken as good. */
    public void seen(Check check, boolean isWell, String text) {
        session.apply(
                new TakeSeen(check.at(), check.id(), isWell, text, LogLine.By.TYPED, standing(check), session.now()));
    }

    /** Writes down what a practice bench gave, as if it had been typed: the copy that it goes into is thrown away. */
    public void answered(Check check, Answer answer, boolean isWell) {
        if (answer instanceof Answer.Amount amount && check.expected() instanceof Expected.Within within) {
            Quantity value = Quantity.of(within.unit(), amount.si());
            read(check, value, Engineering.exact(value));
        } else if (answer instanceof Answer.Overload) {
            seen(check, isWell, "OL");
        } else {
            seen(check, isWell, answer instanceof Answer.Texts texts ? String.join(" ", texts.texts()) : "");
        }
    }

    public void leaveOut(Place part, boolean isOut) {
        session.apply(new LeaveOut(part, isOut, session.now()));
    }

    /** Wires that are pulled: what stood on them stands no more. */
    public void pull(Set<String> wires) {
        session.apply(new PullWires(session.nodeProperty().get(), wires, session.now()));
    }
}
