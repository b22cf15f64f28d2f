package inkel.core.tune.analog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.document.Meter;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Point;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
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
        int drift = 0;
        int seeds = 1000;
        for (int seed = 0; seed < seeds; seed++) {
            AnalogDevice device = new AnalogDevice(rig, Meter.USUAL, seed);
            AnalogFit fit = AnalogFit.of(runs(device, 5), Meter.USUAL).orElseThrow();
            scale += fit.scale().orElseThrow().holds(device.trueScale()) ? 1 : 0;
            offset += fit.offset().orElseThrow().holds(device.trueOffset()) ? 1 : 0;
            noise +=
                    fit.noise().filter(found -> found.holds(device.trueNoise())).isPresent() ? 1 : 0;
            drift += fit.drift().orElseThrow().holds(device.trueDrift()) ? 1 : 0;
        }
        for (int held : List.of(scale, offset, noise, drift)) {
            assertTrue(
                    held >= 950 && held <= 990,
                    "scale " + scale + " offset " + offset + " noise " + noise + " drift " + drift);
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

    @Test
    void whatRisesSteadilyIsDriftAndNoNoise() {
        List<Integer> codes =
                IntStream.range(0, 100).map(i -> 500 + i / 2).boxed().toList();
        AnalogFit fit = AnalogFit.of(List.of(new Run(codes, Optional.empty())), Meter.USUAL)
                .orElseThrow();
        assertEquals(0.5, fit.drift().orElseThrow().value(), 0.001);
        assertTrue(fit.isDrifting());
        assertEquals(Optional.empty(), fit.noise(), "beside the line there is rounding alone");
        List<Integer> still = List.of(500, 501, 500, 501, 501, 500, 501, 500);
        assertFalse(AnalogFit.of(List.of(new Run(still, Optional.empty())), Meter.USUAL)
                .orElseThrow()
                .isDrifting());
        // Two places are no drift: each run is held against its own mean.
        List<Run> apart = List.of(
                new Run(List.of(100, 100, 101, 100), Optional.empty()),
                new Run(List.of(900, 901, 900, 900), Optional.empty()));
        assertFalse(AnalogFit.of(apart, Meter.USUAL).orElseThrow().isDrifting());
    }

    private static AnalogSignal at(AnalogRig rig, int code) {
        return AnalogSignal.of(rig, Meter.USUAL).with(new Run(List.of(code), Optional.empty()));
    }

    @Test
    void theNarrowestRangeWithATenthToSpareIsChosen() {
        // 5 V or 1.1 V. Code 203 ends at 204 · 5 / 1024 = 0.996 V, which is 1.096 V with a tenth; 204 is 1.101 V.
        AnalogRig rig = rig();
        assertEquals(List.of(5.0, 1.1), rig.ranges());
        assertEquals(Optional.of(1.1), at(rig, 203).range());
        assertEquals(Optional.of(5.0), at(rig, 204).range());
        assertEquals(Optional.empty(), at(rig, 1000).range(), "4.89 V have no tenth below 5 V");
        assertEquals(Optional.empty(), AnalogSignal.of(rig, Meter.USUAL).range());
    }

    /** A thermistor by its beta of 3950 K from 10 kΩ at 25 °C, with 10 kΩ at the supply, on ten bits. */
    private static Point reading(double celsius) {
        double ohms = 10e3 * Math.exp(3950 * (1 / (celsius + 273.15) - 1 / 298.15));
        return new Point(1024 * ohms / (ohms + 10e3) - 0.5, celsius);
    }

    @Test
    void aThermistorFollowsItsCurveBetweenThreePoints() {
        Divider divider = new Divider(10e3, true);
        // What has one beta is a curve without a cubic term, so that each place between is right too.
        AnalogSignal three = AnalogSignal.of(rig(), Meter.USUAL)
                .divided(Optional.of(divider))
                .meaning(List.of(reading(60), reading(25), reading(0)), "°C");
        for (double celsius : new double[] {0, 10, 25, 40, 60}) {
            assertEquals(celsius, three.meant(reading(celsius).x()).orElseThrow(), 1e-6);
        }
        assertEquals(1 / 3950.0, three.curve().orElseThrow().b(), 1e-9);
        assertEquals(Optional.empty(), three.worstBeside());
        // By hand: half way in codes from 25 °C (511.5) to 60 °C (203.4) is 357.4, 5.375 kΩ, 39.7 °C; a straight line
        // says 42.5 °C, 2.8 K more.
        double middle = (reading(60).x() + reading(25).x()) / 2;
        assertEquals(39.7, three.meant(middle).orElseThrow(), 0.1);
        assertEquals(2.9, three.straightOff().orElseThrow(), 0.1);
        assertEquals(Optional.empty(), three.meant(1023.6), "beyond the supply there is no resistance");
        // A point of a slipped hand shows beside the curve through the others.
        Point slipped = new Point(reading(40).x(), 43);
        AnalogSignal four = three.meaning(List.of(reading(60), slipped, reading(25), reading(0)), "°C");
        assertEquals(3, four.worstBeside().orElseThrow(), 0.01);
        assertEquals(
                Optional.empty(),
                three.meaning(List.of(reading(60), reading(0)), "°C").curve());
        assertEquals(4e3, new Divider(1e3, true).ohms(0.8), 1e-9);
        assertEquals(250, new Divider(1e3, false).ohms(0.8), 1e-9);
    }

    private static AnalogRig legs(Builds builds) throws Exception {
        NodeCircuit node = builds.circuit();
        return AnalogRig.all(node, node.part("warm").orElseThrow()).get(0);
    }

    /** The resistor beside its wire, and the side it is on, stand in the plan. */
    @Test
    void aSensorOfTwoLegsComesWithItsDivider() throws Exception {
        Builds above = Builds.classic()
                .part("warm", "thermistor-legs")
                .wire("warm.A", "board.A0")
                .between(new Between.PulledUp(Builds.end("warm.A"), Resistance.ofOhms(12e3), Extras.NONE));
        assertEquals(Optional.of(new Divider(12e3, true)), legs(above).divider());
        assertEquals(5, legs(above).over(), 1e-9);
        Builds below = Builds.powered(Builds.CATALOG.get("board-wireless-3v3"))
                .part("warm", "thermistor-legs", "B=board.3V3")
                .wire("warm.A", "board.D34")
                .between(new Between.PulledDown(Builds.end("warm.A"), Resistance.ofOhms(10e3), Extras.NONE));
        assertEquals(Optional.of(new Divider(10e3, false)), legs(below).divider());
        assertEquals(3.3, legs(below).over(), 1e-9);
        assertEquals(Optional.empty(), rig().divider());
    }

    @Test
    void bothSignalsOfAStickAreKeptApart() {
        NodeCircuit node = Circuit.of(
                        Builds.classic()
                                .part("stick", "joystick", "+5V=board.5V")
                                .wire("stick.VRX", "board.A0")
                                .wire("stick.VRY", "board.A1")
                                .wire("stick.SW", "board.A2")
                                .build(),
                        Builds.CATALOG)
                .nodes()
                .get(0);
        List<AnalogRig> rigs = AnalogRig.all(node, node.part("stick").orElseThrow());
        AnalogDraft draft = AnalogDraft.of(rigs, Meter.USUAL, Optional.empty());
        // 9.6 kHz shared by two; sixteen readings of each take 3.33 ms. The press of the stick goes to no converter.
        assertEquals(4800, draft.signal().rate(), 1e-9);
        assertEquals(16 / 4800.0, draft.signal().averaged(16).delay(), 1e-12);
        AnalogDraft both = draft.with(draft.signal().with(new Run(List.of(10, 12), Optional.empty())))
                .turned(1);
        both = both.with(both.signal()
                .with(new Run(List.of(900), Optional.empty()))
                .meaning(List.of(new Point(0, -100), new Point(1023, 100)), "%"));
        Tuning kept = both.tuning();
        assertEquals(10, kept.number("vrx_lowest_code").orElseThrow().si());
        assertEquals(900, kept.number("vry_lowest_code").orElseThrow().si());
        AnalogDraft back = AnalogDraft.of(rigs, Meter.USUAL, Optional.of(kept));
        assertEquals(kept, back.tuning());
        assertEquals(12, back.signal().fit().orElseThrow().high());
        assertEquals("%", back.turned(1).signal().unit());
        // What was kept before there were two stands for the first.
        Tuning old = new Tuning(
                kept.bench(),
                java.util.Map.of(
                        "lowest_code",
                        kept.numbers().get("vrx_lowest_code"),
                        "highest_code",
                        kept.numbers().get("vrx_highest_code")),
                java.util.Map.of(),
                java.util.Map.of(),
                java.util.Map.of(),
                java.util.Map.of());
        AnalogDraft former = AnalogDraft.of(rigs, Meter.USUAL, Optional.of(old));
        assertEquals(10, former.signal().fit().orElseThrow().low());
        assertEquals(Optional.empty(), former.turned(1).signal().fit());
        // Where only the second was wired it was that one's.
        AnalogDraft second = AnalogDraft.of(rigs.subList(1, 2), Meter.USUAL, Optional.of(old));
        assertEquals(10, second.signal().fit().orElseThrow().low());
        assertTrue(both.constants().stream().anyMatch(one -> one.name().endsWith("_VRY_POINT_1_CODE")));
    }
}
