package inkel.app.ui;

import inkel.app.words.Words;
import inkel.core.build.Build;
import inkel.core.build.Edit;
import inkel.core.build.EditRefused;
import inkel.core.build.Edits;
import inkel.core.build.Endpoint;
import inkel.core.build.Node;
import inkel.core.build.Place;
import inkel.core.build.Wire;
import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.finding.Fix;
import inkel.core.finding.Stage;
import inkel.core.io.AtomicFile;
import inkel.core.io.BuildReader;
import inkel.core.io.BuildWriter;
import inkel.core.io.UnreadableFile;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/**
 * The state of the window, without any of its looks: the open build, what is assessed of it, what is selected. Work
 * that takes time runs on the background executor; properties change on the screen executor only.
 */
public final class Workbench {
    private static final Logger LOG = Logger.getLogger(Workbench.class.getName());

    private final Catalog catalog;
    private final Executor background;
    private final Executor screen;
    private final Clock clock;
    private final Recovery recovery;

    private final ReadOnlyObjectWrapper<Assessment> assessment = new ReadOnlyObjectWrapper<>();
    private final ObjectProperty<Stage> stage = new SimpleObjectProperty<>(Stage.PARTS);
    private final ObjectProperty<String> node = new SimpleObjectProperty<>("");
    private final ObjectProperty<Place> selection = new SimpleObjectProperty<>();
    private final ObjectProperty<Notice> notice = new SimpleObjectProperty<>();
    private final ReadOnlyObjectWrapper<Path> file = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<LocalTime> savedAt = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper canUndo = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper canRedo = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper unsaved = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();

    private History history;
    private Build saved;
    private Notice offer;
    private long run;

    public Workbench(Catalog catalog, Executor background, Executor screen, Clock clock, Recovery recovery) {
        this.catalog = catalog;
        this.background = background;
        this.screen = screen;
        this.clock = clock;
        this.recovery = recovery;
    }

    public Catalog catalog() {
        return catalog;
    }

    /** All that is known of the open build; null while nothing is open. */
    public ReadOnlyObjectProperty<Assessment> assessmentProperty() {
        return assessment.getReadOnlyProperty();
    }

    public ObjectProperty<Stage> stageProperty() {
        return stage;
    }

    /** The id of the node that the stages show; empty while nothing is open. */
    public ObjectProperty<String> nodeProperty() {
        return node;
    }

    /** What the Why panel is about; null for the node as a whole. */
    public ObjectProperty<Place> selectionProperty() {
        return selection;
    }

    /** The latest notice; null when there is none. */
    public ObjectProperty<Notice> noticeProperty() {
        return notice;
    }

    public ReadOnlyObjectProperty<Path> fileProperty() {
        return file.getReadOnlyProperty();
    }

    /** When the build was last saved; null when it was not saved since it was opened. */
    public ReadOnlyObjectProperty<LocalTime> savedAtProperty() {
        return savedAt.getReadOnlyProperty();
    }

    public ReadOnlyBooleanProperty canUndoProperty() {
        return canUndo.getReadOnlyProperty();
    }

    public ReadOnlyBooleanProperty canRedoProperty() {
        return canRedo.getReadOnlyProperty();
    }

    public ReadOnlyBooleanProperty unsavedProperty() {
        return unsaved.getReadOnlyProperty();
    }

    /** Whether planning is going on. */
    public ReadOnlyBooleanProperty busyProperty() {
        return busy.getReadOnlyProperty();
    }

    /** The present document; empty while nothing is open. */
    public Optional<Build> build() {
        return Optional.ofNullable(history).map(History::now);
    }

    // --- opening and saving

    /** Reads a file in the background and shows it; on failure says why and keeps what was open. */
    public void open(Path path) {
        background.execute(() -> {
            Opened opened = Opened.read(path, catalog);
            screen.execute(() -> take(opened));
        });
    }

    /** Shows what was read of a file, or says why it could not be and keeps what was open. */
    void take(Opened read) {
        read.assessment()
                .ifPresentOrElse(
                        first -> opened(read.file(), first.build(), first),
                        () -> notice.set(refusal(read.file(), read.refusal().orElseThrow())));
    }

    private Notice refusal(Path path, UnreadableFile unreadable) {
        String text = Words.say(unreadable);
        return AtomicFile.previous(path)
                .filter(previous -> !previous.equals(path))
                .map(previous -> Notice.trouble(
                        text, new Notice.Action(Words.get("notice.open_previous"), () -> openPrevious(path, previous))))
                .orElseGet(() -> Notice.trouble(text));
    }

    /** Opens the version before the last save under the file's own name; it is written only when the builder saves. */
    private void openPrevious(Path path, Path previous) {
        background.execute(() -> {
            Opened read = Opened.read(previous, catalog);
            screen.execute(() -> read.assessment()
                    .ifPresentOrElse(
                            first -> {
                                opened(path, first.build(), first);
                                saved = null;
                                refresh();
                            },
                            () -> notice.set(
                                    Notice.trouble(Words.say(read.refusal().orElseThrow())))));
        });
    }

    private void opened(Path path, Build build, Assessment first) {
        run++;
        offer = null;
        history = new History(build);
        saved = build;
        notice.set(null);
        selection.set(null);
        savedAt.set(null);
        file.set(path);
        node.set(build.nodes().get(0).id());
        assessment.set(first);
        refresh();
        recovery.newer(path).ifPresent(this::offerRecovered);
    }

