package inkel.core.tune.strip;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class StripBenchTest {
    private final StripBench bench = new StripBench();
    private final Rig rig = Seeds.rig(List.of("DIN"), Map.of("lamps", 60.0, "usual full", 3.6, "room", 2.0));

    private double value(SampledDraft draft, String name) {
        return draft.work().result(name).orElseThrow().estimate().value();
    }

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            StripDevice device = new StripDevice(rig, Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, rig, device);
            seeds.hold(draft, StripBench.DARK, device.dark);
            seeds.hold(draft, StripBench.FULL, device.full);
            for (int colour = 1; colour <= 3; colour++) {
                assertEquals(device.colours.indexOf(colour) + 1, value(draft, StripBench.PLACES.get(colour - 1)), 1e-9);
            }
        }
        seeds.mustHoldMostly();
    }

    @Test
    void theLevelThatASupplyBearsByHand() {
        // 40 mA dark and 3.1 A white: 12 mA a level. Of 2 A nine tenths are used: (1.8 − 0.04) / 0.012 = 146.7.
        SampledDraft draft = SampledDraft.of(bench, rig)
                .with(new Sample("flows", 0, List.of(0.04)))
                .with(new Sample("flows", 255, List.of(3.1)));
        assertEquals(146, value(draft, "brightness_most"), 1e-9);
        assertEquals(255, value(draft.set("strip_limit", 10), "brightness_most"), 1e-9);
        SampledDraft none = draft.set("strip_limit", 0.04);
        assertEquals(0, value(none, "brightness_most"), 1e-9);
        assertTrue(none.work().told().stream().anyMatch(fact -> fact.key().equals("tune.strip.none")));
    }

    @Test
    void twoBytesOfOneColourAreTold() {
        SampledDraft draft = SampledDraft.of(bench, rig)
                .with(new Sample("seen", 1, List.of(2.0)))
                .with(new Sample("seen", 2, List.of(2.0)));
        assertTrue(draft.work().results().isEmpty());
        assertTrue(draft.work().told().stream().noneMatch(fact -> fact.key().equals("tune.strip.twice")));
        SampledDraft third = draft.with(new Sample("seen", 3, List.of(3.0)));
        assertTrue(third.work().told().stream().anyMatch(fact -> fact.key().equals("tune.strip.twice")));
        assertTrue(third.work().results().isEmpty());
    }
}
