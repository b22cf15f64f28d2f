package inkel.app.store;

import inkel.app.lane.Lanes;
import inkel.app.lane.Notice;
import inkel.app.lane.Notices;
import inkel.app.lane.Trouble;
import inkel.app.store.DrawerCsv.Read;
import inkel.app.words.DrawerWords;
import inkel.app.words.FailureWords;
import inkel.app.words.SaidException;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.drawer.Drawer;
import inkel.core.drawer.Drawer.Standing;
import inkel.core.drawer.Item;
import inkel.core.drawer.Owned;
import inkel.core.drawer.Substitute;
import inkel.core.io.json.AtomicFile;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** What the builder owns, over all builds: three small tables in a folder among the settings. */
public final class Drawers {
    private static final String FOLDER = "drawer";
    private static final String ITEMS = "drawer.csv";
    private static final String STANDING = "standing.csv";
    private static final String AGREED = "agreed.csv";
    private static final Pattern COUNTED = Pattern.compile("(?:(\\d{1,7})\\s*[x×]?\\s+)?(\\D.*)");
    private static final long MOST_BYTES = 4_000_000;

    /** Sentences told at once; a file that is no drawer at all would have thousands. */
    private static final int MOST_TOLD = 6;

    private final Notices notices;
    private final Lanes lanes;
    private final Supplier<Catalog> catalog;
    private final ReadOnlyObjectWrapper<Drawer> drawer = new ReadOnlyObjectWrapper<>(Drawer.EMPTY);
    private volatile Optional<Path> folder = Optional.empty();

    /** @param catalog the classes that are known now */
    public Drawers(Notices notices, Lanes lanes, Supplier<Catalog> catalog) {
        this.notices = notices;
        this.lanes = lanes;
        this.catalog = catalog;
    }

    public ReadOnlyObjectProperty<Drawer> drawerProperty() {
        return drawer.getReadOnlyProperty();
    }

    public Drawer drawer() {
        return drawer.get();
    }

    /** What a user owns, for who has no window; lines that cannot be read are left out. */
    public static Drawer read(Path settings) {
        try {
            return read(settings.resolve(FOLDER), Optional::of).found();
        } catch (IOException unreadable) {
            Trouble.minor(Drawers.class, "the drawer could not be read", unreadable);
            return Drawer.EMPTY;
        }
    }

    /** What stands for a build in the drawer; empty for one that has no file yet. */
    public static String key(Path file) {
        return file == null ? "" : file.toAbsolutePath().normalize().toString();
    }

    /** The drawer as a build finds it, which does not stand in its own way. */
    public Drawer of(Path file) {
        return drawer().withoutStanding(key(file));
    }

    /** Reads the drawer of a user, and keeps changes there from now on; until then they are kept in memory only. */
    public void open(Path settings) {
        lanes.files().execute(() -> {
            Path home = settings.resolve(FOLDER);
            folder = Optional.of(home);
            try {
                Read<Drawer> read = read(home, Optional::of);
                lanes.screen().execute(() -> {
                    drawer.set(read.found());
                    tell(read.bad(), ITEMS);
                });
            } catch (IOException unreadable) {
                Trouble.minor(Drawers.class, "the drawer could not be read", unreadable);
                lanes.screen().execute(() -> failed(home, unreadable));
            }
        });
    }

    private static Read<Drawer> read(Path home, java.util.function.Function<String, Optional<String>> part)
            throws IOException {
        Read<Map<Item, Owned>> items = DrawerCsv.items(text(home.resolve(ITEMS), "what,count"), part);
        Read<Map<String, Standing>> standing =
                DrawerCsv.standing(text(home.resolve(STANDING), "build,name,what,count"));
        Read<Map<Item, Substitute>> agreed = DrawerCsv.agreed(text(home.resolve(AGREED), "wanted,by,count,how"));
        List<Fact> bad = new ArrayList<>(items.bad());
        bad.addAll(standing.bad());
        bad.addAll(agreed.bad());
        return new Read<>(new Drawer(items.found(), standing.found(), agreed.found()), bad);
    }

