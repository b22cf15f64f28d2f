package inkel.core.tune.buzzer;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class BuzzerBenchTest {
    private final BuzzerBench bench = new BuzzerBench();
    private final Rig disc = Seeds.rig(
            List.of("S"),
            Map.of("usual", 2700.0, "clock", 16e6, "bits", 8.0, "prescaler 8", 8.0, "prescaler 64", 64.0));
    private final Rig beeper = Seeds.rig(List.of("S"), Map.of());

    private double value(SampledDraft draft, String name) {
        return draft.work().result(name).orElseThrow().estimate().value();
    }

    @Test
    void thePitchLiesInItsInterval() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            BuzzerDevice device = new BuzzerDevice(disc, Seeds.of(seed));
            seeds.hold(Seeds.read(bench, disc, device), BuzzerBench.PITCH, device.pitch);
        }
        seeds.mustHoldMostly();
    }

    @Test
    void theShortestBeepIsBetweenTwoThatWereTried() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            BuzzerDevice device = new BuzzerDevice(beeper, Seeds.of(seed));
            seeds.hold(Seeds.read(bench, beeper, device), BuzzerBench.SHORTEST, device.shortest);
        }
        seeds.mustHoldAlways();
    }

    @Test
    void aCurveWithoutNoiseGivesItsPeak() {
        // Loudest at 3000 Hz, with Q = 5: at 2700 Hz 1 / √(1 + 25·(0.9 − 1/0.9)²) = 0.6880 of that.
        SampledDraft draft = SampledDraft.of(bench, disc);
        for (double hertz : new double[] {2400, 2700, 3000, 3300, 3600}) {
            double x = hertz / 3000 - 3000 / hertz;
            double loud = 1000 / Math.sqrt(1 + 25 * x * x);
            draft = draft.with(new Sample("loud", hertz, List.of(loud, loud)));
        }
        assertEquals(687.9, draft.samples().get(1).mean(), 0.5);
        assertEquals(3000, value(draft, "loudest_at"), 0.01);
    }

    @Test
    void aPeakThatIsNotBetweenThePitchesIsNone() {
        SampledDraft draft = SampledDraft.of(bench, disc);
        for (double hertz : new double[] {1000, 1200, 1400, 1600}) {
            double x = hertz / 3000 - 3000 / hertz;
            double loud = 1000 / Math.sqrt(1 + 25 * x * x);
            draft = draft.with(new Sample("loud", hertz, List.of(loud, loud)));
        }
        assertTrue(draft.work().result("loudest_at").isEmpty());
    }

    @Test
    void aToneOfATimerByHand() {
        // 440 Hz: twice that off 16 MHz / 64 counts 284 and does not fit in 8 bits; another prescaler is not there, so
        // 1 kHz:
        // 16 MHz / 64 / 2000 = 125 counts exactly.
        SampledDraft even = SampledDraft.of(bench, disc).set("tone", 1000);
        assertEquals(1000, value(even, "tone_made"), 1e-9);
        assertEquals(0, value(even, "tone_off_cents"), 1e-9);
        assertEquals(0.0005, value(even, "tone_half"), 1e-12);
        SampledDraft low = SampledDraft.of(bench, disc).set("tone", 440);
        assertTrue(low.work().result("tone_made").isEmpty());
        // 2637 Hz: 16 MHz / 64 / 5274 = 47.40, so 47 counts: 2659.6 Hz, 14.8 cents high; by 8: 379 is too many.
        SampledDraft high = SampledDraft.of(bench, disc).set("tone", 2637);
        assertEquals(2659.57, value(high, "tone_made"), 0.01);
        assertEquals(14.76, value(high, "tone_off_cents"), 0.05);
    }

    @Test
    void aShorterOneThatWasHeardIsTold() {
        SampledDraft draft = SampledDraft.of(bench, beeper)
                .with(new Sample("heard", 0.01, List.of(1.0)))
                .with(new Sample("heard", 0.02, List.of(0.0)));
        assertTrue(draft.work().results().isEmpty());
        assertEquals("tune.buzzer.both", draft.work().told().get(0).key());
    }
}
