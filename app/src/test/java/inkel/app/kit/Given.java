package inkel.app.kit;

import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.store.Recovery;
import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** The examples, read or copied. */
public final class Given {
    public static final Catalog CATALOG = CatalogReader.shipped();
    public static final Path EXAMPLES = Path.of("..", "examples");
    public static final String LOCKS = "otterbeck-locks.inkel.json";
    public static final String MOTH_LAMP = "moth-lamp.inkel.json";
    public static final String FIRST_SKETCH = "otterbeck-first-sketch.inkel.json";

    /** A table where parts serve parts; not among the examples. */
    public static final String TEXT_BOX = "text-box.inkel.json";

    /** A chip without a board, and nothing that programs it. */
    public static final String BARE_CHIP = "bare-chip.inkel.json";

    /** Two boards at other supplies with a wire each way. */
    public static final String TWO_BOARDS = "two-boards.inkel.json";

    /** Three tables with a transceiver each, nothing joined. */
    public static final String LONG_LINE = "long-line.inkel.json";

    /** A table of sensors that differ from piece to piece. */
    public static final String BED = "bed.inkel.json";

    private Given() {}

    public static Build build(String example) {
        try {
            return BuildReader.read(EXAMPLES.resolve(example), CATALOG);
        } catch (UnreadableFile wrong) {
            throw new AssertionError(wrong);
        }
    }

    public static Assessment assessment(String example) {
        return Assessment.assess(build(example), CATALOG);
    }

    /** A session without a window, whose every lane is the thread that asks; shelf and kept states are in the folder. */
    public static Session session(Path folder) {
        return session(folder, Lanes.of(Runnable::run, Runnable::run));
    }

    public static Session session(Path folder, Lanes lanes) {
        return new Session(
                CATALOG,
                Shelf.read(folder.resolve("shelf")),
                lanes,
                Clock.systemUTC(),
                new Recovery(folder.resolve("recovery")));
    }

    /** A copy that a test may write to. */
    public static Path copy(String example, Path folder) throws IOException {
        Path own = folder.resolve(example);
        try (InputStream given = Given.class.getResourceAsStream("/inkel/app/given/" + example)) {
            if (given == null) {
                Files.copy(EXAMPLES.resolve(example), own);
            } else {
                Files.copy(given, own);
            }
        }
        return own;
    }

    /** A table with as many lamps, none of them wired. */
    public static Path crowd(int lamps, Path folder) throws IOException {
        String parts = IntStream.range(0, lamps)
                .mapToObj(i -> String.format(
                        Locale.ROOT, "{\"id\": \"lamp-%d\", \"class\": \"led\", \"name\": \"Lamp %d\"}", i, i))
                .collect(Collectors.joining(", "));
        return Files.writeString(
                folder.resolve("crowd.inkel.json"),
                """
                {"format": 2, "name": "Crowd", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board"}, "parts": [%s], "wires": []}]}
                """
                        .formatted(parts));
    }
}
