package inkel.core.power;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.document.edit.Edit;
import inkel.core.formula.Bulk;
import inkel.core.kit.Builds;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Current;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Moments, the line they make, and moving them apart, held against plain simulation step by step. */
class MomentsTest {
    private static final Endpoint RAIL = end("four.+");

    private static Moment moment(
            String id, String part, String mode, double length, Double repeat, Double at, String... never) {
        return new Moment(
                id,
                id,
                List.of(new Moment.Raise(part, mode)),
                TimeSpan.ofSeconds(length),
                Optional.ofNullable(repeat).map(TimeSpan::ofSeconds),
                Optional.ofNullable(at).map(TimeSpan::ofSeconds),
                Set.of(never),
                Extras.NONE);
    }

    private static Builds modem() {
        return Builds.classic().part("four", "wall-supply-4v").part("modem", "text-modem", "VCC=four.+");
    }

    @Test
    void theLineShowsEveryBurst() {
        // Modem: 20 mA at rest; sending from 0.1 s to 0.12 s: 2 A for 577 µs every 4.615 ms, 350 mA between.
        NodeCircuit node =
                modem().moment(moment("text", "modem", "peak", 0.02, null, 0.1)).circuit();
        PeakLine line = new PeakLine(node);
        int bursts = 0;
        boolean was = false;
        for (int i = 0; i < 1300; i++) {
            double t = i * 1e-4 + 0.5e-4;
            double since = t - 0.1;
            boolean isSending = since >= 0 && since < 0.02;
            boolean isBurst = isSending && since % 4.615e-3 < 577e-6;
            double expected = isBurst ? 2 : isSending ? 0.350 : 0.020;
            assertEquals(expected, line.at(RAIL, t).amperes(), 1e-9, "at " + t);
            bursts += isBurst && !was ? 1 : 0;
            was = isBurst;
        }
        assertEquals(5, bursts, "20 ms hold five periods, the last cut short");
        List<PeakLine.Step> steps = line.steps(RAIL, 0, 0.13, 1000);
        assertEquals(
                5, steps.stream().filter(step -> step.current().amperes() > 1.9).count());
        assertEquals(3, line.steps(RAIL, 0, 0.13, 4).size(), "too many to draw: rest, a band at the height, rest");
    }

