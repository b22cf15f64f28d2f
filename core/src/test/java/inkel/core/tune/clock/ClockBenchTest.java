package inkel.core.tune.clock;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ClockBenchTest {
    private final ClockBench bench = new ClockBench();

    @Test
    void theTrueDriftAlwaysLiesInItsInterval() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            ClockDevice device = new ClockDevice(Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, Seeds.rig(List.of(), Map.of()), device);
            seeds.hold(draft, ClockBench.DRIFT, device.drift);
            // Two comparisons a fortnight apart are a second a fortnight to both sides at most.
            assertTrue(draft.work()
                            .result(ClockBench.DRIFT)
                            .orElseThrow()
                            .estimate()
                            .off()
                    <= 1.0 / 14 + 1e-9);
        }
        seeds.mustHoldAlways();
    }

    @Test
    void driftByHand() {
        // 14 s in 7 days are 2 s a day, 2/86,400 = 23.15 millionths; ±½ s at both ends is ±1/7 s a day.
        SampledDraft draft = SampledDraft.of(bench, Seeds.rig(List.of(), Map.of()))
                .with(new Sample("against", 0, List.of(0.0)))
                .with(new Sample("against", 168, List.of(14.0)));
        assertEquals(
                2, draft.work().result("drift_s_a_day").orElseThrow().estimate().value(), 1e-12);
        assertEquals(
                1.0 / 7,
                draft.work().result("drift_s_a_day").orElseThrow().estimate().off(),
                1e-12);
        assertEquals(
                23.148,
                draft.work().result("drift_ppm").orElseThrow().estimate().value(),
                1e-3);
        // 60 / (2 + 1/7) = 28 days.
        assertEquals(28L, draft.work().told().get(0).values().get("days"));
    }
}
