package inkel.app.state;

import inkel.app.lane.Notice;
import inkel.app.store.Examples;
import inkel.app.store.Opened;
import inkel.app.store.Recovery;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.quantity.Fact;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** What earlier runs left that no file has: offered by content and not by date, until somebody takes it or throws it away. */
public final class LeftWork {
    private final Session session;
    private final BuildFiles files;
    private final Recovery recovery;

    /** Opens the list of all that was left; made by the window. */
    private Runnable showAll = () -> {};

    /** That there is work of others, as it was told at last. */
    private Notice told;

    /** What was chosen from the list, while its file is being opened. */
    private Path wanted;

    LeftWork(Session session, BuildFiles files, Recovery recovery) {
        this.session = session;
        this.files = files;
        this.recovery = recovery;
    }

    /**
     * Work that was left.
     *
     * @param read the build, or why it cannot be read
     */
    public record One(Recovery.Left left, Opened read) {}

    /** @param show opens a list of all that was left */
    public void onList(Runnable show) {
        showAll = show;
    }

    // --- of the file that is opened

    /** Offers what earlier runs left of a build, one after the other, unless the file says as much anyway. */
    void offer(Path path, List<Path> all, Build opened) {
        Path asked = wanted;
        wanted = null;
        if (asked != null && !all.isEmpty() && recovery.isSame(asked, all.get(0))) {
            // Opening the file set it aside under another name.
            Path copy = all.contains(asked) ? asked : all.get(0);
            files.read(copy, read -> {
                if (path.equals(files.fileProperty().get())) {
                    takeOver(copy, read);
                }
            });
            return;
        }
        if (all.isEmpty()) {
            offerOthers();
            return;
        }
        Path copy = all.get(0);
        List<Path> rest = all.subList(1, all.size());
        files.read(copy, read -> {
            if (isOld(read, opened)) {
                recovery.forgetLeft(copy);
                offer(path, rest, opened);
            } else if (path.equals(files.fileProperty().get())) {
                session.notices()
                        .offer(new Notice(
                                Notice.Tone.TROUBLE,
                                Words.get("notice.recovered"),
                                List.of(
                                        new Notice.Action(
                                                Words.get("notice.recovered.take"), () -> takeOver(copy, read)),
                                        new Notice.Action(Words.get("notice.recovered.leave"), () -> {
                                            recovery.forgetLeft(copy);
                                            session.notices().withdrawOffer();
                                            offer(path, rest, opened);
                                        }))));
            }
        });
    }

    private static boolean isOld(Opened read, Build opened) {
        return read.assessment()
                .map(Assessment::build)
                .filter(kept -> isContained(kept, opened))
                .isPresent();
    }

    /**
     * Whether a state is of before another one: the same, or with a record that the other goes on with. Whatever changes a
     * plan is a line of its record, so a longer one that begins alike has all that the shorter has; what was plugged is no
     * line, and must be there too.
     */
    static boolean isContained(Build kept, Build in) {
        List<LogLine> less = kept.log().lines();
        List<LogLine> more = in.log().lines();
        return kept.equals(in)
                || less.size() < more.size()
                        && more.subList(0, less.size()).equals(less)
                        && kept.nodes().stream().allMatch(node -> in.node(node.id())
                                .map(other -> other.plugged().containsAll(node.plugged()))
                                .orElse(true));
    }

    private void takeOver(Path copy, Opened read) {
        read.assessment()
                .ifPresentOrElse(
                        kept -> {
                            session.notices().withdrawOffer();
                            session.toOwn();
                            session.replace(kept.build());
                            keepThenForget(copy);
                        },
                        () -> session.notices().trouble(Words.say(read.refusal().orElseThrow())));
    }

    /** What was taken is kept as any other state, never over a later one; only then its copy goes. */
    private void keepThenForget(Path copy) {
        Runnable keep = files.keeping(session.ownBuild().orElseThrow());
        session.lanes().keeping().execute(() -> {
            keep.run();
            recovery.forgetLeft(copy);
        });
    }

    // --- of all others

