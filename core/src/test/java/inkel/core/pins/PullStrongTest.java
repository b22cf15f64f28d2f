package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A probe sinks 4 mA at 0.4 V; the rail of 3.3 V reaches 3.4 V: (3.4 V − 0.4 V) / 4 mA = 750 Ω. */
class PullStrongTest {
    private static final String CODE = "levels.pull_strong";

    private static Builds probes(String... pulls) {
        Builds builds = Builds.dualCore();
        for (int i = 0; i < pulls.length; i++) {
            String id = "probe-" + (i + 1);
            builds.part(id, "temperature-water", "VDD=board.3V3")
                    .wire(id + ".DQ", "board.GP2")
                    .figure(id, "pull-up/DQ", pulls[i]);
        }
        return builds;
    }

    @Test
    void manyProbesOnOneLinePullTooHard() throws Exception {
        // Six of 4.7 kΩ are 783 Ω, seven 671 Ω.
        String[] six = {"4.7k", "4.7k", "4.7k", "4.7k", "4.7k", "4.7k"};
        RuleKit.quiet(probes(six), CODE);
        Builds seven = probes("4.7k", "4.7k", "4.7k", "4.7k", "4.7k", "4.7k", "4.7k");
        Finding finding = RuleKit.fires(seven, CODE);
        assertEquals(4700.0 / 7, RuleKit.si(finding, "pull"), 1e-6);
        assertEquals(750, RuleKit.si(finding, "pull_least"), 1e-6);
        RuleKit.everyWayOut(seven, CODE);
        assertEquals(1, RuleKit.way(finding, "pull-ups-off").edits().size(), "one of them is enough");
    }

    @ParameterizedTest
    @CsvSource({"750, 0", "749, 1", "1.5k 1.5k, 0", "1.5k 1.49k, 1"})
    void exactlyAsStrongAsMayBe(String pulls, int findings) {
        assertEquals(findings, probes(pulls.split(" ")).findings(CODE).size());
    }

    /** One of 600 Ω whose probe nothing feeds pulls at nothing. */
    @Test
    void whatIsNotFedDoesNotPull() {
        RuleKit.quiet(
                probes("4.7k")
                        .part("dead", "temperature-water")
                        .wire("dead.DQ", "board.GP2")
                        .figure("dead", "pull-up/DQ", "600"),
                CODE);
    }

    /** The strongest comes off first; one alone stays, and nothing is offered. */
    @Test
    void whatComesOff() throws Exception {
        Builds builds = probes("4.7k", "600", "4.7k");
        Fix off = RuleKit.way(RuleKit.fires(builds, CODE), "pull-ups-off");
        assertEquals(List.of("probe-2"), off.title().values().get("part"));
        assertEquals(
                List.of(),
                RuleKit.fires(probes("700"), CODE).fixes().stream().map(Fix::id).toList());
    }

    /** What drives both ways sinks what its class does not tell, and a bus has its own rule. */
    @Test
    void othersAreQuiet() {
        RuleKit.quiet(
                Builds.classic()
                        .part("bell", "button-pulled-up", "VCC=board.5V")
                        .wire("bell.S", "board.D2")
                        .part("clock", "clock-memory", "VCC=board.5V")
                        .wire("clock.SDA", "board.A4")
                        .wire("clock.SCL", "board.A5"),
                CODE);
    }
}