    /** Random moments: the line's steps against a plain reckoning every tenth of a millisecond. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void theLineIsThatOfAPlainReckoning(long seed) {
        Random random = new Random(seed);
        Builds builds = Builds.classic().part("six", "wall-supply-6v");
        int count = 3 + random.nextInt(3);
        List<double[]> plan = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            builds.part("servo-" + i, "servo-micro", "V+=six.+");
            double length = (1 + random.nextInt(40)) * 1e-3;
            double repeat = random.nextBoolean() ? (50 + random.nextInt(60)) * 1e-3 : 0;
            double at = random.nextInt(60) * 1e-3;
            boolean isPeak = random.nextBoolean();
            plan.add(new double[] {length, repeat, at, isPeak ? 0.750 : 0.250});
            builds.moment(
                    moment("m" + i, "servo-" + i, isPeak ? "peak" : "active", length, repeat == 0 ? null : repeat, at));
        }
        NodeCircuit node = builds.circuit();
        PeakLine line = new PeakLine(node);
        double round = line.length();
        List<PeakLine.Step> steps = line.steps(end("six.+"), 0, round, 10_000);
        double highest = 0;
        for (double t = 0.5e-4; t < round; t += 1e-4) {
            double expected = 0;
            for (double[] one : plan) {
                expected += isOn(one, t, round) ? one[3] : 0.010;
            }
            highest = Math.max(highest, expected);
            assertEquals(expected, line.at(end("six.+"), t).amperes(), 1e-9, "at " + t);
            assertEquals(expected, stepAt(steps, t), 1e-9, "step at " + t);
        }
        assertEquals(highest, node.rail(end("six.+")).orElseThrow().peak().amperes(), 1e-9, "the rail's peak");
    }

    private static boolean isOn(double[] one, double t, double round) {
        if (t < one[2]) {
            return false;
        }
        if (one[1] == 0) {
            return t - one[2] < one[0];
        }
        double since = t - one[2];
        return since % one[1] < one[0] || one[1] <= one[0];
    }

    private static double stepAt(List<PeakLine.Step> steps, double t) {
        double current = Double.NaN;
        for (PeakLine.Step step : steps) {
            current = step.from() <= t ? step.current().amperes() : current;
        }
        return current;
    }

    /** Every subset of moments that may coincide, tried out one by one. */
    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14, 15})
    void theWorstSetIsThatOfTryingAll(long seed) {
        Random random = new Random(seed);
        int count = 6;
        Builds builds = Builds.classic().part("six", "wall-supply-6v");
        boolean[][] apart = new boolean[count][count];
        for (int i = 0; i < count; i++) {
            builds.part("servo-" + i, "servo-micro", "V+=six.+");
            builds.figure("servo-" + i, "current/V+/peak", (300 + random.nextInt(500)) + " mA");
        }
        for (int i = 0; i < count; i++) {
            List<String> never = new ArrayList<>();
            for (int j = 0; j < i; j++) {
                if (random.nextInt(3) == 0) {
                    never.add("m" + j);
                    apart[i][j] = true;
                    apart[j][i] = true;
                }
            }
            builds.moment(moment("m" + i, "servo-" + i, "peak", 1, null, null, never.toArray(String[]::new)));
        }
        NodeCircuit node = builds.circuit();
        double worst = 0;
        for (int set = 0; set < 1 << count; set++) {
            double sum = 0;
            boolean mayBe = true;
            for (int i = 0; i < count; i++) {
                boolean isOn = (set >> i & 1) == 1;
                sum += isOn
                        ? node.part("servo-" + i).orElseThrow().cls().peak("V+").amperes()
                        : 0.010;
                for (int j = 0; j < i && isOn; j++) {
                    mayBe &= (set >> j & 1) == 0 || !apart[i][j];
                }
            }
            worst = mayBe ? Math.max(worst, sum) : worst;
        }
        assertEquals(worst, node.rail(end("six.+")).orElseThrow().peak().amperes(), 1e-9);
    }

    @Test
    void thePartsOfTheWorstMomentAddUpToIt() {
        NodeCircuit node = Circuit.of(Builds.locks(), CATALOG).nodes().get(0);
        node.rails()
                .forEach(rail -> assertEquals(
                        rail.peak().amperes(),
                        rail.loads().stream()
                                .mapToDouble(load -> load.atWorst().amperes())
                                .sum(),
                        1e-9,
                        rail.id().toString()));
    }

    /** ΔV = I·(ESR + t/C) against an integration in steps of a microsecond. */
    @ParameterizedTest
    @CsvSource({"0.5, 577e-6, 680e-6, 0.05", "1.5, 577e-6, 2200e-6, 0.1", "0.3, 1e-3, 470e-6, 0"})
    void theDroopIsThatOfAnIntegration(double excess, double time, double farads, double esr) {
        double charge = 0;
        double step = 1e-6;
        double lowest = 0;
        for (double t = 0; t < time - step / 2; t += step) {
            charge += excess * step;
            lowest = Math.max(lowest, charge / farads + excess * esr);
        }
        Voltage droop = Bulk.droop(
                Current.ofAmperes(excess),
                TimeSpan.ofSeconds(time),
                Capacitance.ofFarads(farads),
                Resistance.ofOhms(esr));
        assertEquals(lowest, droop.volts(), excess * step / farads + 1e-9);
        Capacitance back = Bulk.needed(
                        Current.ofAmperes(excess), TimeSpan.ofSeconds(time), droop, Resistance.ofOhms(esr))
                .orElseThrow();
        assertEquals(farads, back.farads(), farads * 1e-9);
    }

    @Test
    void momentsAreMovedApartAsLittleAsMayBe() throws Exception {
        // Three servos of 750 mA on a supply of 1.6 A (the others rest at 10 mA): two may move, three may not. All want
        // to
        // start at once for 1 s; the least that fits is to put one of them a second later.
        Builds builds = Builds.classic().part("six", "wall-supply-6v").figure("six", "rail/+/rating", "1.6 A");
        for (int i = 0; i < 3; i++) {
            builds.part("servo-" + i, "servo-micro", "V+=six.+");
            builds.moment(moment("m" + i, "servo-" + i, "peak", 1, null, 0.0));
        }
        Build build = builds.build();
        assertEquals(
                1,
                builds.findings("power.source_over").stream()
                        .filter(finding -> finding.place().part().equals("six"))
                        .count());
        List<Edit> edits = Stagger.of(builds.circuit()).orElseThrow();
        Build after = Edit.applyAll(build, edits);
        double delay = after.nodes().get(0).moments().stream()
                .mapToDouble(moment -> moment.at().orElseThrow().seconds())
                .sum();
        assertEquals(1.0, delay, 1e-3);
        NodeCircuit moved = Circuit.of(after, CATALOG).nodes().get(0);
        assertEquals(1.51, moved.rail(end("six.+")).orElseThrow().peak().amperes(), 1e-9);
    }

    /** Small cases tried out in full: no smaller total delay fits, on a grid of the lengths. */
    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24})
    void noSmallerDelayFits(long seed) throws Exception {
        Random random = new Random(seed);
        int count = 3;
        int[] lengths = new int[count];
        double[] amperes = new double[count];
        Builds builds = Builds.classic().part("six", "wall-supply-6v").figure("six", "rail/+/rating", "1 A");
        for (int i = 0; i < count; i++) {
            lengths[i] = 1 + random.nextInt(4);
            amperes[i] = 0.3 + random.nextInt(6) / 10.0;
            builds.part("servo-" + i, "servo-micro", "V+=six.+");
            builds.figure("servo-" + i, "current/V+/peak", Math.round(amperes[i] * 1000) + " mA");
            builds.moment(moment("m" + i, "servo-" + i, "peak", lengths[i], null, 0.0));
        }
        List<Edit> edits = Stagger.of(builds.circuit()).orElseThrow();
        Build after = Edit.applyAll(builds.build(), edits);
        double delay = after.nodes().get(0).moments().stream()
                .mapToDouble(moment -> moment.at().orElseThrow().seconds())
                .sum();
        double least = Double.MAX_VALUE;
        for (int a = 0; a <= 10; a++) {
            for (int b = 0; b <= 10; b++) {
                for (int c = 0; c <= 10; c++) {
                    int[] starts = {a, b, c};
                    if (fits(starts, lengths, amperes)) {
                        least = Math.min(least, a + b + c);
                    }
                }
            }
        }
        assertEquals(least, delay, 0.01);
        assertTrue(Circuit.of(after, CATALOG)
                        .nodes()
                        .get(0)
                        .rail(end("six.+"))
                        .orElseThrow()
                        .peak()
                        .amperes()
                <= 1 + 1e-9);
    }

    private static boolean fits(int[] starts, int[] lengths, double[] amperes) {
        for (int t = 0; t < 20; t++) {
            double sum = 0;
            for (int i = 0; i < starts.length; i++) {
                sum += starts[i] <= t && t < starts[i] + lengths[i] ? amperes[i] : 0.010;
            }
            if (sum > 1 + 1e-9) {
                return false;
            }
        }
        return true;
    }

    @Test
    void oneMomentThatIsTooMuchAloneCannotBeMovedAway() {
        Builds builds = Builds.classic()
                .part("six", "wall-supply-6v")
                .figure("six", "rail/+/rating", "500 mA")
                .part("servo", "servo-micro", "V+=six.+")
                .moment(moment("swing", "servo", "peak", 1, null, 0.0));
        assertTrue(Stagger.of(builds.circuit()).isEmpty());
        assertTrue(Stagger.of(Builds.classic().circuit()).isEmpty(), "no moments, nothing to move");
    }

    @Test
    void repeatsAreHeldApartOverTheWholeRound() throws Exception {
        // Two radios that send 20 ms every 100 ms, 40 mA each on 50 mA: the second has to wait 20 ms.
        Builds builds = Builds.classic();
        for (String id : List.of("one", "two")) {
            builds.part(id, "packet-radio", "VCC=board.3V3").figure(id, "current/VCC/peak", "40 mA");
            builds.moment(moment(id + "-sends", id, "peak", 0.02, 0.1, 0.0));
        }
        Build after = Edit.applyAll(builds.build(), Stagger.of(builds.circuit()).orElseThrow());
        NodeCircuit node = Circuit.of(after, CATALOG).nodes().get(0);
        assertEquals(0.04032, node.rail(end("board.3V3")).orElseThrow().peak().amperes(), 1e-9);
        assertEquals(
                0.02,
                after.nodes().get(0).moments().stream()
                        .mapToDouble(moment -> moment.at().orElseThrow().seconds())
                        .sum(),
                1e-3);
    }

    @Test
    void theAverageFollowsTheMomentsThatRepeat() {
        // 40 mA for 20 ms of every 100 ms, 0.32 mA else: 8.256 mA.
        Builds builds = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .figure("radio", "current/VCC/peak", "40 mA")
                .moment(moment("sends", "radio", "peak", 0.02, 0.1, null));
        assertEquals(
                0.2 * 0.040 + 0.8 * 0.00032,
                builds.circuit().rail(end("board.3V3")).orElseThrow().average().amperes(),
                1e-9);
    }
}
