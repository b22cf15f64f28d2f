package inkel.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.FaultKind;
import inkel.core.kit.RandomBuilds;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.ToIntFunction;
import org.junit.jupiter.api.Test;

/** Planted faults are found; {@code ./inkel bench diagnosis} is the long form, with a table by kind. */
class DiagnosisTest {
    private static final int BUILDS = Integer.getInteger("inkel.bench.builds", 40);
    private static final boolean PRINTS = Boolean.getBoolean("inkel.bench.prints");
    private static final int FIRST = 81_000;
    private static final int A_BUILD = 3;
    private static final double TOP_ONE = 0.85;
    private static final double TOP_THREE = 0.97;
    private static final double ACCUSED = 0.02;

    /** Few builds of a short run may have one more that fails by chance. */
    private static final int CHANCE = 1;

    private final Map<FaultKind, Row> rows = new TreeMap<>();
    private final List<String> failures = new ArrayList<>();

    private static final class Row {
        private int planted;
        private int noticed;
        private int first;
        private int three;
        private int looks;
    }

    @Test
    void plantedFaultsAreFoundAndAHealthyBenchIsNotAccused() throws Exception {
        int healthy = 0;
        int accused = 0;
        int builds = 0;
        for (int seed = FIRST; seed < FIRST + BUILDS; seed++) {
            Optional<Game> game = Game.of(RandomBuilds.of(seed));
            if (game.isEmpty() || game.get().faults.isEmpty()) {
                continue;
            }
            builds++;
            for (int i = 0; i < A_BUILD; i++) {
                Random random = new Random(seed * 31L + i);
                note(seed + "/" + i, game.get().play(game.get().pick(random), random));
            }
            healthy++;
            accused += isAccused(game.get().playHealthy(new Random(seed))) ? 1 : 0;
        }
        int noticed = sum(row -> row.noticed);
        int first = sum(row -> row.first);
        int three = sum(row -> row.three);
        String told = builds + " builds, " + sum(row -> row.planted) + " planted, " + noticed + " noticed, " + first
                + " found first, " + three + " among three; " + accused + " of " + healthy
                + " healthy accused";
        if (PRINTS) {
            print(told);
        }
        assertTrue(noticed >= builds, told);
        assertTrue(first + CHANCE >= TOP_ONE * noticed, told + failures);
        assertTrue(three + CHANCE >= TOP_THREE * noticed, told + failures);
        assertTrue(accused - CHANCE <= ACCUSED * healthy, told);
    }

    /** As long as all is as foretold nobody is told of suspects. */
    private static boolean isAccused(Game.Played played) {
        return played.isNoticed() && played.suspects().nothing() < 0.5;
    }

    private int sum(ToIntFunction<Row> of) {
        return rows.values().stream().mapToInt(of).sum();
    }

    private void note(String seed, Game.Played played) {
        Fault planted = played.planted().orElseThrow();
        Row row = rows.computeIfAbsent(planted.kind(), kind -> new Row());
        row.planted++;
        if (played.isNoticed()) {
            row.noticed++;
            row.looks += played.looks();
            row.first += played.rank() == 0 ? 1 : 0;
            row.three += played.rank() < 3 ? 1 : 0;
            if (played.rank() > 0) {
                failures.add(seed + " " + planted + " is at " + played.rank() + " after "
                        + played.evidence()
                                .get(played.evidence().size() - 1 - played.looks())
                                .check()
                                .id());
            }
        }
    }

    private void print(String told) {
        System.out.printf("%-24s %8s %8s %6s %6s %6s%n", "kind", "planted", "noticed", "first", "three", "looks");
        rows.forEach((kind, row) -> System.out.printf(
                Locale.ROOT,
                "%-24s %8d %8d %6d %6d %6.1f%n",
                kind.text(),
                row.planted,
                row.noticed,
                row.first,
                row.three,
                row.noticed == 0 ? 0 : (double) row.looks / row.noticed));
        System.out.println(told);
        failures.forEach(System.out::println);
    }
}
