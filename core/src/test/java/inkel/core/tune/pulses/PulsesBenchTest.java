package inkel.core.tune.pulses;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PulsesBenchTest {
    private static final Rig WHEEL = Seeds.rig(List.of("SIG"), Map.of());
    private static final Rig EAR = Seeds.rig(List.of("ECHO"), Map.of("echo", 1.0, "longest", 0.038));
    private final PulsesBench bench = new PulsesBench();

    @Test
    void countsAlwaysLieInTheirInterval() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            PulsesDevice device = new PulsesDevice(false, Seeds.of(seed));
            seeds.hold(Seeds.read(bench, WHEEL, device), PulsesBench.PER, device.per);
        }
        seeds.mustHoldAlways();
    }

    @Test
    void whereAnEarBeginsLiesInItsInterval() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            PulsesDevice device = new PulsesDevice(true, Seeds.of(seed));
            seeds.hold(Seeds.read(bench, EAR, device), PulsesBench.BEGINS, device.begins);
        }
        seeds.mustHoldMostly();
    }

    @Test
    void gateTimeByHand() {
        // 450 pulses for one litre, 900 for two: 450 a litre, ±2/3. At 2 a minute 15 come a second: 100 of them take
        // 6.667 s.
        SampledDraft draft = SampledDraft.of(bench, WHEEL)
                .with(new Sample("amount", 1, List.of(450.0)))
                .with(new Sample("amount", 2, List.of(900.0)))
                .set("amount_a_minute", 2);
        assertEquals(
                450,
                draft.work().result("pulses_an_amount").orElseThrow().estimate().value(),
                1e-9);
        assertEquals(
                2.0 / 3,
                draft.work().result("pulses_an_amount").orElseThrow().estimate().off(),
                1e-9);
        assertEquals(
                6.6667,
                draft.work().result("least_gate").orElseThrow().estimate().value(),
                1e-3);
    }

    @Test
    void soundIsFasterInWarmAir() {
        // 331.3 + 0.606·20 = 343.42 m/s; an echo of 5824 µs is 1.00004 m, so that it begins at −0.04 mm.
        SampledDraft draft = SampledDraft.of(bench, EAR).with(new Sample("distance", 1, List.of(0.005824)));
        assertEquals(
                343.42,
                draft.work()
                        .result("speed_of_sound_m_s")
                        .orElseThrow()
                        .estimate()
                        .value(),
                1e-6);
        assertEquals(
                -0.00004,
                draft.work().result("begins_at").orElseThrow().estimate().value(),
                1e-5);
        // At 0 °C the same echo is 331.3·0.002912 = 0.96475 m.
        assertEquals(
                1 - 0.964746,
                draft.set("air", 0)
                        .work()
                        .result("begins_at")
                        .orElseThrow()
                        .estimate()
                        .value(),
                1e-5);
    }

    @Test
    void anAmountOfNothingSaysNothing() {
        SampledDraft draft = SampledDraft.of(bench, WHEEL).with(new Sample("amount", 0, List.of(0.0)));
        assertTrue(draft.work().results().isEmpty());
    }
}
