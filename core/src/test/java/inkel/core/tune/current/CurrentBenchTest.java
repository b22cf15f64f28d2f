package inkel.core.tune.current;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CurrentBenchTest {
    private final CurrentBench bench = new CurrentBench();

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            CurrentDevice device = new CurrentDevice(Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, Seeds.rig(List.of(), Map.of()), device);
            seeds.hold(draft, CurrentBench.FACTOR, device.factor());
            seeds.hold(draft, CurrentBench.ZERO, device.zero);
        }
        seeds.mustHoldMostly();
    }

    @Test
    void aShuntTwentyPercentTooSmallIsMultiplied() {
        // The meter shows 500 mA where the monitor says 400 mA: by 1.25, and 97 % of ±1 % of that beside rounding.
        SampledDraft draft = SampledDraft.of(bench, Seeds.rig(List.of(), Map.of()))
                .with(new Sample("amperes", 0, List.of(0.0)))
                .with(new Sample("amperes", 0.5, List.of(0.4)));
        assertEquals(
                1.25, draft.work().result("factor").orElseThrow().estimate().value(), 1e-9);
        assertEquals(
                0.97 * 0.0125,
                draft.work().result("factor").orElseThrow().estimate().off(),
                1e-4);
        assertEquals(
                1.25 * 0.02 * 0.97,
                draft.set("meter_off", 0.02)
                        .work()
                        .result("factor")
                        .orElseThrow()
                        .estimate()
                        .off(),
                1e-4);
    }

    @Test
    void oneCurrentSaysNothing() {
        SampledDraft draft =
                SampledDraft.of(bench, Seeds.rig(List.of(), Map.of())).with(new Sample("amperes", 0.5, List.of(0.4)));
        assertTrue(draft.work().results().isEmpty());
    }
}
