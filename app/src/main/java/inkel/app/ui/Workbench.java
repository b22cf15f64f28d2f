package inkel.app.ui;

import inkel.app.Trouble;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.CatalogSearch;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.edit.AddNode;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.SetMoment;
import inkel.core.finding.Fix;
import inkel.core.finding.Stage;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.power.Stagger;
import inkel.core.quantity.TimeSpan;
import inkel.core.remedy.AddParts;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.function.BiFunction;
import java.util.function.Consumer;
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

    private final Shelves shelves;
    private final Executor background;
    private final Executor screen;
    private final Clock clock;
    private final Recovery recovery;

    private final ReadOnlyObjectWrapper<Assessment> assessment = new ReadOnlyObjectWrapper<>();
    private final ObjectProperty<Stage> stage = new SimpleObjectProperty<>(Stage.PARTS);
    private final ObjectProperty<String> node = new SimpleObjectProperty<>("");
    private final ObjectProperty<Place> selection = new SimpleObjectProperty<>();
    private final ObjectProperty<Notice> notice = new SimpleObjectProperty<>();
    private final ReadOnlyObjectWrapper<PartClass> inspected = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Path> file = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<LocalTime> savedAt = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper canUndo = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper canRedo = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper unsaved = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();

    private final PinWork pins = new PinWork(this);

    private History history;
    private Build saved;
    private Notice offer;
    private long run;
    private CatalogSearch search;
    private long lastQuestion;
    private String wantedNode;
    private Place wantedSelection;

    public Workbench(
            Catalog shipped, Shelf shelf, Executor background, Executor screen, Clock clock, Recovery recovery) {
        shelves = new Shelves(shipped, shelf, notice);
        this.background = background;
        this.screen = screen;
        this.clock = clock;
        this.recovery = recovery;
        selection.addListener((property, old, next) -> inspected.set(null));
        node.addListener((property, old, next) -> inspected.set(null));
        stage.addListener((property, old, next) -> inspected.set(null));
        shelves.catalogProperty().addListener((property, old, next) -> {
            search = null;
            if (history != null) {
                changed();
            }
        });
    }

    /** The shipped classes and the builder's own. */
    public Catalog catalog() {
        return shelves.catalogProperty().get();
    }

    public ReadOnlyObjectProperty<Catalog> catalogProperty() {
        return shelves.catalogProperty();
    }

    public Shelves shelves() {
        return shelves;
    }

    /** A class of part that is looked at before it is on the table; null for what is selected on it. */
    public ReadOnlyObjectProperty<PartClass> inspectedProperty() {
        return inspected.getReadOnlyProperty();
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
            Opened opened = Opened.read(path, catalog());
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
            Opened read = Opened.read(previous, catalog());
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
        wantedNode = null;
        wantedSelection = null;
        savedAt.set(null);
        file.set(path);
        node.set(build.nodes().get(0).id());
        assessment.set(first);
        refresh();
        if (path != null) {
            recovery.newer(path).ifPresent(this::offerRecovered);
        }
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

    /** Offers a build that an earlier run began and never saved. */
    void offerLeftNew() {
        recovery.leftNew()
                .filter(left -> notice.get() == null)
                .ifPresent(left -> notice.set(new Notice(
                        Notice.Tone.TROUBLE,
                        Words.get("notice.left_new"),
                        List.of(
                                new Notice.Action(Words.get("notice.recovered.take"), () -> takeLeftNew(left)),
                                new Notice.Action(Words.get("notice.recovered.leave"), () -> {
                                    recovery.forgetNew(left);
                                    notice.set(null);
                                })))));
    }

    private void takeLeftNew(Path left) {
        try {
            openedNew(BuildReader.read(left, catalog()));
        } catch (UnreadableFile unreadable) {
            notice.set(Notice.trouble(Words.say(unreadable)));
        }
    }

    private void takeRecovered(Path recovered) {
        try {
            Build build = BuildReader.read(recovered, catalog());
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
            if (file.get() == null) {
                recovery.forgetNew(toSave);
            }
            if (offer == null) {
                recovery.forget(path);
            }
            saved = toSave;
            file.set(path);
            savedAt.set(LocalTime.now(clock.withZone(ZoneId.systemDefault())));
            notice.set(null);
        } catch (IOException failed) {
            Trouble.minor(Workbench.class, "save failed", failed);
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
            take(Edit.applyAll(history.now(), edits));
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
            history.undo(now());
            changed();
        }
    }

    public void redo() {
        if (history != null && history.canRedo()) {
            history.redo(now());
            changed();
        }
    }

    private void changed() {
        refresh();
        Build now = history.now();
        Path path = file.get();
        long mine = ++run;
        Catalog classes = catalog();
        background.execute(() -> {
            Assessment next = Assessment.assess(now, classes);
            screen.execute(() -> {
                // A later edit has overtaken this answer.
                if (mine == run) {
                    show(next);
                }
            });
            if (path == null) {
                recovery.keepNew(now);
            } else {
                recovery.keep(path, now);
            }
        });
    }

    /** The shown node may be gone from the new assessment, so it changes first where the old one still has both. */
    private void show(Assessment next) {
        String shown = node.get();
        if (next.circuit(shown).isEmpty()) {
            String other = next.build().nodes().get(0).id();
            if (assessment.get().circuit(other).isPresent()) {
                node.set(other);
            }
        }
        if (!isThere(next, selection.get())) {
            selection.set(null);
        }
        assessment.set(next);
        showWantedNode();
        if (wantedSelection != null && isThere(next, wantedSelection)) {
            selection.set(wantedSelection);
            wantedSelection = null;
        }
    }

    /** What was selected may be gone after an edit or undo. */
    private static boolean isThere(Assessment now, Place place) {
        return place == null
                || now.circuit(place.node())
                        .filter(circuit -> place.part().isEmpty()
                                || circuit.part(place.part()).isPresent())
                        .isPresent();
    }

    private void refresh() {
        canUndo.set(history != null && history.canUndo());
        canRedo.set(history != null && history.canRedo());
        unsaved.set(history != null && history.now() != saved && !history.now().equals(saved));
    }

    /**
     * Does something that takes time in the background, and hands over what comes of it unless the build has changed
     * meanwhile, which is told. One such work at a time; while one goes on, another is not begun.
     *
     * @param work gets the build and the catalogue as they are now
     * @param failed the key of what to say when it stops with an error
     */
    <T> void work(BiFunction<Build, Catalog, T> work, Consumer<T> take, String failed) {
        if (history == null || busy.get()) {
            return;
        }
        busy.set(true);
        Build now = history.now();
        Catalog classes = catalog();
        background.execute(() -> {
            try {
                T done = work.apply(now, classes);
                screen.execute(() -> worked(now, () -> take.accept(done)));
            } catch (RuntimeException stopped) {
                Trouble.severe(Workbench.class, failed, stopped);
                screen.execute(() -> {
                    busy.set(false);
                    notice.set(Notice.trouble(Words.get(failed, "detail", stopped)));
                });
            }
        });
    }

    private void worked(Build asked, Runnable take) {
        busy.set(false);
        if (history == null || !history.now().equals(asked)) {
            notice.set(Notice.trouble(Words.get("notice.plan_overtaken")));
        } else {
            take.run();
        }
    }

    /** Sharing out pins and moving knots by hand. */
    public PinWork pins() {
        return pins;
    }

    // --- parts

    /** Finds classes in the background; an answer that a later question has overtaken is dropped. */
    public void search(String question, Consumer<List<CatalogSearch.Hit>> show) {
        long mine = ++lastQuestion;
        Catalog classes = catalog();
        CatalogSearch known = search;
        background.execute(() -> {
            CatalogSearch index = known == null ? new CatalogSearch(classes) : known;
            List<CatalogSearch.Hit> hits = index.find(question);
            screen.execute(() -> {
                search = classes == catalog() ? index : null;
                if (mine == lastQuestion) {
                    show.accept(hits);
                }
            });
        });
    }

    /** Shows a class in the Why panel; null goes back to what is selected. */
    public void inspect(PartClass cls) {
        inspected.set(cls);
    }

    /** Puts parts of a class on the shown table, fed where a rail suits, and selects the first of them. */
    public void add(PartClass cls, int count) {
        Optional<NodeCircuit> circuit =
                assessment.get() == null ? Optional.empty() : assessment.get().circuit(node.get());
        if (circuit.isEmpty() || cls.kind() == Kind.BOARD) {
            notice.set(Notice.trouble(Words.get("notice.one_board")));
            return;
        }
        List<Edit> edits = AddParts.of(circuit.get(), cls, count);
        String first = ((AddPart) edits.get(0)).part().id();
        wantedSelection = Place.ofPart(node.get(), first);
        apply(edits);
        inspected.set(null);
    }

    /** Keeps a definition on the shelf and shows it; parts of its class are judged anew. */
    public void keep(Shelf.Entry entry) {
        if (shelves.keep(entry)) {
            notice.set(Notice.done(Words.get("notice.kept", "name", entry.cls().name())));
            inspected.set(entry.cls());
        }
    }

    /** Takes an own definition away, unless the open build uses it. */
    public void forget(PartClass cls) {
        boolean isUsed = build().stream()
                .flatMap(open -> open.nodes().stream())
                .flatMap(of -> of.parts().stream())
                .anyMatch(part -> part.classId().equals(cls.id()));
        if (isUsed) {
            notice.set(Notice.trouble(Words.get("notice.class_in_use", "name", cls.name())));
        } else if (shelves.remove(cls.id())) {
            inspected.set(null);
            notice.set(new Notice(Notice.Tone.DONE, Words.get("notice.forgotten", "name", cls.name()), List.of()));
        }
    }

    /** Reads part definitions from a file into the shelf. */
    public void bringIn(Path path) {
        shelves.bringIn(path, this::inspect);
    }

    /** The time that goes into the log. */
    public Instant now() {
        return clock.instant();
    }

    // --- power

    /** Adds a moment without parts, to be filled in; answers its id. */
    public Optional<String> addMoment() {
        Optional<Node> now = build().flatMap(open -> open.node(node.get()));
        if (now.isEmpty()) {
            return Optional.empty();
        }
        String id = freeMomentId(now.get());
        String name = Words.get("moments.new", "number", now.get().moments().size() + 1);
        apply(new SetMoment(
                node.get(),
                new Moment(
                        id,
                        name,
                        List.of(),
                        TimeSpan.ofSeconds(1),
                        Optional.empty(),
                        Optional.empty(),
                        Set.of(),
                        Extras.NONE)));
        return Optional.of(id);
    }

    private static String freeMomentId(Node of) {
        int number = of.moments().size() + 1;
        while (of.moment("moment-" + number).isPresent()) {
            number++;
        }
        return "moment-" + number;
    }

    /** Moves the moments of the shown node apart in the background, or says that moving them cannot do it. */
    public void stagger() {
        String of = node.get();
        work(
                (now, classes) -> Stagger.of(Circuit.of(now, classes).node(of).orElseThrow()),
                this::staggered,
                "notice.stagger_failed");
    }

    private void staggered(Optional<List<Edit>> edits) {
        if (edits.isEmpty()) {
            notice.set(Notice.trouble(Words.get("notice.stagger_impossible")));
        } else if (edits.get().isEmpty()) {
            notice.set(Notice.done(Words.get("notice.stagger_same")));
        } else {
            apply(edits.get());
            notice.set(Notice.done(
                    Words.get("notice.staggered", "count", edits.get().size())));
        }
    }

    // --- builds and boards

    /** Begins a new build with one board; it has no file until it is saved. */
    public void begin(Node first) {
        openedNew(new Build(first.name(), List.of(first), Logbook.EMPTY, Extras.NONE));
    }

    private void openedNew(Build build) {
        opened(null, build, Assessment.assess(build, catalog()));
        saved = null;
        refresh();
        background.execute(() -> recovery.keepNew(build));
    }

    /** Adds a board to the open build and shows it. */
    public void addNode(Node added) {
        apply(new AddNode(added));
        showNode(added.id());
    }

    /** Copies a board with all its parts and wires, nothing of it plugged. */
    public void copyNode(String id) {
        build().flatMap(open -> open.node(id)).ifPresent(old -> {
            String name = Words.get("node.copy_of", "name", old.name());
            String newId = history.now().freeNodeId(name);
            apply(new CopyNode(id, newId, name));
            showNode(newId);
        });
    }

    /** Takes a board and its parts away; another one is shown. */
    public void removeNode(String id) {
        apply(new RemoveNode(id));
    }

    private void showNode(String id) {
        if (build().flatMap(open -> open.node(id)).isPresent()) {
            selection.set(null);
            wantedNode = id;
            showWantedNode();
        }
    }

    /** A node that was just added is shown as soon as it is assessed; one that is gone gives way to the first. */
    private void showWantedNode() {
        Assessment now = assessment.get();
        if (wantedNode != null && now != null && now.circuit(wantedNode).isPresent()) {
            node.set(wantedNode);
            wantedNode = null;
        } else if (now != null && now.circuit(node.get()).isEmpty()) {
            node.set(now.build().nodes().get(0).id());
        }
    }

    // --- selecting

    /** Shows a place: the stage, its node, and the place itself as what is selected. */
    public void show(Stage at, Place place) {
        node.set(place.node());
        stage.set(at);
        selection.set(place);
    }
}
