package inkel.app.state;

import inkel.app.lane.Trouble;
import inkel.app.words.Words;
import inkel.core.boards.BoardTrial;
import inkel.core.boards.BoardTrials;
import inkel.core.boards.FoundPlan;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.checks.AsOneGoes;
import inkel.core.checks.ProvenPlan;
import inkel.core.checks.SharedOut;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.edit.Edit;
import inkel.core.pins.Alternative;
import inkel.core.pins.Patience;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.power.Stagger;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;

/** What takes the solver's time: pins, other placements, moments. One at a time; it can be stopped. */
public final class Planning {
    /** Longer than any table of a home builder's takes; then it is told that it was given up. */
    public static final Duration LONGEST = Duration.ofSeconds(4);

    /** How long it takes at most, after that, to place as many as have a place. */
    public static final Duration LONGEST_PARTIAL = Duration.ofMillis(900);

    private final Session session;
    private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();
    private AtomicBoolean stopped = new AtomicBoolean();
    private AtomicBoolean overtaken = new AtomicBoolean();

    /** The build before the first step that was not shared out yet; null when all were. */
    private Build since;

    Planning(Session session) {
        this.session = session;
    }

    /** Whether something is being planned. */
    public ReadOnlyBooleanProperty busyProperty() {
        return busy.getReadOnlyProperty();
    }

    /** Leaves the present build as it is: its builder went back to it. */
    void leave() {
        stop();
        since = null;
    }

    /** Gives up what is being planned; nothing of it is taken over. */
    public void stop() {
        stopped.set(true);
        overtaken.set(true);
    }

    /**
     * Shares out what the last step left without a pin, as part of that step. A later change overtakes it in silence, and
     * so does being asked to plan.
     *
     * @param before the build before that step
     */
    void goOn(Build before) {
        if (since == null) {
            since = before;
        }
        Build from = since;
        Build now = session.build().orElseThrow();
        Catalog classes = session.catalog();
        AtomicBoolean mine = new AtomicBoolean();
        overtaken = mine;
        session.lanes().planning().execute(() -> {
            try {
                List<Plan> plans = new ArrayList<>();
                for (String node : mine.get() ? List.<String>of() : AsOneGoes.due(from, now, classes)) {
                    AsOneGoes.of(now, classes, node, mine::get).ifPresent(plans::add);
                }
                session.lanes().screen().execute(() -> {
                    boolean isPresent = session.build().filter(now::equals).isPresent();
                    if (isPresent && !mine.get()) {
                        since = null;
                        session.pins().goneOn(plans);
                    }
                });
            } catch (CancellationException given) {
                return; // Whoever overtook it does the rest.
            } catch (RuntimeException mistake) {
                Trouble.severe(Planning.class, "notice.plan_failed", mistake);
                session.lanes().screen().execute(() -> {
                    // Else every later step would come to the same mistake.
                    since = null;
                    session.notices().failed("notice.plan_failed", mistake);
                });
            }
        });
    }

    /** Work that gets the build and the classes as they are now, and asks now and then whether it is still wanted. */
    private interface Work<T> {
        T of(Build build, Catalog classes, BooleanSupplier isStopped);
    }

    /** Shares out the pins of the shown node and takes the plan over, or says what clashes. */
    public void plan() {
        String of = session.nodeProperty().get();
        work(
                (now, classes, isStopped) -> {
                    Patience patience = Patience.of(LONGEST, isStopped);
                    Plan plan = new Planner(now, classes, patience).plan(of);
                    return outcome(ProvenPlan.of(now, classes, plan, patience), now, classes, isStopped);
                },
                session.pins()::planned,
                "notice.plan_failed");
    }

    private static SharedOut outcome(ProvenPlan proven, Build now, Catalog classes, BooleanSupplier isStopped) {
        return SharedOut.of(now, classes, proven, Patience.of(LONGEST_PARTIAL, isStopped));
    }

