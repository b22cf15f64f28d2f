package inkel.core.tune.out;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import inkel.core.quantity.Fact;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class OutBenchTest {
    private final OutBench bench = new OutBench();

    private Rig rig() {
        NodeCircuit node = Circuit.of(
                        Builds.classic()
                                .part("out", "dac-12-i2c", "VCC=board.5V")
                                .wire("out.SDA", "board.A4")
                                .wire("out.SCL", "board.A5")
                                .build(),
                        Builds.CATALOG)
                .nodes()
                .get(0);
        return bench.rig(node, node.part("out").orElseThrow(), Meter.USUAL).orElseThrow();
    }

    @Test
    void theRigIsTheConverterOfTheClass() {
        assertEquals(4096, rig().figure("codes"));
        assertEquals(5, rig().figure("full_scale"), 0.1);
    }

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        Rig rig = rig();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            OutDevice device = new OutDevice(rig, Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, rig, device);
            seeds.hold(draft, OutBench.SCALE, device.scale);
            seeds.hold(draft, OutBench.OFFSET, device.offset);
        }
        seeds.mustHoldMostly();
    }

    @Test
    void theTableSaysWhatACodeIsOffTheLineInSteps() {
        // 0 → 0 V, 2048 → 2.5 V, 4096 would be 5 V: a code is 1.2207 mV. At 1024 it reads 1.2598 V instead of about
        // 1.26 V.
        Rig exact = new Rig("Out", List.of("OUT"), Map.of("codes", 4096.0, "full_scale", 5.0), new Meter(60_000, 0, 0));
        SampledDraft draft = SampledDraft.of(bench, exact)
                .with(new Sample("out", 0, List.of(0.0)))
                .with(new Sample("out", 2048, List.of(2.5)))
                .with(new Sample("out", 4095, List.of(4.99878)));
        assertEquals(
                5.0, draft.work().result("reference").orElseThrow().estimate().value(), 1e-4);
        assertEquals(
                0, draft.work().result("worst_steps").orElseThrow().estimate().value(), 1e-2);
        Fact middle = draft.work().told().get(1);
        assertEquals(2048L, middle.values().get("code"));
        assertEquals(2500L, middle.values().get("wanted"));
        assertTrue(Math.abs((double) middle.values().get("off")) < 0.05);
    }

    @Test
    void aFrameBitByBit() {
        NodeCircuit node = Circuit.of(
                        Builds.classic()
                                .part("out", "dac-8-spi", "VDD=board.5V", "VREF=board.5V")
                                .wire("out.SCK", "board.D13")
                                .wire("out.SDI", "board.D11")
                                .wire("out.CS", "board.D10")
                                .build(),
                        Builds.CATALOG)
                .nodes()
                .get(0);
        Rig rig = bench.rig(node, node.part("out").orElseThrow(), Meter.USUAL).orElseThrow();
        // 165 is 1010 0101, between 0011 and four bits that do not count.
        assertEquals("00111010 01010000", OutBench.frame(rig, 165).orElseThrow());
        assertEquals("00110000 00000000", OutBench.frame(rig, 0).orElseThrow());
    }
}
