package inkel.app.state;

import inkel.app.lane.Lanes;
import inkel.app.lane.Notice;
import inkel.app.lane.Notices;
import inkel.app.lane.Trouble;
import inkel.app.line.SerialPorts;
import inkel.app.store.Drawers;
import inkel.app.store.Recovery;
import inkel.app.store.Shelves;
import inkel.app.store.UserState;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Fix;
import inkel.core.finding.Stage;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.catalog.Shelf;
import inkel.core.pins.ShareOut;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * The state of the window, without any of its looks: the open build with its undo, what is judged of it, and the rooms
 * that each do one kind of work on it. Work that takes time runs in the lanes; properties change on the screen's lane.
 *
 * <p>Longer than other files: every change of the build passes through it, and what must happen for one stands in one
 * order.
 */
public final class Session {
    private static final long WARM_MS = 1500;

    private final Lanes lanes;
    private final Clock clock;
    private final Notices notices = new Notices();
    private final Selection selection = new Selection();
    private final ReadOnlyIntegerWrapper openings = new ReadOnlyIntegerWrapper();
    private final Shelves shelves;
    private final Drawers drawers;
    private final Judging judging;
    private final BuildFiles files;
    private final Planning planning = new Planning(this);
    private final PinWork pins = new PinWork(this);
    private final PartWork parts = new PartWork(this);
    private final BoardWork boards = new BoardWork(this);
    private final SeatWork seats = new SeatWork(this);
    private final WakeWork wake = new WakeWork(this);
    private final SuspectWork suspects = new SuspectWork(this);
    private final PracticeWork practice = new PracticeWork(this);
    private final ReportWork reports = new ReportWork(this);
    private final ReadingsIn readings = new ReadingsIn(this);
    private final CaptureWork captures = new CaptureWork(this);
    private final Recorder recorder = new Recorder();
    private final LineWork line = new LineWork(this, new SerialPorts(UserState.usualFolder()));

    private final ReadOnlyObjectWrapper<Assessment> assessment = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper canUndo = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper canRedo = new ReadOnlyBooleanWrapper();
    private final TypedWork typed;
    private final TuneWork tune;
    private final LogWork log;
    private History history;

    /** The own build while the present one is a copy to practise on. */
    private History own;

    private Catalog shared;
    private List<OwnClass> carried = List.of();
    private Catalog known;

    public Session(Catalog shipped, Shelf shelf, Lanes lanes, Clock clock, Recovery recovery) {
        this(shipped, shelf, lanes, clock, recovery, Assessment::assess);
    }

    /** @param judge makes an assessment of a build; another one than the core's in tests only */
    Session(
            Catalog shipped,
            Shelf shelf,
            Lanes lanes,
            Clock clock,
            Recovery recovery,
            BiFunction<Build, Catalog, Assessment> judge) {
        this.lanes = lanes;
        this.clock = clock;
        shelves = new Shelves(shipped, shelf, notices, lanes);
        drawers = new Drawers(notices, lanes, this::catalog);
        files = new BuildFiles(this, recovery, clock);
        typed = new TypedWork(this, recovery.folder());
        log = new LogWork(this);
        tune = new TuneWork(this, recovery.folder());
        judging = new Judging(lanes, judge, this::judged, this::notJudged);
        shelves.catalogProperty().addListener((property, old, next) -> {
            if (history != null) {
                Build following = history.now().following(old, next);
                if (following != history.now()) {
                    history.take(following);
                }
                changed();
            }
        });
    }

    // --- the rooms

    Lanes lanes() {
        return lanes;
    }

    public Notices notices() {
        return notices;
    }

    public Selection selection() {
        return selection;
    }

    public Shelves shelves() {
        return shelves;
    }

    /** What the builder owns. */
    public Drawers drawers() {
        return drawers;
    }

    /** Opening, saving, leaving. */
    public BuildFiles files() {
        return files;
    }

    /** What is being typed. */
    public TypedWork typed() {
        return typed;
    }

    /** What takes the solver's time. */
    public Planning planning() {
        return planning;
    }

    /** Knots moved and held by hand. */
    public PinWork pins() {
        return pins;
    }

    /** Classes found and put on the table. */
    public PartWork parts() {
        return parts;
    }

    /** Where parts sit on breadboards. */
    public SeatWork seats() {
        return seats;
    }

    /** The first power-up. */
    public WakeWork wake() {
        return wake;
    }

    /** What may be wrong when a reading is not as foretold. */
    public SuspectWork suspects() {
        return suspects;
    }

    /** The record, as it is read and answered. */
    public LogWork log() {
        return log;
    }

