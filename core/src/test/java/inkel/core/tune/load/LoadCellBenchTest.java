package inkel.core.tune.load;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.sample.Result;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class LoadCellBenchTest {
    private final LoadCellBench bench = new LoadCellBench();

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            LoadCellDevice device = new LoadCellDevice(Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, Seeds.rig(List.of("DT"), Map.of()), device);
            seeds.hold(draft, LoadCellBench.TARE, device.tare);
            seeds.hold(draft, LoadCellBench.SCALE, device.scale);
            seeds.hold(draft, LoadCellBench.NOISE, device.noise / Math.abs(device.scale));
        }
        seeds.mustHoldMostly();
    }

    @Test
    void tareAndScaleByHand() {
        // 1000 when empty, 201,000 with 500 g: 400 codes a gram; ten minutes later 201,200, which is half a gram more.
        SampledDraft draft = SampledDraft.of(bench, Seeds.rig(List.of("DT"), Map.of()))
                .with(new Sample("weight", 0, List.of(1000.0)))
                .with(new Sample("weight", 500, List.of(201_000.0)))
                .with(new Sample("later", 500, List.of(201_200.0)));
        assertEquals(1000, draft.work().result("tare").orElseThrow().estimate().value(), 1e-9);
        assertEquals(
                400,
                draft.work().result("codes_a_gram").orElseThrow().estimate().value(),
                1e-9);
        Result creep = draft.work().result("creep_g").orElseThrow();
        assertEquals(0.5, creep.estimate().value(), 1e-9);
        assertTrue(draft.work().told().stream().anyMatch(fact -> fact.key().equals("tune.load.creep")));
        assertTrue(draft.constants().stream()
                .anyMatch(one ->
                        one.name().equals("PIECE_CODES_A_GRAM") && one.value().equals("400")));
        assertTrue(draft.constants().stream().noneMatch(one -> one.name().contains("CREEP")));
    }

    @Test
    void oneWeightSaysNothing() {
        SampledDraft draft = SampledDraft.of(bench, Seeds.rig(List.of("DT"), Map.of()))
                .with(new Sample("weight", 500, List.of(201_000.0, 201_001.0)));
        assertTrue(draft.work().results().isEmpty());
    }
}
