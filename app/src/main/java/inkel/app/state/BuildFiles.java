package inkel.app.state;

import inkel.app.lane.Notice;
import inkel.app.lane.Trouble;
import inkel.app.store.Examples;
import inkel.app.store.OnDisk;
import inkel.app.store.Opened;
import inkel.app.store.Recovery;
import inkel.app.store.Shelves;
import inkel.app.words.FailureWords;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.io.document.BuildFile;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * Where the open build comes from and goes to: opening, saving, what a crash left, and leaving.
 *
 * <p>Longer than other files: each of these must know what the others have under way, so that nothing is lost between them.
 */
public final class BuildFiles {
    private final Session session;
    private final Recovery recovery;
    private final Clock clock;
    private final ReadOnlyObjectWrapper<Path> file = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<LocalTime> savedAt = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper unsaved = new ReadOnlyBooleanWrapper();
    private Optional<OnDisk> onDisk = Optional.empty();

    /** The latest state of each build that is still to be kept. */
    private final Map<Object, Build> waiting = new ConcurrentHashMap<>();

    /** Under which name the state of a build without a file is kept. */
    private String newKey = "";

    /** The file that other windows are kept from. */
    private Path held;

    private final LeftWork left;
    private final OutsideWork outside;
    private final ReadOnlyBooleanWrapper isLookedAt = new ReadOnlyBooleanWrapper();
    private int openings;
    private boolean isLeavingAsked;
    private boolean isNotKeptTold;

    BuildFiles(Session session, Recovery recovery, Clock clock) {
        this.session = session;
        this.recovery = recovery;
        this.clock = clock;
        left = new LeftWork(session, this, recovery);
        outside = new OutsideWork(session, this);
        recovery.onTrouble(failed -> session.lanes().screen().execute(() -> notKept(failed)));
    }

    /** What earlier runs left. */
    public LeftWork left() {
        return left;
    }

    /** Told once in a run. */
    private void notKept(Exception failed) {
        if (!isNotKeptTold) {
            isNotKeptTold = true;
            session.notices().trouble(Words.get("notice.not_kept", "detail", FailureWords.say(failed)));
        }
    }

    public ReadOnlyObjectProperty<Path> fileProperty() {
        return file.getReadOnlyProperty();
    }

    /** When the build was last saved; null when it was not saved since it was opened. */
    public ReadOnlyObjectProperty<LocalTime> savedAtProperty() {
        return savedAt.getReadOnlyProperty();
    }

    /** How many lines of the record the file has; none for a build without a file. */
    int savedLines() {
        return onDisk.map(known -> known.build().log().size()).orElse(0);
    }

    public ReadOnlyBooleanProperty unsavedProperty() {
        return unsaved.getReadOnlyProperty();
    }

    // --- opening

    /** Reads a file in the background and shows it; on failure says why and keeps what was open. */
    public void open(Path path) {
        read(path, this::take);
    }

    /** Takes what was dropped on the window: definitions of parts, readings for the open build, or a build. */
    public void dropped(Path path) {
        session.lanes().files().execute(() -> {
            boolean isDefinition = Shelves.isDefinition(path);
            boolean isReadings = ReadingsIn.isOne(path);
            session.lanes().screen().execute(() -> {
                if (isDefinition) {
                    session.parts().bringIn(path);
                } else if (isReadings && session.build().isPresent()) {
                    session.readings().bringIn(path);
                } else {
                    open(path);
                }
            });
        });
    }

    void read(Path path, Consumer<Opened> take) {
        Catalog classes = session.sharedCatalog();
        session.lanes().files().execute(() -> {
            Opened opened = Opened.read(path, classes);
            session.lanes().screen().execute(() -> take.accept(opened));
        });
    }

    /** Shows what was read of a file, or says why it could not be and keeps what was open. */
    public void take(Opened read) {
        Path own = Examples.isFixed(read.file()) ? null : read.file();
        read.assessment()
                .ifPresentOrElse(
                        first -> opened(own, first, Optional.of(new OnDisk(first.build(), read.text()))),
                        () -> session.notices()
                                .show(refusal(read.file(), read.refusal().orElseThrow())));
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
        read(previous, read -> read.assessment()
                .ifPresentOrElse(first -> opened(path, first, Optional.empty()), () -> session.notices()
                        .trouble(Words.say(read.refusal().orElseThrow()))));
    }

