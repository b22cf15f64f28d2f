package inkel.app.store;

import inkel.app.lane.Trouble;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.stream.Stream;

/** Sends what libraries unpack for themselves, machine code and fonts, into the folder of the program's own. */
public final class Caches {
    private static final Duration LONGEST_RUN = Duration.ofDays(2);

    private Caches() {}

    /** Must run before the first of them is loaded; where the folder cannot be made they go where they go by themselves. */
    public static void into(Path folder) {
        Path machine = folder.resolve("machine");
        Path passing = folder.resolve("passing");
        try {
            Files.createDirectories(machine);
            Files.createDirectories(passing);
        } catch (IOException failed) {
            Trouble.minor(Caches.class, "no folder for what libraries unpack", failed);
            return;
        }
        sweep(passing);
        given("javafx.cachedir", machine);
        System.setProperty("java.io.tmpdir", passing.toString());
    }

    private static void given(String property, Path folder) {
        if (System.getProperty(property) == null) {
            System.setProperty(property, folder.toString());
        }
    }

    /** A run that was killed has left what it would have taken away at its end. */
    private static void sweep(Path passing) {
        Instant old = Instant.now().minus(LONGEST_RUN);
        try (Stream<Path> all = Files.list(passing)) {
            for (Path one : all.filter(Files::isRegularFile).toList()) {
                if (Files.getLastModifiedTime(one).toInstant().isBefore(old)) {
                    Files.deleteIfExists(one);
                }
            }
        } catch (IOException unswept) {
            Trouble.minor(Caches.class, "what is left over was not swept", unswept);
        }
    }
}
