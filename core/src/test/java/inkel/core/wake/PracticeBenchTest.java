package inkel.core.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Meter;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PracticeBenchTest {
    private static final int FIRST = 7_000;
    private static final int BUILDS = 120;

    @Test
    void onAHealthyBenchEveryCheckHolds() throws Exception {
        List<String> outside = new ArrayList<>();
        int checks = 0;
        for (int seed = FIRST; seed < FIRST + BUILDS; seed++) {
            Build build = RandomBuilds.of(seed);
            boolean stops = Assessment.assess(build, Builds.CATALOG).findings().stream()
                    .anyMatch(finding -> finding.severity() == Severity.STOP);
            if (stops) {
                continue;
            }
            checks += hold(build, seed, outside);
        }
        assertTrue(checks > 400, "only " + checks);
        assertEquals(List.of(), outside);
    }

    /** Asks a healthy bench all it is checked for; what does not hold is told. */
    private static int hold(Build build, int seed, List<String> outside) {
        int checks = 0;
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        PracticeBench bench = new PracticeBench(circuit, WireList.of(circuit), Twist.NONE, Meter.USUAL, seed);
        for (NodeWake wake : WakePlan.of(circuit, Meter.USUAL).nodes()) {
            for (Check check : wake.checks()) {
                checks++;
                Optional<Answer> answer = bench.ask(check.asked());
                if (answer.filter(found -> Answers.isWell(check, found)).isEmpty()) {
                    outside.add(seed + " " + check.id() + ": " + answer);
                }
            }
        }
        return checks;
    }

    /** Also behind contacts, in a chain of them, and where a transistor moves one. */
    @Test
    void whatContactsSwitchHoldsToo() throws Exception {
        Builds chained = Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("first", "relay-one", "VCC=board.5V", "COM=twelve.+")
                .part("second", "relay-opto", "VCC=board.5V", "COM=first.NO")
                .part("lock", "solenoid", "V+=second.NO")
                .part("strip", "switch-transistor", "V+=first.NC");
        Builds bare = Builds.classic()
                .part("five", "wall-supply-5v")
                .part("relay", "relay-coil", "V+=board.5V", "COM=five.+")
                .part("pump", "pump-transistor", "V+=relay.NO")
                .between(new Between.CoilDriver(Builds.end("relay.IN"), Resistance.ofOhms(1000), Extras.NONE));
        Builds pulled = Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=twelve.+")
                .part("lock", "solenoid", "V+=switch.OUT+");
        List<String> outside = new ArrayList<>();
        for (int seed = 0; seed < 10; seed++) {
            hold(RandomBuilds.planned(pulled.build()), seed, outside);
            hold(RandomBuilds.planned(chained.build()), seed, outside);
            hold(RandomBuilds.planned(bare.build()), seed, outside);
        }
        assertEquals(List.of(), outside);
    }

    @Test
    void theSameSeedMakesTheSameBenchAndAnotherAnother() {
        assertEquals(readings(3), readings(3));
        assertNotEquals(readings(3), readings(4));
    }

    private static List<Optional<Answer>> readings(long seed) {
        Circuit circuit = Circuit.of(Builds.locks(), Builds.CATALOG);
        PracticeBench bench = new PracticeBench(circuit, WireList.of(circuit), Twist.NONE, Meter.USUAL, seed);
        return WakePlan.of(circuit, Meter.USUAL).nodes().get(0).checks().stream()
                .map(check -> bench.ask(check.asked()))
                .toList();
    }

    @Test
    void aMeterShowsWholeDigits() {
        for (Optional<Answer> reading : readings(9)) {
            if (reading.orElseThrow() instanceof Answer.Amount amount && Math.abs(amount.si()) > 2) {
                double hundredths = amount.si() * 100;
                assertEquals(Math.rint(hundredths), hundredths, 1e-6, amount.toString());
            }
        }
    }
}
