package inkel.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Layout;
import inkel.core.circuit.Circuit;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import inkel.core.wake.Check;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class AheadTest {
    private static final String CHECK = "volts display.VCC";

    private final Layout layout = Layout.of(Circuit.of(Builds.locks(), Builds.CATALOG));
    private final NodeWake wake =
            WakePlan.of(layout.circuit(), Meter.USUAL).nodes().get(0);
    private final List<Evidence> evidence = evidence();

    private List<Evidence> evidence() {
        PracticeBench bench = new PracticeBench(layout.circuit(), layout.lists(), Twist.NONE, Meter.USUAL, 1);
        List<Evidence> evidence = new ArrayList<>();
        for (Check check : wake.checks()) {
            if (check.id().equals(CHECK)) {
                evidence.add(new Evidence(check, new Answer.Amount(4.21)));
                return evidence;
            }
            evidence.add(new Evidence(check, bench.ask(check.asked()).orElseThrow()));
        }
        throw new AssertionError("there is no " + CHECK);
    }

    private Diagnosis diagnosis() {
        return new Diagnosis(layout, wake, Meter.USUAL, Set.of());
    }

    @Test
    void whatWasThoughtOfAheadChangesNothingOfWhatComesOfIt() {
        Suspects expected = diagnosis().all(evidence, () -> false);
        Diagnosis ahead = diagnosis();
        ahead.ahead(evidence.get(evidence.size() - 1).check(), () -> false);
        assertEquals(expected, ahead.all(evidence, () -> false));
        assertTrue(expected.list().get(0).share() > 0.5, expected.toString());
    }

    @Test
    void whatIsOvertakenIsGivenUpAtOnceAndGoneOnWith() {
        Diagnosis overtaken = diagnosis();
        AtomicInteger asked = new AtomicInteger();
        Check check = evidence.get(evidence.size() - 1).check();
        overtaken.ahead(check, () -> asked.incrementAndGet() > 100);
        assertEquals(101, asked.get());
        overtaken.ahead(wake.checks().get(0), () -> true);
        assertEquals(diagnosis().all(evidence, () -> false), overtaken.all(evidence, () -> false));
    }
}