    private void offerRecovered(Path recovered) {
        offer = new Notice(
                Notice.Tone.TROUBLE,
                Words.get("notice.recovered"),
                List.of(
                        new Notice.Action(Words.get("notice.recovered.take"), () -> takeRecovered(recovered)),
                        new Notice.Action(Words.get("notice.recovered.leave"), () -> {
                            recovery.forgetOffered(file.get());
                            offer = null;
                            notice.set(null);
                        })));
        notice.set(offer);
    }

    private void takeRecovered(Path recovered) {
        try {
            Build build = BuildReader.read(recovered, catalog);
            offer = null;
            notice.set(null);
            take(build);
        } catch (UnreadableFile unreadable) {
            notice.set(Notice.trouble(Words.say(unreadable)));
        }
    }

    /** Saves to the file the build came from. */
    public void save() {
        if (file.get() != null) {
            saveAs(file.get());
        }
    }

    /** Saves to a file and goes on with that one; on failure says why, and the build stays unsaved. */
    public void saveAs(Path path) {
        if (history == null) {
            return;
        }
        Build toSave = history.now();
        try {
            BuildWriter.write(path, toSave);
            if (offer == null) {
                recovery.forget(path);
            }
            saved = toSave;
            file.set(path);
            savedAt.set(LocalTime.now(clock.withZone(ZoneId.systemDefault())));
            notice.set(null);
        } catch (IOException failed) {
            LOG.log(Level.WARNING, "save failed", failed);
            notice.set(Notice.trouble(
                    Words.say(inkel.core.quantity.Fact.of("notice.save_failed")
                            .with("file", path)
                            .with("detail", String.valueOf(failed.getMessage()))),
                    new Notice.Action(Words.get("notice.try_again"), () -> saveAs(path))));
        }
        refresh();
    }

    // --- changing

    /** Applies edits as one step that can be undone; a refusal is told and changes nothing. */
    public void apply(List<Edit> edits) {
        if (history == null) {
            return;
        }
        try {
            take(Edits.apply(history.now(), edits));
            // What was recovered stays on offer until the builder has chosen.
            notice.set(offer);
        } catch (EditRefused refused) {
            notice.set(Notice.trouble(Words.say(refused.reason())));
        }
    }

    public void apply(Edit edit) {
        apply(List.of(edit));
    }

    public void apply(Fix fix) {
        apply(fix.edits());
    }

    private void take(Build next) {
        if (next.equals(history.now())) {
            return;
        }
        history.take(next);
        changed();
    }

    public void undo() {
        if (history != null && history.canUndo()) {
            history.undo();
            changed();
        }
    }

    public void redo() {
        if (history != null && history.canRedo()) {
            history.redo();
            changed();
        }
    }

    private void changed() {
        refresh();
        Build now = history.now();
        Path path = file.get();
        long mine = ++run;
        background.execute(() -> {
            Assessment next = Assessment.assess(now, catalog);
            screen.execute(() -> {
                // A later edit has overtaken this answer.
                if (mine == run) {
                    assessment.set(next);
                    dropLostSelection();
                }
            });
            recovery.keep(path, now);
        });
    }

    /** What was selected may be gone after an edit or undo. */
    private void dropLostSelection() {
        Place selected = selection.get();
        if (selected == null || history == null) {
            return;
        }
        boolean isThere = history.now()
                .node(selected.node())
                .filter(found ->
                        selected.part().isEmpty() || found.part(selected.part()).isPresent())
                .isPresent();
        if (!isThere) {
            selection.set(null);
        }
    }

    private void refresh() {
        canUndo.set(history != null && history.canUndo());
        canRedo.set(history != null && history.canRedo());
        unsaved.set(history != null && !history.now().equals(saved));
    }

    /** Shares out the pins of the shown node in the background and takes the plan over, or says what clashes. */
    public void plan() {
        if (history == null || busy.get()) {
            return;
        }
        busy.set(true);
        Build now = history.now();
        String of = node.get();
        background.execute(() -> {
            try {
                Plan plan = new Planner(now, catalog).plan(of);
                screen.execute(() -> planned(now, plan));
            } catch (RuntimeException failed) {
                LOG.log(Level.SEVERE, "planning failed", failed);
                screen.execute(() -> {
                    busy.set(false);
                    notice.set(Notice.trouble(Words.get("notice.plan_failed", "detail", failed)));
                });
            }
        });
    }

    private void planned(Build asked, Plan plan) {
        busy.set(false);
        if (history == null || !history.now().equals(asked)) {
            notice.set(Notice.trouble(Words.get("notice.plan_overtaken")));
            return;
        }
        if (plan.placed()) {
            long moved = moved(asked, plan);
            apply(plan.edit().orElseThrow());
            notice.set(Notice.done(Words.get(moved == 0 ? "notice.plan_same" : "notice.planned", "count", moved)));
        } else {
            String names = String.join(
                    ", ", plan.clash().stream().map(Endpoint::toString).toList());
            notice.set(new Notice(
                    Notice.Tone.TROUBLE,
                    Words.get("notice.clash", "wants", names),
                    plan.waysOut().stream()
                            .map(fix -> new Notice.Action(Words.say(fix.title()), () -> {
                                apply(fix);
                                plan();
                            }))
                            .toList()));
        }
    }

    private static long moved(Build before, Plan plan) {
        Node old = before.node(plan.node()).orElseThrow();
        return plan.wires().stream()
                .filter(wire -> old.wire(wire.from())
                        .map(Wire::to)
                        .filter(wire.to()::equals)
                        .isEmpty())
                .count();
    }

    // --- selecting

    /** Shows a place: the stage, its node, and the place itself as what is selected. */
    public void show(Stage at, Place place) {
        node.set(place.node());
        stage.set(at);
        selection.set(place);
    }
}