    /** A build that is of no file yet and that an earlier run left. */
    void openedNew(Assessment kept) {
        opened(null, kept, Optional.empty());
    }

    private void opened(Path path, Assessment first, Optional<OnDisk> known) {
        Build build = first.build();
        openings++;
        isLookedAt.set(false);
        if (!Objects.equals(held, path)) {
            letGo();
        }
        onDisk = known;
        savedAt.set(null);
        file.set(path);
        session.opened(build, first);
        if (path == null) {
            newKey = recovery.newKey();
        } else {
            // What an opening before this one left may still wait to be written.
            keepWaiting(path);
            if (recovery.hold(path)) {
                held = path;
                left.offer(path, recovery.left(path), build);
            } else {
                elsewhere(path);
            }
        }
    }

    // --- open in another window

    /** Two windows that write one file would each take away what the other wrote, so this one only looks. */
    private void elsewhere(Path path) {
        isLookedAt.set(true);
        session.notices()
                .offer(new Notice(
                        Notice.Tone.TROUBLE,
                        Words.get("notice.elsewhere", "file", path.getFileName()),
                        List.of(
                                new Notice.Action(Words.get("notice.elsewhere.copy"), this::goOnWithACopy),
                                new Notice.Action(Words.get("notice.elsewhere.look"), () -> session.notices()
                                        .withdrawOffer()))));
    }

    /** Other windows may have the file from now on; at the end of a run the system does the same. */
    void letGo() {
        Optional.ofNullable(held).ifPresent(recovery::release);
        held = null;
    }

    /** Whether the file is open in another window, so that nothing of it is changed here. */
    public ReadOnlyBooleanProperty lookedAtProperty() {
        return isLookedAt.getReadOnlyProperty();
    }

    /** Says why nothing can be changed, where that is so. */
    boolean isOnlyLookedAt() {
        if (isLookedAt.get()) {
            session.notices()
                    .trouble(
                            Words.get(
                                    "notice.elsewhere.refused",
                                    "file",
                                    file.get().getFileName()),
                            new Notice.Action(Words.get("notice.elsewhere.copy"), this::goOnWithACopy));
        }
        return isLookedAt.get();
    }

    private void goOnWithACopy() {
        session.notices().withdrawOffer();
        session.build().ifPresent(this::openNew);
    }

    /** The other window may be gone by now: then this one goes on with what is in the file. */
    private void lookWhetherFree(Path path) {
        session.lanes().files().execute(() -> {
            if (recovery.hold(path)) {
                session.lanes().screen().execute(() -> {
                    if (path.equals(file.get())) {
                        open(path);
                    } else {
                        recovery.release(path);
                    }
                });
            }
        });
    }

    /** A build that is not of a file yet is judged before it is shown. */
    void openNew(Build build) {
        Catalog classes = session.sharedCatalog();
        String key = recovery.newKey();
        waiting.put(key, build);
        session.lanes().keeping().execute(() -> keepWaiting(key));
        session.lanes().judging().execute(() -> {
            try {
                Assessment first = Opened.judge(build, classes);
                session.lanes().screen().execute(() -> {
                    opened(null, first, Optional.empty());
                    newKey = key;
                });
            } catch (RuntimeException | StackOverflowError mistake) {
                Trouble.severe(BuildFiles.class, "a new build could not be judged", mistake);
                session.lanes().screen().execute(() -> session.notices().failed("notice.new_failed", mistake));
            }
        });
    }

    // --- keeping

    /**
     * Writes a state where it outlives a crash, under the name that the build has now; to be run in the lane that keeps. The first
     * that runs writes the latest that waits, so that after many quick edits the last is safe after one write.
     */
    Runnable keeping(Build build) {
        Path path = file.get();
        String key = newKey;
        Object name = path == null ? key : path;
        waiting.put(name, build);
        return () -> keepWaiting(name);
    }

    /** One at a time, so that whoever finds nothing waiting knows that it is written and not only on its way. */
    private synchronized void keepWaiting(Object name) {
        Build latest = waiting.remove(name);
        if (latest == null) {
            return;
        }
        if (name instanceof Path path) {
            recovery.keep(path, latest);
        } else {
            recovery.keepNew(name.toString(), latest);
        }
    }

    /**
     * Writes all that is not saved yet, here and now: for a program that is told to end. May be called from any thread and more
     * than once.
     */
    public synchronized void rescue() {
        List.copyOf(waiting.keySet()).forEach(this::keepWaiting);
    }