    private static String text(Path file, String empty) throws IOException {
        if (!Files.isRegularFile(file)) {
            return empty;
        }
        if (Files.size(file) > MOST_BYTES) {
            throw new SaidException(Words.get("drawer.too_large", "most", MOST_BYTES / 1_000_000));
        }
        try {
            return Files.readString(file);
        } catch (CharacterCodingException noText) {
            throw new SaidException(Words.get("drawer.no_text"), noText);
        }
    }

    // --- changing

    /** How many of something there are. */
    public void count(Item item, int count) {
        change(now -> now.with(item, now.of(item).withCount(count)));
    }

    /** What one of something costs; empty to forget it. */
    public void price(Item item, Optional<BigDecimal> price) {
        change(now -> now.with(item, now.of(item).withPrice(price)));
    }

    /** As people write a count; empty for what is none. */
    public static Optional<Integer> count(String text) {
        return DrawerCsv.count(text);
    }

    /** As people write a price; empty for what is none. */
    public static Optional<BigDecimal> price(String text) {
        return DrawerCsv.price(text);
    }

    /** Puts what lacks into the drawer, with a way back. */
    public void add(Map<Item, Integer> more) {
        Drawer before = drawer();
        change(now -> {
            Drawer next = now;
            for (Map.Entry<Item, Integer> each : more.entrySet()) {
                next = next.with(each.getKey(), next.of(each.getKey()).plus(each.getValue()));
            }
            return next;
        });
        notices.show(Notice.done(Words.get("drawer.added", "count", more.size()), wayBack(before, more.keySet())));
    }

    /** Puts some things back as they were, and leaves all else as it is by then. */
    private Notice.Action wayBack(Drawer before, Set<Item> touched) {
        Map<Item, Owned> were = new TreeMap<>();
        touched.forEach(item -> were.put(item, before.of(item)));
        return new Notice.Action(Words.get("drawer.back"), () -> {
            notices.clear();
            change(now -> now.with(were));
        });
    }

    /**
     * Adds what a builder types: {@code 10 resistor 22k}, {@code part Micro servo}.
     *
     * @return whether that is a thing, with a count from 1 to a million before it or none
     */
    public boolean add(String typed) {
        Matcher written = COUNTED.matcher(typed.strip());
        if (!written.matches()) {
            return false;
        }
        int count = written.group(1) == null ? 1 : Integer.parseInt(written.group(1));
        Optional<Item> item = Item.parse(written.group(2)).flatMap(found -> DrawerCsv.known(found, this::part));
        if (item.isEmpty() || count < 1 || count > Owned.MOST) {
            return false;
        }
        change(now -> now.with(item.get(), now.of(item.get()).plus(count)));
        return true;
    }

    /** Whether the builder takes something for another thing. */
    public void agree(Item wanted, Optional<Substitute> by) {
        change(now -> now.withAgreed(wanted, by));
    }

    /** A build stands, and has what it takes. */
    public void stand(String build, String name, Map<Item, Integer> takes) {
        change(now -> now.withStanding(build, new Standing(name, takes)));
    }

    /** A build is in pieces: what it took is free. */
    public void takeApart(String build) {
        change(now -> now.withoutStanding(build));
    }

    /** Another window may have changed the file since: a change is made to what is there now. */
    private void change(UnaryOperator<Drawer> change) {
        drawer.set(change.apply(drawer.get()));
        folder.ifPresent(home -> lanes.files().execute(() -> {
            try {
                Files.createDirectories(home);
                Read<Drawer> read = read(home, Optional::of);
                if (!read.bad().isEmpty()) {
                    keepAsFound(home);
                }
                Drawer before = read.found();
                Drawer next = change.apply(before);
                if (!next.equals(before)) {
                    write(home, before, next);
                }
                lanes.screen().execute(() -> {
                    if (!drawer.get().equals(next)) {
                        drawer.set(next);
                    }
                });
            } catch (IOException | RuntimeException failed) {
                Trouble.minor(Drawers.class, "the drawer could not be written", failed);
                lanes.screen().execute(() -> failed(home, failed));
            }
        }));
    }

