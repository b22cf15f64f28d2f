package inkel.core.loop;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Placed;
import inkel.core.kit.Builds;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class LoopReportTest {
    private static NodeLoop loop(Builds builds) {
        return builds.assess().reports().loops().nodes().get(0);
    }

    private static Visit visit(NodeLoop loop, String id) {
        return loop.visits().stream()
                .filter(one -> one.placed().id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void busTimesByHand() {
        NodeLoop loop = loop(Builds.classic()
                .part("oled", "display-small-graphic", "VCC=board.3V3")
                .wire("oled.SDA", "board.A4")
                .wire("oled.SCL", "board.A5")
                .part("knob", "knob", "V+=board.5V")
                .wire("knob.OUT", "board.A0")
                .part("heat", "temperature-water", "VDD=board.5V")
                .wire("heat.DQ", "board.D7"));
        // 1101 bytes of nine clocks and two more at 100 kHz; a conversion at 9.6 kHz; 750 ms of standing.
        assertEquals(0.09911, visit(loop, "oled").time().seconds(), 1e-9);
        assertEquals(1 / 9600.0, visit(loop, "knob").time().seconds(), 1e-9);
        assertEquals(0.75, visit(loop, "heat").time().seconds(), 1e-9);
        assertEquals(0.75 + 0.09911 + 1 / 9600.0, loop.together().seconds(), 1e-9);
        assertEquals(0.2, visit(loop, "oled").every().orElseThrow().seconds(), 1e-9);
        assertTrue(visit(loop, "knob").every().isEmpty());
    }

    @Test
    void spiGoesAtWhatAllOnTheBusTake() {
        Builds builds = Builds.classic()
                .part("dots", "display-graphic-84", "VCC=board.3V3")
                .wire("dots.CLK", "board.D13")
                .wire("dots.DIN", "board.D11")
                .wire("dots.CE", "board.D10");
        // 510 bytes at 4 MHz, which is 16 MHz by 4; at 250 kHz as chosen.
        assertEquals(510 * 8 / 4e6, visit(loop(builds), "dots").time().seconds(), 1e-12);
        assertEquals(
                510 * 8 / 250e3,
                visit(loop(builds.setting("board", "spi_clock", "250 kHz")), "dots")
                        .time()
                        .seconds(),
                1e-12);
    }

    @Test
    void aStripIsStoodAtOnlyWhereTheProgramTimesIt() {
        Builds strip =
                Builds.classic().part("strip", "led-strip-60", "V+=board.5V").wire("strip.DIN", "board.D6");
        assertEquals(0.0018, visit(loop(strip), "strip").time().seconds(), 1e-12);
        Builds other =
                Builds.dualCore().part("strip", "led-strip-60", "V+=board.5V").wire("strip.DIN", "board.G4");
        assertEquals(List.of(), loop(other).visits());
    }

    @Test
    void whatIsLeftForLaterOrNotWiredTakesNothing() {
        NodeLoop loop = loop(Builds.classic()
                .part("oled", "display-small-graphic", "VCC=board.3V3")
                .part("heat", "temperature-water", "VDD=board.5V")
                .setting("heat", "later", "yes"));
        assertEquals(List.of(), loop.visits());
    }

    /** The longest round by trying every way to begin the visits. */
    private static double shortest(List<Visit> visits, double base) {
        int[] each = visits.stream()
                .mapToInt(visit -> {
                    int most = (int)
                            Math.floor(visit.every().map(TimeSpan::seconds).orElse(base) / base + 1e-9);
                    return Math.min(64, Integer.highestOneBit(Math.max(1, most)));
                })
                .toArray();
        return shortest(visits, each, new int[visits.size()], 0);
    }

    private static double shortest(List<Visit> visits, int[] each, int[] from, int at) {
        if (at == from.length) {
            double longest = 0;
            for (int round = 0; round < 64; round++) {
                double sum = 0;
                for (int i = 0; i < from.length; i++) {
                    sum += round % each[i] == from[i] ? visits.get(i).time().seconds() : 0;
                }
                longest = Math.max(longest, sum);
            }
            return longest;
        }
        double best = Double.MAX_VALUE;
        for (from[at] = 0; from[at] < each[at]; from[at]++) {
            best = Math.min(best, shortest(visits, each, from, at + 1));
        }
        from[at] = 0;
        return best;
    }

    @Test
    void beginningApartIsAsGoodAsTryingEveryWay() {
        List<Placed> placed = new ArrayList<>(Builds.classic()
                .part("a", "knob")
                .part("b", "knob")
                .part("c", "knob")
                .part("d", "knob")
                .part("e", "knob")
                .assess()
                .reports()
                .circuit()
                .nodes()
                .get(0)
                .parts());
        placed.removeIf(one -> one.cls().outputs().size() > 0 || one.part().isBoard());
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(1000003L * seed);
            List<Visit> visits = new ArrayList<>();
            for (Placed one : placed) {
                visits.add(new Visit(
                        one,
                        TimeSpan.ofSeconds(1e-3 * (1 + random.nextInt(40))),
                        TimeSpan.ZERO,
                        random.nextInt(5) == 0
                                ? Optional.empty()
                                : Optional.of(Frequency.ofHertz(100.0 / (1 + random.nextInt(9))))));
            }
            Optional<Double> base = visits.stream()
                    .flatMap(visit -> visit.every().stream())
                    .map(TimeSpan::seconds)
                    .min(Double::compare);
            if (base.isPresent()) {
                assertEquals(
                        shortest(visits, base.get()),
                        NodeLoop.staggered(visits).worst().seconds(),
                        1e-9,
                        "seed " + seed);
            }
        }
    }
}