    // --- saving

    /** Saves to the file the build came from. */
    public void save() {
        if (file.get() != null) {
            saveAs(file.get());
        }
    }

    /** Saves to a file and goes on with that one; on failure says why, and the build stays unsaved. */
    public void saveAs(Path path) {
        saveAs(path, () -> {});
    }

    /** @param then done once the build is safely in the file */
    public void saveAs(Path path, Runnable then) {
        saveAs(path, then, false);
    }

    /** @param isOver whether a file that somebody made unreadable may be written over */
    private void saveAs(Path path, Runnable then, boolean isOver) {
        if (session.ownBuild().isEmpty() || path.equals(file.get()) && isOnlyLookedAt()) {
            return;
        }
        Build toSave = session.ownBuild().get();
        Optional<String> wasNew = Optional.ofNullable(file.get() == null ? newKey : null);
        int opening = openings;
        Catalog classes = session.catalog();
        Optional<OnDisk> known = onDisk.filter(any -> path.equals(file.get()));
        boolean isOther = !path.equals(file.get());
        session.lanes().files().execute(() -> {
            if (isOther && !recovery.hold(path)) {
                session.lanes().screen().execute(() -> session.notices()
                        .trouble(Words.get("notice.elsewhere.save", "file", path.getFileName())));
                return;
            }
            Optional<Outside> other = Outside.of(path, known, classes)
                    .filter(found -> !found.build().equals(toSave));
            if (other.isPresent()) {
                session.lanes().screen().execute(() -> outside.ask(other.get()));
                return;
            }
            if (!isOver && Outside.isSpoilt(path, known, classes)) {
                session.lanes().screen().execute(() -> outside.askSpoilt(path, () -> saveAs(path, then, true)));
                return;
            }
            try {
                String written = BuildFile.save(path, toSave, classes);
                session.lanes().screen().execute(() -> {
                    if (opening == openings) {
                        saved(path, new OnDisk(toSave, written), wasNew);
                        then.run();
                    } else {
                        savedBefore(path, wasNew);
                        if (isOther && !path.equals(file.get())) {
                            recovery.release(path);
                        }
                    }
                });
            } catch (IOException | RuntimeException failed) {
                Trouble.minor(BuildFiles.class, "save failed", failed);
                if (isOther) {
                    recovery.release(path);
                }
                session.lanes().screen().execute(() -> notSaved(path, failed));
            }
        });
    }

    private void saved(Path path, OnDisk written, Optional<String> wasNew) {
        onDisk = Optional.of(written);
        file.set(path);
        if (!path.equals(held)) {
            isLookedAt.set(false);
            letGo();
            held = recovery.hold(path) ? path : null;
        }
        savedAt.set(LocalTime.now(clock.withZone(ZoneId.systemDefault())));
        session.notices().clear();
        refresh();
        boolean isAllSaved = !unsaved.get();
        // In the lane that keeps, so that a copy that is still on its way is not written after this.
        session.lanes().keeping().execute(() -> {
            wasNew.ifPresent(recovery::forgetNew);
            if (isAllSaved) {
                recovery.forget(path);
            }
        });
    }

    /** Another build was opened while this one was on its way to the disk: it keeps its own name and state. */
    private void savedBefore(Path path, Optional<String> wasNew) {
        session.lanes().keeping().execute(() -> wasNew.ifPresent(recovery::forgetNew));
        session.notices().done(Words.get("cli.written", "file", path.getFileName()));
    }

    /** Writes what is made of the build as it is judged now, such as an export, to a file of its own. */
    public void write(Path path, Function<Assessment, byte[]> content) {
        Assessment now = session.assessmentProperty().get();
        session.lanes().files().execute(() -> {
            try {
                AtomicFile.write(path, content.apply(now));
                session.lanes().screen().execute(() -> session.notices()
                        .done(Words.get("cli.written", "file", path.getFileName())));
            } catch (IOException | RuntimeException failed) {
                Trouble.minor(BuildFiles.class, "export failed", failed);
                session.lanes().screen().execute(() -> session.notices()
                        .trouble(Words.say(Fact.of("notice.export_failed")
                                .with("file", path)
                                .with("detail", FailureWords.say(failed)))));
            }
        });
    }