    /** As {@link #plan}, with every wire left where it is that can stay there. */
    public void planKeeping() {
        planKeeping(session.nodeProperty().get());
    }

    /** As {@link #planKeeping()}, for any node. */
    void planKeeping(String of) {
        work(
                (now, classes, isStopped) -> {
                    Plan plan = new Planner(now, classes, Patience.of(LONGEST, isStopped)).planKeeping(of);
                    return outcome(new ProvenPlan(plan, List.of()), now, classes, isStopped);
                },
                session.pins()::planned,
                "notice.plan_failed");
    }

    /** Finds different placements. */
    public void alternatives(Consumer<List<Alternative>> show) {
        String of = session.nodeProperty().get();
        work(
                (now, classes, isStopped) -> new Planner(now, classes, isStopped).alternatives(of),
                show,
                "notice.plan_failed");
    }

    /**
     * Tries every board on the shown table.
     *
     * @param each gets every trial as it is done
     * @param show gets all of them, best first
     */
    public void boards(Consumer<BoardTrial> each, Consumer<List<BoardTrial>> show) {
        String of = session.nodeProperty().get();
        work(
                (now, classes, isStopped) -> new BoardTrials(now, classes, of, isStopped)
                        .all(trial -> session.lanes().screen().execute(() -> each.accept(trial))),
                show,
                "notice.boards_failed");
    }

    /**
     * Works out what a found wiring comes to on the shown table.
     *
     * @param source the class of the board that it was made for
     */
    public void found(PartClass source, String text, Consumer<FoundPlan> show) {
        String of = session.nodeProperty().get();
        work(
                (now, classes, isStopped) -> FoundPlan.of(now, classes, of, source, text, isStopped),
                show,
                "notice.plan_failed");
    }

    /** Moves the moments of the shown node apart, or says that moving them cannot do it. */
    public void stagger() {
        String of = session.nodeProperty().get();
        work(
                (now, classes, isStopped) ->
                        Stagger.of(Circuit.of(now, classes).node(of).orElseThrow(), isStopped),
                this::staggered,
                "notice.stagger_failed");
    }

    private void staggered(Optional<List<Edit>> edits) {
        if (edits.isEmpty()) {
            session.notices().trouble(Words.get("notice.stagger_impossible"));
        } else if (edits.get().isEmpty()) {
            session.notices().done(Words.get("notice.stagger_same"));
        } else if (session.apply(edits.get())) {
            session.notices()
                    .done(Words.get("notice.staggered", "count", edits.get().size()));
        }
    }

    /** Hands over what comes of the work, unless the build has changed meanwhile, which is told. */
    private <T> void work(Work<T> work, Consumer<T> take, String failed) {
        Optional<Build> now = session.build();
        if (now.isEmpty() || busy.get()) {
            return;
        }
        busy.set(true);
        overtaken.set(true);
        since = null;
        AtomicBoolean mine = new AtomicBoolean();
        stopped = mine;
        Catalog classes = session.catalog();
        session.lanes().planning().execute(() -> {
            try {
                T done = work.of(now.get(), classes, mine::get);
                session.lanes().screen().execute(() -> finished(now.get(), mine, () -> take.accept(done)));
            } catch (CancellationException given) {
                session.lanes().screen().execute(() -> finished(now.get(), mine, () -> {}));
            } catch (RuntimeException mistake) {
                Trouble.severe(Planning.class, failed, mistake);
                session.lanes().screen().execute(() -> {
                    busy.set(false);
                    session.notices().failed(failed, mistake);
                });
            }
        });
    }

    private void finished(Build asked, AtomicBoolean stoppedByHand, Runnable take) {
        busy.set(false);
        if (!session.build().filter(asked::equals).isPresent()) {
            session.notices().trouble(Words.get("notice.plan_overtaken"));
        } else if (stoppedByHand.get()) {
            session.notices().done(Words.get("notice.plan_stopped"));
        } else {
            take.run();
        }
    }
}
