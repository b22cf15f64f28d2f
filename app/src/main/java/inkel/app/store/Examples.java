package inkel.app.store;

import java.nio.file.Path;
import java.util.List;

/** Where the example builds are. */
public final class Examples {
    public static final String DEMO = "otterbeck-locks.inkel.json";
    /** The same plan with a made-up record of three weeks; {@code ./inkel bench season} makes it anew. */
    public static final String SEASON = "otterbeck-season.inkel.json";

    public static final String FIRST_SKETCH = "otterbeck-first-sketch.inkel.json";

    public static final String MOTH_LAMP = "moth-lamp.inkel.json";

    /** Every example, in the order they are offered. */
    public static final List<String> ALL = List.of(DEMO, SEASON, FIRST_SKETCH, MOTH_LAMP);

    private Examples() {}

    /** The folder that the launcher names in {@code inkel.home}, else the working directory's. */
    public static Path folder() {
        return Path.of(System.getProperty("inkel.home", "."), "examples");
    }

    /**
     * Whether a file is a shipped example: it is opened as a build that has no file yet, and stays as it is. All that lies
     * beside the examples of a packaged program stays as it is.
     */
    public static boolean isFixed(Path file) {
        Path shipped = folder().toAbsolutePath().normalize();
        Path asked = file.toAbsolutePath().normalize();
        boolean isOfAll =
                asked.startsWith(shipped) && ALL.contains(asked.getFileName().toString());
        return isOfAll || Boolean.getBoolean("inkel.packaged") && asked.startsWith(shipped);
    }
}
