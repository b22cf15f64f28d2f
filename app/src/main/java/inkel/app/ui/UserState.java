package inkel.app.ui;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.io.AtomicFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.logging.Level;
import java.util.logging.Logger;

/** What the program remembers between runs: window place, theme, recent files. Losing it is a nuisance, not a loss. */
public final class UserState {
    private static final Logger LOG = Logger.getLogger(UserState.class.getName());
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final int MOST_RECENT = 8;

    private final Path folder;
    private final ObjectNode state;

    private UserState(Path folder, ObjectNode state) {
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
        Path file = folder.resolve("state.json");
        if (Files.isRegularFile(file)) {
            try {
                JsonNode tree = MAPPER.readTree(file.toFile());
                if (tree instanceof ObjectNode object) {
                    return new UserState(folder, object);
                }
            } catch (IOException unreadable) {
                LOG.log(Level.WARNING, "window state not read; starting with the usual one", unreadable);
            }
        }
        return new UserState(folder, MAPPER.createObjectNode());
    }

    public void write() {
        try {
            Files.createDirectories(folder);
            AtomicFile.write(folder.resolve("state.json"), state.toPrettyString());
        } catch (IOException failed) {
            LOG.log(Level.WARNING, "window state not written", failed);
        }
    }

    Path folder() {
        return folder;
    }

    double number(String key, double otherwise) {
        return state.path(key).asDouble(otherwise);
    }

    void put(String key, double value) {
        state.put(key, value);
    }

    boolean flag(String key) {
        return state.path(key).asBoolean(false);
    }

    void put(String key, boolean value) {
        state.put(key, value);
    }

    /** The latest file first. */
    List<Path> recent() {
        List<Path> files = new ArrayList<>();
        state.path("recent").forEach(entry -> files.add(Path.of(entry.asText())));
        return files;
    }

    void addRecent(Path file) {
        List<Path> files = recent();
        Path whole = file.toAbsolutePath().normalize();
        files.remove(whole);
        files.add(0, whole);
        var list = state.putArray("recent");
        files.stream().limit(MOST_RECENT).forEach(entry -> list.add(entry.toString()));
    }
}
