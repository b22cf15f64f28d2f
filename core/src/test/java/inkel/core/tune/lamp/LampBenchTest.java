package inkel.core.tune.lamp;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.Constant;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class LampBenchTest {
    private final LampBench bench = new LampBench();
    private final Rig three = Seeds.rig(
            List.of("R", "G", "B"),
            Map.ofEntries(
                    Map.entry("R ohms", 330.0),
                    Map.entry("G ohms", 220.0),
                    Map.entry("B ohms", 220.0),
                    Map.entry("R volts", 5.0),
                    Map.entry("G volts", 5.0),
                    Map.entry("B volts", 5.0),
                    Map.entry("usual", 0.005),
                    Map.entry("most", 0.02),
                    Map.entry("turned", 1.0)));
    private final Rig one = Seeds.rig(
            List.of("A"), Map.of("A ohms", 220.0, "A volts", 5.0, "usual", 0.005, "most", 0.02, "turned", 0.0));

    private double value(SampledDraft draft, String name) {
        return draft.work().result(name).orElseThrow().estimate().value();
    }

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            LampDevice device = new LampDevice(three, Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, three, device);
            seeds.hold(draft, LampBench.GAMMA, device.gamma);
            seeds.hold(draft, "r_forward", device.forward.get("R"));
            seeds.hold(draft, "r_lamp_current", device.flows.get("R"));
            seeds.hold(draft, "b_balance", device.light.get("R") / device.light.get("B"));
        }
        seeds.mustHoldMostly();
    }

    @Test
    void currentAndResistorByHand() {
        // 3 V over 220 Ω is 13.64 mA; with 2 V over the lamp 3 V are left of 5 V: 5 mA want 600 Ω, the next that is
        // sold is 680 Ω.
        SampledDraft draft = SampledDraft.of(bench, one)
                .with(new Sample("A over", 0, List.of(3.0)))
                .with(new Sample("A lamp", 0, List.of(2.0)));
        assertEquals(0.013636, value(draft, "a_lamp_current"), 1e-6);
        assertEquals(680, value(draft, "a_resistor"), 1e-9);
        assertEquals(4.4, draft.work().told().get(0).values().get("flows"));
        assertEquals(1, draft.work().told().size());
    }

    @Test
    void moreThanItBearsIsToldAtTheExactLimit() {
        // 4.4 V over 220 Ω are 20 mA, which is what it bears.
        SampledDraft begun = SampledDraft.of(bench, one);
        assertTrue(
                begun.with(new Sample("A over", 0, List.of(4.4))).work().told().isEmpty());
        assertEquals(
                "tune.lamp.much",
                begun.with(new Sample("A over", 0, List.of(4.42)))
                        .work()
                        .told()
                        .get(0)
                        .key());
    }

    @Test
    void anEyeThatSeesByASquareGivesTwo() {
        SampledDraft draft = SampledDraft.of(bench, one)
                .with(new Sample("eye", 50, List.of(25.0)))
                .with(new Sample("eye", 20, List.of(4.0)))
                .with(new Sample("eye", 10, List.of(1.0)));
        assertEquals(2, value(draft, "gamma"), 1e-9);
        assertTrue(SampledDraft.of(bench, one)
                .with(new Sample("eye", 50, List.of(25.0)))
                .work()
                .result("gamma")
                .isEmpty());
    }

    @Test
    void theTableGoesFromDarkToFull() {
        // 255 · (1/3)² = 28.3 and 255 · (2/3)² = 113.3
        assertEquals(List.of(0L, 28L, 113L, 255L), LampBench.table(2, 4));
        SampledDraft draft = SampledDraft.of(bench, one).set("lamp_levels", 3);
        // 255 · 0.5^2.8 = 36.6
        assertTrue(draft.constants().stream()
                .filter(Constant::isRow)
                .anyMatch(row ->
                        row.name().equals("PIECE_DUTY_OF_LEVEL") && row.value().equals("{0, 37, 255}")));
    }

    @Test
    void aLampOnTheSupplyIsLitByALow() {
        assertTrue(SampledDraft.of(bench, three).constants().stream()
                .anyMatch(one ->
                        one.name().equals("PIECE_LAMP_LIGHTS") && one.value().equals("1")));
        assertTrue(SampledDraft.of(bench, one).constants().stream()
                .anyMatch(one ->
                        one.name().equals("PIECE_LAMP_LIGHTS") && one.value().equals("0")));
    }
}