    /** The bench that is not there. */
    public PracticeWork practice() {
        return practice;
    }

    /** Readings that were kept in a table. */
    public ReadingsIn readings() {
        return readings;
    }

    /** What boards report of themselves. */
    public ReportWork reports() {
        return reports;
    }

    /** The capture that is looked at. */
    public CaptureWork captures() {
        return captures;
    }

    /** The serial port that a board is listened to at. */
    public LineWork line() {
        return line;
    }

    /** What differs from piece to piece. */
    public TuneWork tune() {
        return tune;
    }

    /** Builds, boards and moments. */
    public BoardWork boards() {
        return boards;
    }

    /** Does something with the disk that nobody waits for. */
    public void inBackground(Runnable work) {
        lanes.files().execute(work);
    }

    /** Makes something that takes a while beside the window, then shows it; a mistake is told and shows nothing. */
    public <T> void draw(Supplier<T> make, Consumer<T> show) {
        lanes.drawing().execute(() -> {
            try {
                T made = make.get();
                lanes.screen().execute(() -> show.accept(made));
            } catch (RuntimeException mistake) {
                Trouble.severe(Session.class, "something could not be drawn", mistake);
                lanes.screen().execute(() -> notices.failed("notice.draw_failed", mistake));
            }
        });
    }

    // --- what most of the window looks at

    /** The shipped classes, the builder's own, and those that the open build brings. */
    public Catalog catalog() {
        Catalog now = sharedCatalog();
        List<OwnClass> brought = build().map(Build::classes).orElse(List.of());
        if (now != shared || !brought.equals(carried)) {
            shared = now;
            carried = brought;
            known = brought.isEmpty() ? now : now.with(brought);
        }
        return known;
    }

    /** The shipped classes and the builder's own, without those that the open build brings. */
    Catalog sharedCatalog() {
        return shelves.catalogProperty().get();
    }

    /** The text that a class was read from. */
    public String textOf(PartClass cls) {
        return catalog().own(cls.id()).map(OwnClass::json).orElseGet(() -> CatalogReader.resource(cls.id() + ".json"));
    }

    /** Changes when the shelf does; see {@link #catalog()} for what the open build brings. */
    public ReadOnlyObjectProperty<Catalog> catalogProperty() {
        return shelves.catalogProperty();
    }

    /** The latest that is known of the open build; null while nothing is open. */
    public ReadOnlyObjectProperty<Assessment> assessmentProperty() {
        return assessment.getReadOnlyProperty();
    }

    public ObjectProperty<Stage> stageProperty() {
        return selection.stageProperty();
    }

    /** The id of the node that the stages show; empty while nothing is open. */
    public ObjectProperty<String> nodeProperty() {
        return selection.nodeProperty();
    }

    /** What the Why panel is about; null for the node as a whole. */
    public ObjectProperty<Place> selectionProperty() {
        return selection.placeProperty();
    }

    /** The present document; empty while nothing is open. */
    public Optional<Build> build() {
        return Optional.ofNullable(history).map(History::now);
    }

    /** What a place of the own build is called. */
    public String ownBuildPlace(Place place) {
        return ownBuild().map(build -> RecordWords.place(build, place)).orElse("");
    }

    /** What is saved and kept: the present document, or the one that is left while practising. */
    Optional<Build> ownBuild() {
        return Optional.ofNullable(own == null ? history : own).map(History::now);
    }

    /** Takes a copy in the place of the own build, which is left as it is. */
    void practise(Build copy) {
        own = own == null ? history : own;
        planning.leave();
        history = new History(copy);
        changed();
    }

    /** Shows a state of before in the place of the own build, which is left as it is; nothing can be changed meanwhile. */
    void look(Build then) {
        if (then.node(nodeProperty().get()).isEmpty()) {
            nodeProperty().set(then.nodes().get(0).id());
        }
        practise(then);
    }

    void stopLooking() {
        if (own.now().node(nodeProperty().get()).isEmpty()) {
            nodeProperty().set(own.now().nodes().get(0).id());
        }
        stopPractising();
    }

    /** Leaves what is practised on or looked at, so that what comes next is done to the own build. */
    void toOwn() {
        practice.leave();
        log.backToNow();
    }

    void stopPractising() {
        history = own;
        own = null;
        planning.leave();
        changed();
    }

    /** The time that goes into the record. */
    public Instant now() {
        return clock.instant();
    }

    // --- changing

