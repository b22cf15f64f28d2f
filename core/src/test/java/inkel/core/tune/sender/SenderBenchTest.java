package inkel.core.tune.sender;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SenderBenchTest {
    private final SenderBench bench = new SenderBench();
    private final Rig rig = Seeds.rig(
            List.of("A"),
            Map.of(
                    "usual",
                    38e3,
                    "most",
                    0.05,
                    "ohms",
                    100.0,
                    "clock",
                    16e6,
                    "bits",
                    8.0,
                    "prescaler 1",
                    1.0,
                    "prescaler 8",
                    8.0));

    private double value(SampledDraft draft, String name) {
        return draft.work().result(name).orElseThrow().estimate().value();
    }

    @Test
    void theBestCarrierAndTheCurrentLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            SenderDevice device = new SenderDevice(rig, Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, rig, device);
            seeds.hold(draft, SenderBench.BEST, device.best);
            seeds.hold(draft, SenderBench.PULSE, device.flows);
        }
        seeds.mustHoldMostly();
    }

    @Test
    void reachWithoutNoiseGivesTheFiltersMiddle() {
        // Q of 8 about 36 kHz: at 38 kHz the light is 1/√(1 + 64·(38/36 − 36/38)²) = 0.756, and the reach its root.
        SampledDraft draft = SampledDraft.of(bench, rig);
        for (double hertz : new double[] {33e3, 35e3, 36.5e3, 38e3, 40e3}) {
            double x = hertz / 36e3 - 36e3 / hertz;
            double metres = 5 / Math.pow(1 + 64 * x * x, 0.25);
            draft = draft.with(new Sample("reach", hertz, List.of(metres, metres)));
        }
        assertEquals(5 * Math.sqrt(0.756), draft.samples().get(3).mean(), 0.01);
        assertEquals(36e3, value(draft, "best_carrier"), 1);
        // 16 MHz by 444 counts is too many for 8 bits; by 8 and 56 it is 35.71 kHz, by 8 and 55 it is 36.36 kHz.
        assertEquals(16e6 / 8 / 56, value(draft, "carrier_made"), 1);
        assertTrue(draft.work().told().stream().anyMatch(fact -> fact.key().equals("tune.sender.elsewhere")));
    }

    @Test
    void theCurrentOfBurstsByHand() {
        // 3 V over 100 Ω are 30 mA in a pulse; a third of it in a burst. Distance coding of address 1 and command 1: a
        // lead
        // of 9 ms and 33 marks of 562.5 µs are 27.5625 ms of marks, each 110 ms.
        SampledDraft draft = SampledDraft.of(bench, rig).with(new Sample("over", 0, List.of(3.0)));
        assertEquals(0.03, value(draft, "pulse_current"), 1e-12);
        assertEquals(0.03 * 0.33, value(draft, "burst_current"), 1e-12);
        assertEquals(0.03 * 0.33 * 27.5625 / 110, value(draft, "average_current"), 1e-9);
        // 16 ones and 16 zeros, since each byte goes with its inverse: 13.5 + 16·(1.125 + 2.25) + 0.5625 ms.
        assertEquals(0.0680625, value(draft, "message_takes"), 1e-9);
        assertEquals(27.5625 / 68.0625, value(draft, "marks_share"), 1e-9);
        // 38 kHz by 8 and 53 counts is 37.736 kHz: 8.745 µs on, 17.755 µs off.
        assertEquals(0.33 * 8 * 53 / 16e6, value(draft, "carrier_on"), 1e-12);
        assertEquals(0.67 * 8 * 53 / 16e6, value(draft, "carrier_off"), 1e-12);
        SampledDraft much = SampledDraft.of(bench, rig).with(new Sample("over", 0, List.of(5.1)));
        assertTrue(much.work().told().stream().anyMatch(fact -> fact.key().equals("tune.sender.much")));
        SampledDraft most = SampledDraft.of(bench, rig).with(new Sample("over", 0, List.of(5.0)));
        assertTrue(most.work().told().stream().noneMatch(fact -> fact.key().equals("tune.sender.much")));
    }

    @Test
    void theRigIsTheLampOfThePlan() {
        NodeCircuit node = Circuit.of(
                        Builds.classic()
                                .part("eye", "infrared-led")
                                .wire("eye.A", "board.D3")
                                .build(),
                        Builds.CATALOG)
                .nodes()
                .get(0);
        Rig of = bench.rig(node, node.part("eye").orElseThrow(), Meter.USUAL).orElseThrow();
        assertEquals(List.of("A"), of.pins());
        assertEquals(38e3, of.figure("usual"));
        assertEquals(16e6, of.figure("clock"));
        assertEquals(1, bench.asks(of).size(), "without a resistor there is nothing to read the current over");
    }
}
