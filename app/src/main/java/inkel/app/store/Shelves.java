package inkel.app.store;

import inkel.app.lane.Lanes;
import inkel.app.lane.Notice;
import inkel.app.lane.Notices;
import inkel.app.lane.Trouble;
import inkel.app.words.FailureWords;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.PartClass;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** The builder's own part classes behind the shipped ones: keeps them, brings them in and gives them out. */
public final class Shelves {
    private static final String FOLDER = "shelf";

    private final ReadOnlyObjectWrapper<Catalog> catalog;
    private final Notices notices;
    private final Lanes lanes;
    private final Catalog shipped;
    private volatile Shelf shelf;

    /** @param shipped what comes with the program; the shelf comes above it */
    public Shelves(Catalog shipped, Shelf shelf, Notices notices, Lanes lanes) {
        this.shipped = shipped;
        this.shelf = shelf;
        this.notices = notices;
        this.lanes = lanes;
        catalog = new ReadOnlyObjectWrapper<>(shipped.with(shelf.classes()));
    }

    /** The folder of own definitions among a user's settings. */
    public static Path folder(Path settings) {
        return settings.resolve(FOLDER);
    }

    /** All classes: shipped ones, and those of the shelf. */
    public ReadOnlyObjectProperty<Catalog> catalogProperty() {
        return catalog.getReadOnlyProperty();
    }

    /** Tells of definitions that could not be read; the others are there all the same. */
    public void tellBroken() {
        if (!shelf.broken().isEmpty()) {
            notices.trouble(shelf.broken().stream().map(Words::say).collect(Collectors.joining("\n")));
        }
    }

    public boolean isOwn(String classId) {
        return shelf.find(classId).isPresent();
    }

    public boolean isEmpty() {
        return shelf.entries().isEmpty();
    }

    /** Keeps a definition, in place of an older one of the same id. */
    public void keep(OwnClass entry, Runnable then) {
        change(() -> shelf.with(entry), then);
    }

    /** Takes a definition off the shelf. */
    public void remove(String classId, Runnable then) {
        change(() -> shelf.without(classId), then);
    }

    private interface Change {
        Shelf make() throws IOException;
    }

    /** Writes in the files' lane; the catalogue changes on the screen's. */
    private void change(Change change, Runnable then) {
        lanes.files().execute(() -> {
            try {
                shelf = change.make();
                Catalog next = shipped.with(shelf.classes());
                lanes.screen().execute(() -> {
                    catalog.set(next);
                    then.run();
                });
            } catch (IOException | RuntimeException failed) {
                Trouble.minor(Shelves.class, "the shelf could not be changed", failed);
                lanes.screen()
                        .execute(() -> notices.trouble(Words.say(Fact.of("notice.shelf_failed")
                                .with("folder", shelf.folder())
                                .with("detail", FailureWords.say(failed)))));
            }
        });
    }

    /** Whether a file looks like definitions rather than a build; the full check comes when it is read. */
    public static boolean isDefinition(Path file) {
        try {
            return !Shelf.parse(file).isEmpty();
        } catch (UnreadableFile notOne) {
            return false;
        }
    }

    /** Reads definitions from a file; for each id that is on the shelf already, asks which of the two to keep. */
    public void bringIn(Path file, Consumer<PartClass> show) {
        lanes.files().execute(() -> {
            try {
                List<OwnClass> entries = Shelf.parse(file);
                lanes.screen().execute(() -> take(entries, show));
            } catch (UnreadableFile unreadable) {
                lanes.screen().execute(() -> notices.trouble(Words.say(unreadable)));
            }
        });
    }

    private void take(List<OwnClass> entries, Consumer<PartClass> show) {
        List<OwnClass> clashing = new ArrayList<>();
        List<OwnClass> fresh = new ArrayList<>();
        for (OwnClass entry : entries) {
            boolean isSame = shelf.find(entry.cls().id()).filter(entry::equals).isPresent();
            if (!isSame && catalog.get().find(entry.cls().id()).isPresent()) {
                clashing.add(entry);
            } else {
                fresh.add(entry);
            }
        }
        Runnable then = () -> {
            if (clashing.isEmpty()) {
                notices.done(Words.get("notice.brought_in", "count", fresh.size()));
                show.accept(entries.get(0).cls());
            } else {
                ask(clashing, show);
            }
        };
        if (fresh.isEmpty()) {
            then.run();
        } else {
            change(() -> shelf.with(fresh), then);
        }
    }

    private void ask(List<OwnClass> clashing, Consumer<PartClass> show) {
        OwnClass first = clashing.get(0);
        List<OwnClass> rest = clashing.subList(1, clashing.size());
        Runnable next = () -> {
            notices.clear();
            if (rest.isEmpty()) {
                show.accept(catalog.get().get(first.cls().id()));
            } else {
                ask(rest, show);
            }
        };
        notices.trouble(
                Words.say(Fact.of("notice.same_id")
                        .with("id", first.cls().id())
                        .with("name", first.cls().name())),
                new Notice.Action(Words.get("notice.same_id.keep"), next),
                new Notice.Action(Words.get("notice.same_id.take"), () -> keep(first, next)));
    }

    /** Writes own definitions to a file: one class, or the whole shelf when none is named. */
    public void giveOut(Path file, Optional<String> classId) {
        List<OwnClass> entries = classId.flatMap(shelf::find)
                .map(List::of)
                .orElseGet(() -> List.copyOf(shelf.entries().values()));
        lanes.files().execute(() -> {
            try {
                AtomicFile.write(file, Shelf.export(entries));
                lanes.screen()
                        .execute(() -> notices.done(Words.say(Fact.of("notice.given_out")
                                .with("count", entries.size())
                                .with("file", file.getFileName()))));
            } catch (IOException | RuntimeException failed) {
                Trouble.minor(Shelves.class, "definitions could not be given out", failed);
                lanes.screen()
                        .execute(() -> notices.trouble(Words.say(Fact.of("notice.export_failed")
                                .with("file", file)
                                .with("detail", FailureWords.say(failed)))));
            }
        });
    }
}
