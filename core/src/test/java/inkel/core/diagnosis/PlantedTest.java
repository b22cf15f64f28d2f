package inkel.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Answer;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Layout;
import inkel.core.capture.Channel;
import inkel.core.circuit.Circuit;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import inkel.core.wake.Answers;
import inkel.core.wake.Check;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class PlantedTest {
    private final Layout layout = Layout.of(Circuit.of(Builds.example("moth-lamp.inkel.json"), Builds.CATALOG));
    private final NodeWake wake =
            WakePlan.of(layout.circuit(), Meter.USUAL).nodes().get(0);

    private Optional<Planted> planted(int count, Optional<FaultKind> kind, long seed) {
        return Planted.of(layout, wake, Meter.USUAL, count, kind, seed);
    }

    private List<Check> outside(Planted planted) {
        return wake.checks().stream()
                .filter(check -> {
                    Optional<Answer> answer = planted.bench().ask(check.asked());
                    return answer.isPresent() && !Answers.isWell(check, answer.get());
                })
                .toList();
    }

    @Test
    void whatIsPlantedIsNoticedAndTheSameSeedPlantsTheSame() {
        Set<Object> different = new HashSet<>();
        for (long seed = 1; seed <= 6; seed++) {
            Planted planted = planted(1, Optional.empty(), seed).orElseThrow();
            assertEquals(1, planted.faults().size());
            assertTrue(!outside(planted).isEmpty(), planted.faults().toString());
            assertEquals(
                    planted.faults(),
                    planted(1, Optional.empty(), seed).orElseThrow().faults());
            different.add(planted.faults());
        }
        assertTrue(different.size() > 2);
    }

    @Test
    void nothingPlantedIsAHealthyBench() {
        assertEquals(List.of(), outside(planted(0, Optional.empty(), 3).orElseThrow()));
    }

    @Test
    void aKindMayBeChosenAndTwoMayBeWrong() {
        Planted loose = planted(1, Optional.of(FaultKind.CONTACT_LOOSE), 7).orElseThrow();
        assertEquals(FaultKind.CONTACT_LOOSE, loose.faults().get(0).kind());
        Planted two = planted(2, Optional.of(FaultKind.CONTACT_LOOSE), 7).orElseThrow();
        assertEquals(2, new HashSet<>(two.faults()).size());
        assertEquals(FaultKind.CONTACT_LOOSE, two.faults().get(0).kind());
    }

    @Test
    void aKindThatTheBuildCannotHaveIsNotPlanted() {
        assertEquals(Optional.empty(), planted(1, Optional.of(FaultKind.CAPACITOR_MISSING), 1));
    }

    @Test
    void inHindsightInkelTakesFewLooks() {
        Planted loose = planted(1, Optional.of(FaultKind.CONTACT_LOOSE), 7).orElseThrow();
        Planted.Hindsight hindsight = loose.hindsight();
        assertTrue(hindsight.readings() > 0);
        assertTrue(hindsight.looks().size() <= 6, hindsight.looks().toString());
    }

    private static IntStream edges(Planted planted) {
        return BenchCapture.of(planted, Map.of()).channels().stream().mapToInt(Channel::count);
    }

    @Test
    void whatIsPlantedSilencesWires() {
        // Whatever keeps a part from its bus, or the board from its program, leaves fewer edges than the same bytes
        // would.
        int fewer = 0;
        for (long seed = 1; seed <= 8; seed++) {
            int healthy =
                    edges(planted(0, Optional.empty(), seed).orElseThrow()).sum();
            int broken = edges(
                            planted(1, Optional.of(FaultKind.PART_DEAD), seed).orElseThrow())
                    .sum();
            assertTrue(broken <= healthy, seed + ": " + broken + " of " + healthy);
            fewer += broken < healthy ? 1 : 0;
        }
        assertTrue(fewer > 2, fewer + " of 8");
    }
}
