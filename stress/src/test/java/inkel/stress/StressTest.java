package inkel.stress;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Rounds;
import inkel.stress.kit.Tally;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;

/**
 * A short part of every ordeal, always the same; {@code ./inkel stress} is the long form. They are told apart by what they
 * spoil, so that those of files and those of the program itself go on beside each other.
 */
abstract class StressTest {
    private static final long SEED = 20;

    /** Those that start another Java, or draw, take longer for a round. */
    private static final Map<String, Long> ROUNDS = Map.ofEntries(
            Map.entry("builds", 1500L),
            Map.entry("definitions", 1000L),
            Map.entry("records", 200L),
            Map.entry("bytes", 300L),
            Map.entry("batches", 60L),
            Map.entry("reports", 12L),
            Map.entry("captures", 60L),
            Map.entry("ways-out", 90L),
            Map.entry("walks", 8L),
            Map.entry("places", 40L),
            Map.entry("window", 12L),
            Map.entry("save-kills", 4L),
            Map.entry("window-kills", 2L));

    private static final long FEW = 10;

    @BeforeAll
    static void quiet() {
        LogManager.getLogManager().reset();
    }

    /** Those that spoil what is read. */
    private static final Set<String> OF_FILES =
            Set.of("builds", "definitions", "records", "bytes", "batches", "reports", "captures", "save-kills");

    static Stream<String> names(boolean areOfFiles) {
        return Stress.all().keySet().stream().filter(name -> OF_FILES.contains(name) == areOfFiles);
    }

    static void hold(String name) throws Exception {
        Callable<Ordeal> made = Stress.all().get(name);
        Ordeal ordeal = made.call();
        assertEquals(name, ordeal.name());
        Tally tally = Rounds.of(ordeal, SEED, ROUNDS.getOrDefault(name, FEW));
        assertTrue(tally.broken().isEmpty(), () -> tally.broken().toString());
    }
}
