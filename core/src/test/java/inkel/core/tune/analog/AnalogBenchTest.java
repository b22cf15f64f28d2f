package inkel.core.tune.analog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class AnalogBenchTest {
    private static AnalogRig rig() {
        NodeCircuit node = Circuit.of(
                        Builds.classic()
                                .part("knob", "knob", "VCC=board.5V")
                                .wire("knob.OUT", "board.A0")
                                .build(),
                        Builds.CATALOG)
                .nodes()
                .get(0);
        return AnalogRig.all(node, node.part("knob").orElseThrow()).get(0);
    }

    private static List<Run> runs(AnalogDevice device, int places) {
        return IntStream.range(0, places)
                .mapToObj(i -> device.answer(new AnalogDevice.Ask((i + 0.5) / places, 40, true)))
                .toList();
    }

    @Test
    void theRigIsTheConverterOfThePlan() {
        AnalogRig rig = rig();
        assertEquals(10, rig.group().bits());
        assertEquals("board.A0", rig.pin().toString());
        assertEquals(rig.fullScale() / 1024, rig.step(), 1e-12);
    }

    @Test
    void trueValuesLieInTheirIntervalsInNinetyFiveToNinetyNineOfAHundred() {
        AnalogRig rig = rig();
        int scale = 0;
        int offset = 0;
        int noise = 0;
        int seeds = 1000;
        for (int seed = 0; seed < seeds; seed++) {
            AnalogDevice device = new AnalogDevice(rig, Meter.USUAL, seed);
            AnalogFit fit = AnalogFit.of(runs(device, 5), Meter.USUAL).orElseThrow();
            scale += fit.scale().orElseThrow().holds(device.trueScale()) ? 1 : 0;
            offset += fit.offset().orElseThrow().holds(device.trueOffset()) ? 1 : 0;
            noise +=
                    fit.noise().filter(found -> found.holds(device.trueNoise())).isPresent() ? 1 : 0;
        }
        for (int held : List.of(scale, offset, noise)) {
            assertTrue(held >= 950 && held <= 990, "scale " + scale + " offset " + offset + " noise " + noise);
        }
    }

    @Test
    void theLineGoesThroughTwoKnownVolts() {
        // 100 codes are 0.5 V, 900 codes 4.5 V: 5 mV a code from 0 V, and 1024 codes are 5.12 V.
        List<Run> runs = List.of(
                new Run(List.of(99, 100, 101), Optional.of(0.5)), new Run(List.of(900, 900, 900), Optional.of(4.5)));
        AnalogFit fit = AnalogFit.of(runs, new Meter(60_000, 0, 0)).orElseThrow();
        assertEquals(0.005, fit.scale().orElseThrow().value(), 1e-12);
        assertEquals(0, fit.offset().orElseThrow().value(), 1e-12);
        assertEquals(5.12, fit.reference(1024).orElseThrow().value(), 1e-9);
        assertEquals(2.5, fit.volts(500).orElseThrow(), 1e-12);
        assertEquals(99, fit.low());
        assertEquals(900, fit.high());
        assertEquals(0, fit.worst(), 1e-12);
    }

    @Test
    void aMeterThatReadsTooHighByItsShareShowsInTheScaleAlone() {
        List<Run> runs = new ArrayList<>();
        for (int code : List.of(100, 300, 500, 700, 900)) {
            runs.add(new Run(List.of(code, code), Optional.of(code * 0.005)));
        }
        // Without digits and noise, 97 % of ±0.5 % are left, beside what rounding to codes may do.
        AnalogFit fit = AnalogFit.of(runs, new Meter(60_000, 0.005, 0)).orElseThrow();
        assertEquals(0.97 * 0.005 * 0.005, fit.scale().orElseThrow().off(), 0.05 * 0.005 * 0.005);
    }

    @Test
    void tooLittleSaysNothing() {
        assertEquals(Optional.empty(), AnalogFit.of(List.of(), Meter.USUAL));
        AnalogFit one = AnalogFit.of(List.of(new Run(List.of(500), Optional.of(2.5))), Meter.USUAL)
                .orElseThrow();
        assertEquals(Optional.empty(), one.noise());
        assertEquals(Optional.empty(), one.scale());
        assertEquals(Optional.empty(), one.effectiveBits(1024));
        Run same = new Run(List.of(500, 500), Optional.of(2.5));
        assertEquals(
                Optional.empty(),
                AnalogFit.of(List.of(same, same), Meter.USUAL).orElseThrow().scale(),
                "two runs at one code have no slope");
        // All codes alike: the noise is under half a code, and rounding hides it.
        assertEquals(
                Optional.empty(),
                AnalogFit.of(List.of(new Run(java.util.Collections.nCopies(50, 500), Optional.empty())), Meter.USUAL)
                        .orElseThrow()
                        .noise());
    }

    @Test
    void noiseTakesBitsAndAveragingGivesSomeBack() {
        // A standard deviation of 2 codes: log2(1024 / (2·√12)) is 7.21 bits; sixteen readings leave a quarter.
        List<Integer> codes = new ArrayList<>();
        java.util.Random random = new java.util.Random(1);
        for (int i = 0; i < 20_000; i++) {
            codes.add((int) Math.floor(500 + 2 * random.nextGaussian()));
        }
        AnalogFit fit = AnalogFit.of(List.of(new Run(codes, Optional.empty())), Meter.USUAL)
                .orElseThrow();
        assertEquals(2, fit.noise().orElseThrow().value(), 0.05);
        assertEquals(7.21, fit.effectiveBits(1024).orElseThrow(), 0.05);
        assertEquals(0.5, fit.averaged(16).orElseThrow(), 0.02);
    }
}