    private void write(Path home, Drawer before, Drawer next) throws IOException {
        if (!next.items().equals(before.items())) {
            AtomicFile.write(home.resolve(ITEMS), itemsText(next));
        }
        if (!next.standing().equals(before.standing())) {
            AtomicFile.write(home.resolve(STANDING), DrawerCsv.standing(next));
        }
        if (!next.agreed().equals(before.agreed())) {
            AtomicFile.write(home.resolve(AGREED), DrawerCsv.agreed(next));
        }
    }

    private String itemsText(Drawer of) {
        return DrawerCsv.items(of, item -> DrawerWords.name(item, catalog.get()));
    }

    /** Lines that cannot be read would be gone with the next change: the tables are kept as somebody wrote them. */
    private static void keepAsFound(Path home) throws IOException {
        for (String table : List.of(ITEMS, STANDING, AGREED)) {
            Path file = home.resolve(table);
            Path kept = home.resolve(table.replace(".csv", "-as-found.csv"));
            if (Files.isRegularFile(file) && !Files.exists(kept)) {
                Files.copy(file, kept);
            }
        }
    }

    // --- in and out

    /** Takes the counts and prices of a table; of what is in it twice the counts are added. */
    public void bringIn(Path file) {
        lanes.files().execute(() -> {
            try {
                Read<Map<Item, Owned>> read = DrawerCsv.items(text(file, ""), this::part);
                lanes.screen().execute(() -> take(file, read));
            } catch (IOException unreadable) {
                lanes.screen().execute(() -> failed(file, unreadable));
            }
        });
    }

    private void take(Path file, Read<Map<Item, Owned>> read) {
        Drawer before = drawer();
        if (!read.found().isEmpty()) {
            change(now -> now.with(read.found()));
        }
        Notice.Action back = wayBack(before, read.found().keySet());
        if (read.bad().isEmpty()) {
            notices.show(Notice.done(
                    Words.get("drawer.brought_in", "count", read.found().size()), back));
        } else if (read.found().isEmpty()) {
            tell(read.bad(), file.getFileName().toString());
        } else {
            tell(read.bad(), file.getFileName().toString(), back);
        }
    }

    /** A class by its id or by its name. */
    private Optional<String> part(String called) {
        Catalog known = catalog.get();
        return known.find(called)
                .or(() -> known.all().stream()
                        .filter(cls -> cls.name().equalsIgnoreCase(called))
                        .findFirst())
                .map(PartClass::id);
    }

    public void giveOut(Path file) {
        Drawer now = drawer();
        lanes.files().execute(() -> {
            try {
                AtomicFile.write(file, itemsText(now));
                lanes.screen()
                        .execute(() -> notices.done(Words.say(Fact.of("drawer.given_out")
                                .with("count", now.items().size())
                                .with("file", file.getFileName()))));
            } catch (IOException | RuntimeException failed) {
                Trouble.minor(Drawers.class, "the drawer could not be given out", failed);
                lanes.screen().execute(() -> failed(file, failed));
            }
        });
    }

    private void failed(Path file, Exception failed) {
        notices.trouble(
                Words.say(Fact.of("drawer.failed").with("file", file).with("detail", FailureWords.say(failed))));
    }

    private void tell(List<Fact> bad, String file, Notice.Action... actions) {
        if (!bad.isEmpty()) {
            String lines = bad.stream().limit(MOST_TOLD).map(Words::say).collect(Collectors.joining("\n"));
            String more =
                    bad.size() > MOST_TOLD ? "\n" + Words.get("drawer.more_bad", "count", bad.size() - MOST_TOLD) : "";
            notices.trouble(Words.get("drawer.bad", "file", file) + "\n" + lines + more, actions);
        }
    }
}
