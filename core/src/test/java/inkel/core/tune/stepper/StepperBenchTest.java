package inkel.core.tune.stepper;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class StepperBenchTest {
    private static final Rig RIG = Seeds.rig(List.of("STEP", "DIR"), Map.of("sense_resistor", 1.0));
    private final StepperBench bench = new StepperBench();

    @Test
    void trueValuesAlwaysLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            StepperDevice device = new StepperDevice(Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, RIG, device);
            seeds.hold(draft, StepperBench.STEPS, device.steps);
            seeds.hold(draft, StepperBench.FASTEST, device.fastest);
        }
        seeds.mustHoldAlways();
    }

    @Test
    void byHand() {
        // 1600 steps turn it 180°: 3200 a turn. 0.1 Ω · 8 · 0.5 A = 0.4 V. It kept 400 Hz and lost at 600: 500 ± 100.
        SampledDraft draft = SampledDraft.of(bench, RIG)
                .with(new Sample("turned", 0, List.of(10.0)))
                .with(new Sample("turned", 1600, List.of(190.0)))
                .with(new Sample("kept", 400, List.of(1.0)))
                .with(new Sample("kept", 600, List.of(0.0)));
        // Each end is off by a degree at most: 178° to 182°, which is 3236.0 to 3164.8 a turn.
        assertEquals(
                3200.4,
                draft.work().result("steps_a_turn").orElseThrow().estimate().value(),
                0.01);
        assertEquals(
                35.56,
                draft.work().result("steps_a_turn").orElseThrow().estimate().off(),
                0.01);
        assertEquals(
                0.4, draft.work().result("limit_volts").orElseThrow().estimate().value(), 1e-12);
        assertEquals(
                500, draft.work().result("fastest").orElseThrow().estimate().value(), 1e-12);
        assertEquals(
                100, draft.work().result("fastest").orElseThrow().estimate().off(), 1e-12);
        assertEquals(
                300, draft.work().result("use_at_most").orElseThrow().estimate().value(), 1e-12);
    }

    @Test
    void aSpeedThatDidBothIsTold() {
        SampledDraft draft = SampledDraft.of(bench, RIG)
                .with(new Sample("kept", 600, List.of(1.0)))
                .with(new Sample("kept", 400, List.of(0.0)));
        assertEquals("tune.stepper.both", draft.work().told().get(0).key());
        assertTrue(draft.work().result("fastest").isEmpty());
    }
}