    /** Says that there is work of other builds, unless something else is being told. */
    public void offerOthers() {
        gather(all -> {
            List<Recovery.Left> others = all.stream().map(One::left).toList();
            if (!others.isEmpty() && session.notices().property().get() == null) {
                tell(others);
            }
        });
    }

    private void tell(List<Recovery.Left> others) {
        boolean isOneNew = others.size() == 1 && others.get(0).isOfNoFile();
        others(
                isOneNew
                        ? oneNew(others.get(0))
                        : new Notice(
                                Notice.Tone.TROUBLE,
                                Words.say(Fact.of("notice.left_others").with("count", others.size())),
                                List.of(
                                        new Notice.Action(Words.get("notice.left_others.show"), () -> {
                                            session.notices().withdrawOffer();
                                            showAll.run();
                                        }),
                                        new Notice.Action(Words.get("notice.left_others.later"), () -> session.notices()
                                                .withdrawOffer()))));
    }

    private void others(Notice notice) {
        told = notice;
        session.notices().offer(notice);
    }

    private Notice oneNew(Recovery.Left one) {
        return new Notice(
                Notice.Tone.TROUBLE,
                Words.get("notice.left_new"),
                List.of(
                        new Notice.Action(Words.get("notice.left_new.take"), () -> takeNew(one.copy())),
                        new Notice.Action(Words.get("notice.left_new.leave"), () -> {
                            recovery.forgetLeft(one.copy());
                            session.notices().withdrawOffer();
                            offerOthers();
                        })));
    }

    /** All that was left of builds that are not open, read and judged in the background. */
    public void list(Consumer<List<One>> show) {
        if (told != null && told == session.notices().property().get()) {
            session.notices().withdrawOffer();
        }
        gather(show);
    }

    private void gather(Consumer<List<One>> show) {
        Catalog classes = session.sharedCatalog();
        Optional<Path> open = Optional.ofNullable(files.fileProperty().get())
                .map(path -> path.toAbsolutePath().normalize());
        session.lanes().files().execute(() -> {
            List<One> all = new ArrayList<>();
            for (Recovery.Left left : recovery.all()) {
                // Of the open file all is offered where it is opened.
                boolean isOfOpen = open.isPresent() && left.file().equals(open);
                Opened read = Opened.read(left.copy(), classes);
                if (!isOfOpen && isSaved(left, read, classes)) {
                    recovery.forgetLeft(left.copy());
                } else if (!isOfOpen) {
                    all.add(new One(left, read));
                }
            }
            session.lanes().screen().execute(() -> show.accept(all));
        });
    }

    /** Whether its file says as much anyway, as after an edit that was undone. */
    private static boolean isSaved(Recovery.Left left, Opened read, Catalog classes) {
        return left.file()
                .filter(Files::isRegularFile)
                .flatMap(file -> Opened.read(file, classes).assessment())
                .filter(inFile -> isOld(read, inFile.build()))
                .isPresent();
    }

    /** Opens the build's file, where there is one that can be read, and goes on with what was left of it. */
    public void take(One one) {
        // What was left of a shipped example, by a version that still saved over those, goes on without a file.
        Optional<Path> file = one.left().file().filter(Files::isRegularFile).filter(path -> !Examples.isFixed(path));
        if (file.isEmpty()) {
            takeNew(one.left().copy());
            return;
        }
        files.read(file.get(), opened -> {
            if (opened.refusal().isPresent()) {
                // Its file is spoilt; what was left must not wait for that.
                takeNew(one.left().copy());
                return;
            }
            wanted = one.left().copy();
            files.take(opened);
            wanted = null;
        });
    }

    public void throwAway(One one, Runnable then) {
        recovery.forgetLeft(one.left().copy());
        then.run();
    }

    private void takeNew(Path copy) {
        files.read(copy, read -> read.assessment()
                .ifPresentOrElse(
                        kept -> {
                            session.notices().withdrawOffer();
                            files.openedNew(kept);
                            keepThenForget(copy);
                        },
                        () -> session.notices().trouble(Words.say(read.refusal().orElseThrow()))));
    }
}
