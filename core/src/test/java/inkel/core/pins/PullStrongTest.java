package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
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

    private static Builds beside(Builds builds, double ohms) {
        return builds.between(new Between.PulledUp(Builds.end("probe-1.DQ"), Resistance.ofOhms(ohms), Extras.NONE));
    }

    /**
     * 820 Ω beside the wire and 4.7 kΩ are 698 Ω; the usual 4.7 kΩ will do there. Beside six of 4.7 kΩ only 17.6 kΩ are left, of
     * the series 18 kΩ.
     */
    @Test
    void aResistorBesideTheWireBecomesWeaker() throws Exception {
        Builds one = beside(probes("4.7k"), 820);
        assertEquals(Resistance.ofOhms(4700), weaker(one));
        RuleKit.everyWayOut(one, CODE);
        Builds many = beside(probes("4.7k", "4.7k", "4.7k", "4.7k", "4.7k", "4.7k"), 10e3);
        assertEquals(Resistance.ofOhms(18e3), weaker(many));
        RuleKit.everyWayOut(many, CODE);
        // Two beside one pin share what is left: 1 / 750 Ω less 1 / 1 kΩ and 1 / 100 kΩ, in halves, are 6.19 kΩ.
        Builds two = beside(probes("1k", "100k"), 4700)
                .between(new Between.PulledUp(Builds.end("probe-2.DQ"), Resistance.ofOhms(4700), Extras.NONE));
        assertEquals(Resistance.ofOhms(6800), weaker(two));
        RuleKit.everyWayOut(two, CODE);
        // Where the others alone are too strong, no value is weak enough.
        Builds others = beside(probes("600"), 10e3);
        assertEquals(
                List.of(),
                RuleKit.fires(others, CODE).fixes().stream()
                        .map(Fix::id)
                        .filter("pull-up-at-pin"::equals)
                        .toList());
    }

    private static Object weaker(Builds builds) {
        return RuleKit.way(RuleKit.fires(builds, CODE), "pull-up-at-pin")
                .title()
                .values()
                .get("value");
    }

    /** With a clock's 4.7 kΩ 1 kΩ are 825 Ω; at (5.25 V − 0.4 V) / 3 mA 1.62 kΩ are the least of a bus. */
    @Test
    void bothResistorsBesideABusBecomeWeaker() throws Exception {
        Builds bus = Builds.classic()
                .part("clock", "clock-memory", "VCC=board.5V")
                .wire("clock.SDA", "board.A4")
                .wire("clock.SCL", "board.A5")
                .between(new Between.PulledUp(Builds.end("clock.SCL"), Resistance.ofOhms(1000), Extras.NONE))
                .between(new Between.PulledUp(Builds.end("clock.SDA"), Resistance.ofOhms(1000), Extras.NONE));
        Finding finding = RuleKit.fires(bus, "i2c.pullup_strong");
        assertEquals(2, RuleKit.way(finding, "pull-up-at-pin").edits().size());
        RuleKit.everyWayOut(bus, "i2c.pullup_strong");
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
