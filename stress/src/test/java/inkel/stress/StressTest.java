package inkel.stress;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Rounds;
import inkel.stress.kit.Tally;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.logging.LogManager;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A short part of every ordeal, always the same; {@code ./inkel stress} is the long form. */
class StressTest {
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

    static Stream<String> names() {
        return Stress.all().keySet().stream();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("names")
    void nothingBreaks(String name) throws Exception {
        Callable<Ordeal> made = Stress.all().get(name);
        Ordeal ordeal = made.call();
        assertEquals(name, ordeal.name());
        Tally tally = Rounds.of(ordeal, SEED, ROUNDS.getOrDefault(name, FEW));
        assertTrue(tally.broken().isEmpty(), () -> tally.broken().toString());
    }
}
