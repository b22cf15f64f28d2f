package inkel.core.tune.motion;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MotionBenchTest {
    private static final Rig RIG = Seeds.rig(List.of("X", "Y", "Z"), Map.of("still", 1.0));
    private final MotionBench bench = new MotionBench();

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            MotionDevice device = new MotionDevice(Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, RIG, device);
            seeds.hold(draft, "x_offset", device.offset("X"));
            seeds.hold(draft, "z_codes_a_g", device.scale("Z"));
            seeds.hold(draft, "y_turn_zero", device.zero("Y"));
        }
        seeds.mustHoldMostly();
    }

    @Test
    void sixRestsByHand() {
        // +16,500 up and −16,300 down: the middle is 100, half the difference 16,400; a code is 9.80665/16,400 m/s².
        SampledDraft draft = SampledDraft.of(bench, RIG)
                .with(new Sample("X up", 0, List.of(16_500.0)))
                .with(new Sample("X down", 0, List.of(-16_300.0)));
        assertEquals(
                100, draft.work().result("x_offset").orElseThrow().estimate().value(), 1e-9);
        assertEquals(
                16_400,
                draft.work().result("x_codes_a_g").orElseThrow().estimate().value(),
                1e-9);
        assertEquals(
                5.9797e-4,
                draft.work().result("x_step_m_s2").orElseThrow().estimate().value(),
                1e-8);
    }
}