    /**
     * Writes several files into a folder; what one of them does wrong keeps no other back.
     *
     * @param files what to write, by file name
     */
    public void writeAll(Path folder, Map<String, Function<Assessment, byte[]>> files) {
        Assessment now = session.assessmentProperty().get();
        session.lanes().files().execute(() -> {
            List<String> failed = new ArrayList<>();
            files.forEach((name, content) -> {
                try {
                    AtomicFile.write(folder.resolve(name), content.apply(now));
                } catch (IOException | RuntimeException trouble) {
                    Trouble.minor(BuildFiles.class, "export failed", trouble);
                    failed.add(name + " (" + FailureWords.say(trouble) + ")");
                }
            });
            session.lanes().screen().execute(() -> {
                if (failed.isEmpty()) {
                    session.notices()
                            .done(Words.say(Fact.of("notice.all_written")
                                    .with("count", files.size())
                                    .with("folder", folder)));
                } else {
                    session.notices()
                            .trouble(Words.say(Fact.of("notice.export_failed")
                                    .with("file", folder)
                                    .with("detail", String.join(", ", failed))));
                }
            });
        });
    }

    private void notSaved(Path path, Exception failed) {
        session.notices()
                .trouble(
                        Words.say(Fact.of("notice.save_failed")
                                .with("file", path)
                                .with("detail", FailureWords.say(failed))),
                        new Notice.Action(Words.get("notice.try_again"), () -> saveAs(path)));
        refresh();
    }

    /** What is in the file as far as this window knows; empty for a build that is in no file as it was opened. */
    Optional<OnDisk> onDisk() {
        return onDisk;
    }

    /** What somebody else wrote is known from now on. */
    void know(OnDisk found) {
        onDisk = Optional.of(found);
        refresh();
    }

    /** Looks whether somebody else changed the file since it was read or saved, and asks what is to become of both. */
    public void lookOutside() {
        if (isLookedAt.get()) {
            lookWhetherFree(file.get());
        } else if (file.get() != null) {
            outside.look(file.get());
        }
    }

    void refresh() {
        unsaved.set(session.ownBuild()
                .filter(now -> onDisk.filter(known -> now == known.build() || now.equals(known.build()))
                        .isEmpty())
                .isPresent());
        isLeavingAsked = false;
    }

    // --- leaving

    /**
     * Whether the window may close now. With changes that are not saved the builder is asked first, in the window and
     * not in its way; asked again, it closes, and what was not saved is kept for the next start.
     *
     * @param close closes the window
     * @param saveAs asks for a file, saves to it and then does what it is given
     */
    public boolean mayLeave(Runnable close, Consumer<Runnable> saveAs) {
        if (isLeavingAsked || !unsaved.get() && !session.tune().hasDrafts()) {
            keepNow();
            return true;
        }
        if (session.tune().hasDrafts()) {
            session.notices()
                    .trouble(
                            Words.get("notice.leaving.benches"),
                            new Notice.Action(Words.get("notice.leaving.take_over"), () -> session.tune()
                                    .keepAll()),
                            new Notice.Action(Words.get("notice.leaving.keep_benches"), () -> {
                                isLeavingAsked = true;
                                close.run();
                            }),
                            new Notice.Action(Words.get("notice.leaving.leave_benches"), () -> {
                                session.tune().forgetAll();
                                isLeavingAsked = true;
                                close.run();
                            }));
            isLeavingAsked = true;
            return false;
        }
        session.notices()
                .trouble(
                        Words.get("notice.leaving"),
                        new Notice.Action(Words.get("notice.leaving.save"), () -> {
                            if (file.get() == null) {
                                saveAs.accept(close);
                            } else {
                                saveAs(file.get(), close);
                            }
                        }),
                        new Notice.Action(Words.get("notice.leaving.keep"), () -> {
                            isLeavingAsked = true;
                            close.run();
                        }),
                        new Notice.Action(Words.get("notice.leaving.drop"), () -> {
                            drop();
                            close.run();
                        }));
        isLeavingAsked = true;
        return false;
    }

    /** What waits in a lane is lost when the program ends, so the latest state is written here and now. */
    private void keepNow() {
        if (unsaved.get()) {
            keeping(session.ownBuild().orElseThrow()).run();
        }
    }

    private void drop() {
        Build now = session.ownBuild().orElseThrow();
        if (file.get() == null) {
            recovery.forgetNew(newKey);
        } else {
            recovery.forget(file.get());
        }
        onDisk = Optional.of(new OnDisk(now, onDisk.map(OnDisk::text).orElse("")));
        refresh();
    }
}
