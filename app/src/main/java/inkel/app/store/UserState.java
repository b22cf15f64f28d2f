package inkel.app.store;

import inkel.app.lane.Trouble;
import inkel.core.document.Meter;
import inkel.core.io.json.AtomicFile;
import java.io.IOException;
import java.io.Reader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * What the program remembers between runs: window place, theme, recent files. Losing it is a nuisance, not a loss. A
 * properties file, since it is read before anything else and must not make the start wait for a JSON library.
 */
public final class UserState {
    private static final String FILE = "state.properties";
    private static final int MOST_RECENT = 8;

    /** No screen is wider, and no window lies further out. */
    private static final double MOST_NUMBER = 100_000;

    private static final long WRITE_DELAY_MILLIS = 400;

    private final Path folder;
    private final Properties state;
    private final AtomicBoolean isWaiting = new AtomicBoolean();
    private volatile boolean isWrittenByItself;

    private UserState(Path folder, Properties state) {
        this.folder = folder;
        this.state = state;
    }

    /** The folder that {@code inkel.state} names, else the usual one for settings of this user. */
    public static Path usualFolder() {
        String given = System.getProperty("inkel.state");
        if (given != null) {
            return Path.of(given);
        }
        String config = System.getenv("XDG_CONFIG_HOME");
        return config == null || config.isBlank()
                ? Path.of(System.getProperty("user.home"), ".config", "inkel")
                : Path.of(config, "inkel");
    }

    public static UserState read(Path folder) {
        Properties state = new Properties();
        Path file = folder.resolve(FILE);
        if (Files.isRegularFile(file)) {
            try (Reader reader = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
                state.load(reader);
            } catch (IOException | IllegalArgumentException unreadable) {
                Trouble.minor(UserState.class, "window state not read; starting with the usual one", unreadable);
                state.clear();
            }
        }
        return new UserState(folder, state);
    }

    /** From now on what changes is written by itself, a moment later and once for many changes. */
    public void writeWhenChanged() {
        isWrittenByItself = true;
    }

    private void changed() {
        if (isWrittenByItself && isWaiting.compareAndSet(false, true)) {
            CompletableFuture.delayedExecutor(WRITE_DELAY_MILLIS, TimeUnit.MILLISECONDS)
                    .execute(this::write);
        }
    }

    public synchronized void write() {
        isWaiting.set(false);
        StringWriter text = new StringWriter();
        try {
            Files.createDirectories(folder);
            state.store(text, "Inkel: window and recent files");
            AtomicFile.write(folder.resolve(FILE), text.toString());
        } catch (IOException failed) {
            Trouble.minor(UserState.class, "window state not written", failed);
        }
    }

    public Path folder() {
        return folder;
    }

    /** The number under a key; the other one when there is none, or none that can be read. */
    public double number(String key, double otherwise) {
        try {
            double number = Double.parseDouble(state.getProperty(key, String.valueOf(otherwise)));
            return Math.abs(number) <= MOST_NUMBER || Double.isNaN(otherwise) && Double.isNaN(number)
                    ? number
                    : otherwise;
        } catch (NumberFormatException notANumber) {
            return otherwise;
        }
    }

    public void put(String key, double value) {
        put(key, String.valueOf(value));
    }

    /** The text under a key. */
    public Optional<String> text(String key) {
        return Optional.ofNullable(state.getProperty(key)).filter(text -> !text.isBlank());
    }

    public void put(String key, String text) {
        if (!text.equals(state.setProperty(key, text))) {
            changed();
        }
    }

    public boolean flag(String key) {
        return Boolean.parseBoolean(state.getProperty(key));
    }

    public void put(String key, boolean value) {
        put(key, String.valueOf(value));
    }

    /** What the builder measures with; the usual one where nothing, or no meter, is remembered. */
    public Meter meter() {
        int counts = (int) number("meter.counts", Meter.USUAL.counts());
        double accuracy = number("meter.accuracy", Meter.USUAL.accuracy());
        int digits = (int) number("meter.digits", Meter.USUAL.digits());
        return Meter.isOne(counts, accuracy, digits) ? new Meter(counts, accuracy, digits) : Meter.USUAL;
    }

    public void put(Meter meter) {
        put("meter.counts", meter.counts());
        put("meter.accuracy", meter.accuracy());
        put("meter.digits", meter.digits());
    }

    /** Which board was heard at which port. */
    public KnownPorts ports() {
        List<KnownPorts.Known> known = new ArrayList<>();
        for (int i = 0; text("port." + i + ".board").isPresent(); i++) {
            known.add(new KnownPorts.Known(
                    text("port." + i).orElse(""), text("port." + i + ".board").orElseThrow()));
        }
        return new KnownPorts(known);
    }

    public void put(KnownPorts ports) {
        state.keySet().removeIf(key -> key.toString().startsWith("port."));
        for (int i = 0; i < ports.known().size(); i++) {
            put("port." + i, ports.known().get(i).port());
            put("port." + i + ".board", ports.known().get(i).board());
        }
    }

    /** The latest file first. */
    public synchronized List<Path> recent() {
        List<Path> files = new ArrayList<>();
        for (int i = 0; i < MOST_RECENT && state.containsKey("recent." + i); i++) {
            try {
                files.add(Path.of(state.getProperty("recent." + i)));
            } catch (InvalidPathException noPath) {
                Trouble.minor(UserState.class, "a recent file has no name; left out", noPath);
            }
        }
        return files;
    }

    public synchronized void addRecent(Path file) {
        List<Path> files = recent();
        Path whole = file.toAbsolutePath().normalize();
        files.remove(whole);
        files.add(0, whole);
        for (int i = 0; i < Math.min(MOST_RECENT, files.size()); i++) {
            put("recent." + i, files.get(i).toString());
        }
    }
}
