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

    @Test
    void tiltsAndTheMapByHand() {
        SampledDraft draft = SampledDraft.of(bench, RIG)
                .with(new Sample("X up", 0, List.of(1000.0)))
                .with(new Sample("X down", 0, List.of(-1000.0)));
        List<String> rows = draft.constants().stream()
                .filter(one -> one.isRow())
                .map(one -> one.name() + " " + one.value())
                .toList();
        assertEquals(2, rows.size());
        // Half of 1 g is 30°; a full one 90°, where the map has long been at its end.
        List<String> tilt = List.of(rows.get(0).replaceAll(".*\\{|\\}| ", "").split(","));
        assertEquals(
                List.of("-900", "-300", "0", "300", "900"),
                List.of(tilt.get(0), tilt.get(8), tilt.get(16), tilt.get(24), tilt.get(32)));
        // 30° of 45°, 3° of them dead: (30 − 3) / 42 is 64 %.
        List<String> map = List.of(rows.get(1).replaceAll(".*\\{|\\}| ", "").split(","));
        assertEquals(
                List.of("-100", "-64", "0", "64", "100"),
                List.of(map.get(0), map.get(8), map.get(16), map.get(24), map.get(32)));
    }
}
