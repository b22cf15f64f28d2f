package inkel.core.tune.display;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.BenchKind;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import inkel.core.tune.stand.Benches;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class DisplayBenchTest {
    private final DisplayBench bench = new DisplayBench();
    private final Rig letters = Seeds.rig(
            List.of("E"),
            Map.of("columns", 16.0, "rows", 2.0, "bytes", 32.0, "text", 1.0, "volts", 5.0, "lacks ~", 126.0));

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            DisplayDevice device = new DisplayDevice(letters, Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, letters, device);
            seeds.hold(draft, DisplayBench.CONTRAST, (device.faint + device.boxes) / 2);
            seeds.hold(draft, DisplayBench.TAKES, device.frame);
        }
        seeds.mustHoldMostly();
    }

    @Test
    void whatItLacksAndHoldsIsTold() {
        var told = SampledDraft.of(bench, letters).work().told();
        assertEquals("tune.display.letters", told.get(0).key());
        assertEquals("~", told.get(1).values().get("letters"));
    }

    @Test
    void picturesASecondAreOneOverTheirTime() {
        SampledDraft draft = SampledDraft.of(bench, letters).with(new Sample("frame", 0, List.of(0.05)));
        assertEquals(
                20,
                draft.work().result("frames_a_second").orElseThrow().estimate().value(),
                1e-9);
    }

    @Test
    void thePictureOnTheBusIsReckonedAtTheSlowerClock() {
        NodeCircuit node = Circuit.of(
                        Builds.classic()
                                .part("oled", "display-small-graphic", "VCC=board.3V3")
                                .wire("oled.SDA", "board.A4")
                                .wire("oled.SCL", "board.A5")
                                .build(),
                        Builds.CATALOG)
                .nodes()
                .get(0);
        Placed oled = node.part("oled").orElseThrow();
        SampledDraft draft =
                (SampledDraft) Benches.draft(node, oled, BenchKind.DISPLAY, Meter.USUAL, java.util.Optional.empty())
                        .orElseThrow();
        // (1100 + 1) bytes of nine clocks and two more at 400 kHz.
        assertEquals(
                9911 / 400e3,
                draft.work().result("frame_on_bus").orElseThrow().estimate().value(),
                1e-9);
        assertTrue(draft.bench().asks(draft.rig()).stream()
                .noneMatch(ask -> ask.key().equals("faint")));
    }
}