    /**
     * Applies edits as one step that can be undone; a refusal is told and changes nothing.
     *
     * @return whether they were applied
     */
    public boolean apply(List<? extends Edit> edits) {
        if (history == null || isOnlyLookedAt()) {
            return false;
        }
        try {
            Instant now = now();
            List<Edit> timed = edits.stream().map(edit -> edit.at(now)).toList();
            Build before = history.now();
            Build next = Edit.applyAll(before, timed);
            notices.clear();
            replace(next);
            boards.offerToEquals(before, next, edits);
            return true;
        } catch (EditRefused refused) {
            notices.trouble(Words.say(refused.reason()));
            return false;
        }
    }

    public boolean apply(Edit edit) {
        return apply(List.of(edit));
    }

    /** What takes the solver's time is planned beside the window, and counts as applied. */
    public boolean apply(Fix fix) {
        if (fix.edits().size() == 1 && fix.edits().get(0) instanceof ShareOut share) {
            planning.planKeeping(share.node());
            return true;
        }
        return apply(fix.edits());
    }

    /** Says so where the build is looked at as it was. */
    boolean isOnlyLookedAt() {
        if (log.isLooking()) {
            notices.trouble(
                    Words.get("log.looking.refused"), new Notice.Action(Words.get("log.looking.back"), log::backToNow));
        }
        return log.isLooking() || files.isOnlyLookedAt();
    }

    /** Takes another document as one step that can be undone. */
    void replace(Build changed) {
        if (isOnlyLookedAt()) {
            return;
        }
        Build next = recorded(changed.carrying(catalog()));
        if (!next.equals(history.now())) {
            Build before = history.now();
            history.take(next);
            changed();
            planning.goOn(before);
        }
    }

    /** Takes what belongs to the last step and came a little later; the two are undone as one. */
    void amend(Build changed) {
        history.amend(recorded(changed.carrying(catalog())));
        changed();
    }

    /** What is practised on is no part of the record. */
    private Build recorded(Build next) {
        return own == null ? recorder.record(history.now(), next, now()) : next;
    }

    public ReadOnlyBooleanProperty canUndoProperty() {
        return canUndo.getReadOnlyProperty();
    }

    public ReadOnlyBooleanProperty canRedoProperty() {
        return canRedo.getReadOnlyProperty();
    }

    public void undo() {
        if (history != null && history.canUndo()) {
            notices.clear();
            Build before = history.now();
            int saved = own == null ? files.savedLines() : 0;
            history.undo(now(), (from, to) -> recorder.isPlain(from, to, saved));
            history.amend(Recorder.withWay(before, history.now()));
            planning.leave();
            changed();
        }
    }

    public void redo() {
        if (history != null && history.canRedo()) {
            notices.clear();
            Build before = history.now();
            history.redo(now());
            history.amend(Recorder.withWay(before, history.now()));
            planning.leave();
            changed();
        }
    }

    private void changed() {
        refresh();
        planning.stop();
        Build now = history.now();
        Runnable keep = own == null ? files.keeping(now) : () -> {};
        judging.of(now, catalog(), selectionProperty().get(), keep);
    }

    private void refresh() {
        canUndo.set(history != null && history.canUndo());
        canRedo.set(history != null && history.canRedo());
        files.refresh();
    }

    /** Changes whenever another build is open. */
    public ReadOnlyIntegerProperty openingsProperty() {
        return openings.getReadOnlyProperty();
    }

    /** Another build is open now. */
    void opened(Build build, Assessment first) {
        judging.forgetAll();
        own = null;
        practice.forget();
        log.forget();
        tune.opened(Optional.ofNullable(files.fileProperty().get())
                .map(Path::toString)
                .orElse(build.name()));
        planning.leave();
        history = new History(build);
        notices.withdrawOffer();
        selection.startOver(build.nodes().get(0).id());
        assessment.set(first);
        refresh();
        openings.set(openings.get() + 1);
        // Beside everything else, and not while the window still comes up.
        CompletableFuture.delayedExecutor(WARM_MS, TimeUnit.MILLISECONDS, lanes.drawing())
                .execute(() -> Recorder.warm(build));
    }

    private void judged(Assessment next) {
        if (!next.reports().failed().isEmpty()) {
            notJudged(new IllegalStateException(String.join(", ", next.reports().failed())));
            return;
        }
        selection.beforeShown(assessment.get(), next);
        assessment.set(next);
        selection.afterShown(next);
    }

    /** The last good result stays on the screen; the change itself is kept. */
    private void notJudged(RuntimeException mistake) {
        notices.trouble(
                Words.get("notice.judge_failed", "detail", mistake),
                new Notice.Action(Words.get("command.undo"), this::undo));
    }
}
