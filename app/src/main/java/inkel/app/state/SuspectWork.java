package inkel.app.state;

import inkel.app.lane.Trouble;
import inkel.app.words.FaultWords;
import inkel.app.words.Words;
import inkel.core.bench.fault.Layout;
import inkel.core.checks.Assessment;
import inkel.core.diagnosis.Diagnosis;
import inkel.core.diagnosis.Evidence;
import inkel.core.diagnosis.Suspect;
import inkel.core.diagnosis.Suspects;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.document.edit.WriteLine;
import inkel.core.quantity.Fact;
import inkel.core.wake.Check;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakeState;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** What readings leave as likely, thought through beside everything else; what a later reading has overtaken is given up. */
public final class SuspectWork {
    private final Session session;
    private final ReadOnlyObjectWrapper<Found> latest = new ReadOnlyObjectWrapper<>();
    private final AtomicLong run = new AtomicLong();
    private Asked asked;
    private Expected expected;

    /** Touched in its own lane only. */
    private Ready ready;

    /**
     * What was thought of some readings.
     *
     * @param layout the wires of the build that the causes are of
     */
    public record Found(Layout layout, String node, List<Evidence> evidence, Suspects suspects) {}

    private record Expected(Asked about, String check) {}

    private record Asked(Build plan, Meter meter, String node, List<Evidence> evidence) {}

    /** A diagnosis that keeps what it has thought of once, and of what. */
    private record Ready(
            Build plan, Meter meter, String node, Set<String> replugged, Layout layout, Diagnosis diagnosis) {}

    SuspectWork(Session session) {
        this.session = session;
    }

    /** Changes when more is known. */
    public ReadOnlyObjectProperty<Found> latestProperty() {
        return latest.getReadOnlyProperty();
    }

    /** Whether anything that was read is not as foretold. */
    public static boolean isAsked(List<Evidence> evidence) {
        return evidence.stream().anyMatch(one -> !one.isWell());
    }

    /** What is known of the readings of a board so far; has it thought through where it is not. */
    public Optional<Found> wanted(Assessment assessment, WakeState state) {
        List<Evidence> evidence = Evidence.of(state);
        if (!isAsked(evidence)) {
            return Optional.empty();
        }
        String node = state.wake().node().node().id();
        Asked next = new Asked(
                WakeWork.plan(assessment.build()),
                session.wake().meterProperty().get(),
                node,
                evidence);
        if (!next.equals(asked)) {
            asked = next;
            expected = null;
            think(assessment, state, next);
        }
        return Optional.ofNullable(latest.get())
                .filter(found -> found.node().equals(node) && found.evidence().equals(evidence));
    }

    /** Names of the wires that were pulled since they were read. */
    private static Set<String> replugged(Build build) {
        return build.log()
                .counting()
                .filter(LogLine.Pulled.class::isInstance)
                .map(LogLine.Pulled.class::cast)
                .map(pulled -> pulled.place().node() + " wire " + pulled.wire())
                .collect(Collectors.toSet());
    }

    /** The builder found that it was this: the record has it, with what it took to find. */
    public void confirm(Suspect suspect) {
        Found found = latest.get();
        if (found == null) {
            return;
        }
        long looks = found.evidence().size();
        String text = Words.say(Fact.of("log.went_wrong")
                .with("cause", new FaultWords(found.layout()).say(suspect.first()))
                .with("looks", looks));
        Place place = suspect.first().isEmpty()
                ? Place.ofNode(found.node())
                : suspect.first().get(0).at();
        session.apply(new WriteLine(new LogLine.WentWrong(session.now(), place, text, Extras.NONE)));
        session.notices().done(Words.get("log.went_wrong.kept"));
    }

    private void think(Assessment assessment, WakeState state, Asked about) {
        long mine = run.incrementAndGet();
        inLane(
                mine,
                assessment,
                state,
                about,
                with -> {
                    tell(mine, about, with.layout(), with.diagnosis().near(about.evidence(), () -> run.get() != mine));
                    tell(mine, about, with.layout(), with.diagnosis().all(about.evidence(), () -> run.get() != mine));
                },
                mistake ->
                        session.lanes().screen().execute(() -> session.notices().failed("suspects.failed", mistake)));
    }

    private void inLane(
            long mine,
            Assessment assessment,
            WakeState state,
            Asked about,
            Consumer<Ready> think,
            Consumer<RuntimeException> failed) {
        Set<String> replugged = replugged(assessment.build());
        session.lanes().diagnosing().execute(() -> {
            if (run.get() != mine) {
                return;
            }
            try {
                think.accept(ready(assessment, state.wake(), about, replugged));
            } catch (RuntimeException mistake) {
                Trouble.severe(SuspectWork.class, "no causes could be found", mistake);
                ready = null;
                failed.accept(mistake);
            }
        });
    }

    /**
     * Thinks ahead while a reading is being taken: what every fault would make of it. Given up as soon as there is something to
     * think about.
     */
    public void expect(Assessment assessment, WakeState state, Check check) {
        Asked about = new Asked(
                WakeWork.plan(assessment.build()),
                session.wake().meterProperty().get(),
                state.wake().node().node().id(),
                List.of());
        Expected next = new Expected(about, check.id());
        if (next.equals(expected)) {
            return;
        }
        expected = next;
        // What was asked before is given up, and is to be thought of when it is asked again.
        asked = null;
        long mine = run.incrementAndGet();
        inLane(
                mine,
                assessment,
                state,
                about,
                with -> with.diagnosis().ahead(check, () -> run.get() != mine),
                // Nobody asked for it; who asks is told.
                mistake -> {});
    }

    private Ready ready(Assessment assessment, NodeWake wake, Asked about, Set<String> replugged) {
        boolean isSame = ready != null
                && ready.plan().equals(about.plan())
                && ready.meter().equals(about.meter())
                && ready.node().equals(about.node())
                && ready.replugged().equals(replugged);
        if (!isSame) {
            Layout layout = new Layout(
                    assessment.reports().circuit(), assessment.reports().wires());
            ready = new Ready(
                    about.plan(),
                    about.meter(),
                    about.node(),
                    replugged,
                    layout,
                    new Diagnosis(layout, wake, about.meter(), replugged));
        }
        return ready;
    }

    private void tell(long mine, Asked about, Layout layout, Suspects suspects) {
        session.lanes().screen().execute(() -> {
            if (run.get() == mine) {
                latest.set(new Found(layout, about.node(), about.evidence(), suspects));
            }
        });
    }
}
