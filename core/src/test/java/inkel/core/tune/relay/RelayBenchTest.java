package inkel.core.tune.relay;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class RelayBenchTest {
    private static final Map<String, Double> FIGURES = Map.of("least", 4.0, "usual", 5.0);
    private final RelayBench bench = new RelayBench();

    private double value(SampledDraft draft, String name) {
        return draft.work().result(name).orElseThrow().estimate().value();
    }

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            RelayDevice device = new RelayDevice(Seeds.rig(List.of("IN"), FIGURES), Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, Seeds.rig(List.of("IN"), FIGURES), device);
            seeds.hold(draft, RelayBench.COIL, device.on);
            seeds.hold(draft, RelayBench.SAG, device.rest - device.on);
            seeds.hold(draft, RelayBench.CLOSING, device.closing);
            seeds.hold(draft, RelayBench.OPENING, device.opening);
            seeds.hold(draft, RelayBench.BOUNCE, device.bounce);
        }
        seeds.mustHoldMostly();
    }

    @Test
    void theWaitByHand() {
        // The slowest move took 9 ms and the longest bounce 2 ms; half as long again is 16.5 ms.
        SampledDraft draft = SampledDraft.of(bench, Seeds.rig(List.of("IN"), FIGURES))
                .with(new Sample("rest", 0, List.of(4.9)))
                .with(new Sample("on", 0, List.of(4.5)))
                .with(new Sample("closes", 0, List.of(0.008, 0.009)))
                .with(new Sample("opens", 0, List.of(0.004)))
                .with(new Sample("bounces", 0, List.of(0.001, 0.002)));
        assertEquals(0.0165, value(draft, "wait_after"), 1e-9);
        assertEquals(0.4, value(draft, "coil_sag"), 1e-9);
        assertTrue(draft.work().told().isEmpty());
        assertTrue(draft.constants().stream()
                .anyMatch(one ->
                        one.name().equals("PIECE_WAIT_AFTER_US") && one.value().equals("16500")));
    }

    @Test
    void aCoilThatGetsTooLittleIsToldAtTheExactLimit() {
        SampledDraft begun = SampledDraft.of(bench, Seeds.rig(List.of("IN"), FIGURES));
        assertTrue(begun.with(new Sample("on", 0, List.of(4.0))).work().told().isEmpty());
        assertEquals(
                "tune.relay.weak",
                begun.with(new Sample("on", 0, List.of(3.99)))
                        .work()
                        .told()
                        .get(0)
                        .key());
    }
}
