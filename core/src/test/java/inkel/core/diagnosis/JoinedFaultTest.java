package inkel.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.bench.fault.WireFault;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import inkel.core.kit.TwoBoards;
import inkel.core.wake.Check;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** A wire between boards that is not in is noticed by the one that listens, and named, though it is in the other's list. */
class JoinedFaultTest {
    private static List<Evidence> untilOneIsOut(NodeWake wake, PracticeBench bench) {
        List<Evidence> evidence = new ArrayList<>();
        for (Check check : wake.checks()) {
            Optional<Answer> answer = bench.ask(check.asked());
            answer.ifPresent(found -> evidence.add(new Evidence(check, found)));
            if (!evidence.isEmpty() && !evidence.get(evidence.size() - 1).isWell()) {
                break;
            }
        }
        return evidence;
    }

    @Test
    void aWireBetweenBoardsThatIsNotInIsFound() throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D5 > two.D6", "one.D7 > two.D8");
        Layout layout = Layout.of(Circuit.of(build, Builds.CATALOG));
        NodeWake wake = WakePlan.of(layout.circuit(), Meter.USUAL).node("two").orElseThrow();
        List<Fault> missing = Faults.of(layout).stream()
                .filter(fault -> fault instanceof WireFault.Missing wire
                        && wire.wire().startsWith("board.D")
                        && wire.wire().contains("away"))
                .toList();
        assertEquals(2, missing.size());
        for (Fault fault : missing) {
            PracticeBench bench = new PracticeBench(
                    layout.circuit(), layout.lists(), fault.forms(layout).get(0), Meter.USUAL, 11);
            List<Evidence> evidence = untilOneIsOut(wake, bench);
            Evidence last = evidence.get(evidence.size() - 1);
            String talks = ((WireFault.Missing) fault).wire().split("@")[0];
            assertEquals("high one/" + talks, last.check().id());
            Suspects suspects = new Diagnosis(layout, wake, Meter.USUAL, Set.of()).all(evidence, () -> false);
            assertTrue(suspects.list().get(0).alike().contains(List.of(fault)), () -> "" + suspects.list());
        }
    }

    @Test
    void aGroundBetweenBoardsThatIsNotInIsFound() throws Exception {
        Build build = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D5 > two.D6");
        Layout layout = Layout.of(Circuit.of(build, Builds.CATALOG));
        NodeWake wake = WakePlan.of(layout.circuit(), Meter.USUAL).node("two").orElseThrow();
        Fault fault = Faults.of(layout).stream()
                .filter(found ->
                        found instanceof WireFault.Missing wire && wire.wire().endsWith("away two"))
                .findFirst()
                .orElseThrow();
        assertEquals(FaultKind.COMMON_GROUND_MISSING, fault.kind());
        PracticeBench bench = new PracticeBench(
                layout.circuit(), layout.lists(), fault.forms(layout).get(0), Meter.USUAL, 11);
        List<Evidence> evidence = untilOneIsOut(wake, bench);
        assertEquals(
                "ohms ground of one", evidence.get(evidence.size() - 1).check().id());
        Suspects suspects = new Diagnosis(layout, wake, Meter.USUAL, Set.of()).all(evidence, () -> false);
        assertTrue(suspects.list().get(0).alike().contains(List.of(fault)), () -> "" + suspects.list());
    }
}
