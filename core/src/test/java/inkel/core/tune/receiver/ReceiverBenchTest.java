package inkel.core.tune.receiver;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.quantity.Fact;
import inkel.core.tune.Constant;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Seeds;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ReceiverBenchTest {
    private static final Rig RIG = Seeds.rig(List.of("CH1", "CH2"), Map.of());
    private final ReceiverBench bench = new ReceiverBench();

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            ReceiverDevice device = new ReceiverDevice(Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, RIG, device);
            seeds.hold(draft, "ch1_low", device.truth("CH1", "low"));
            seeds.hold(draft, "ch1_middle", device.truth("CH1", "middle"));
            seeds.hold(draft, "ch2_high", device.truth("CH2", "high"));
        }
        seeds.mustHoldMostly();
    }

    private static List<Double> micros(double... values) {
        List<Double> all = new ArrayList<>();
        for (double value : values) {
            all.add(value * 1e-6);
        }
        return all;
    }

    private SampledDraft draft() {
        return SampledDraft.of(bench, RIG);
    }

    private static List<String> told(SampledDraft draft) {
        return draft.work().told().stream().map(Fact::key).toList();
    }

    @Test
    void theDeadBandIsThreeDeviationsAndFourMicrosecondsAtLeast() {
        // 1500 ± 2: deviation √(4·4/3)… four values at ±2: s = √(16/3) = 2.3094, three of it 6.928.
        SampledDraft wide = draft().with(new Sample("CH1 middle", 0, micros(1498, 1502, 1498, 1502)));
        assertEquals(
                6.928e-6,
                wide.work().result("ch1_dead_band").orElseThrow().estimate().value(),
                1e-9);
        SampledDraft calm = draft().with(new Sample("CH1 middle", 0, micros(1500, 1500, 1500, 1501)));
        assertEquals(
                4e-6,
                calm.work().result("ch1_dead_band").orElseThrow().estimate().value(),
                1e-12);
    }

    @Test
    void aGlitchIsPutAsideAndCounted() {
        SampledDraft draft = draft().with(
                        new Sample("CH1 middle", 0, micros(1500, 1501, 1499, 640, 1500, 1501, 1499, 1500, 1501, 1500)));
        assertEquals(
                1500.1e-6,
                draft.work().result("ch1_middle").orElseThrow().estimate().value(),
                0.1e-6);
        Fact glitches = draft.work().told().get(0);
        assertEquals("tune.receiver.glitches", glitches.key());
        assertEquals(1, glitches.values().get("count"));
        assertEquals(0, glitches.values().get("median"));
        assertEquals(0, glitches.values().get("larger"));
    }

    @Test
    void aStickTheWrongWayAboutIsTold() {
        SampledDraft draft = draft().with(new Sample("CH1 low", 0, micros(1990, 1991)))
                .with(new Sample("CH1 middle", 0, micros(1500, 1501)));
        assertTrue(told(draft).isEmpty());
        assertEquals(
                List.of("tune.receiver.reversed"), told(draft.with(new Sample("CH1 high", 0, micros(1010, 1011)))));
        assertEquals(
                List.of("tune.receiver.reversed", "tune.receiver.not_between"),
                told(draft.with(new Sample("CH1 high", 0, micros(1600, 1601)))));
    }

    @Test
    void whatALostSignalDoesIsKept() {
        SampledDraft draft = draft().set("lost", 2);
        assertEquals(List.of("tune.receiver.holds"), told(draft));
        assertEquals("holds", draft.tuning().choice("lost").orElseThrow());
        assertEquals(List.of("tune.receiver.holds"), told(SampledDraft.of(bench, RIG, draft.tuning())));
    }

    @Test
    void aChannelThatIsNotReadAgainStaysAsItWasKept() {
        SampledDraft first = draft().with(new Sample("CH1 low", 0, micros(1010, 1011, 1012)))
                .with(new Sample("CH1 middle", 0, micros(1498, 1502, 1498, 1502)));
        SampledDraft next =
                SampledDraft.of(bench, RIG, first.tuning()).with(new Sample("CH2 low", 0, micros(990, 991, 992)));
        assertEquals(1011e-6, next.estimate("ch1_low").orElseThrow().value(), 1e-9);
        assertEquals(991e-6, next.estimate("ch2_low").orElseThrow().value(), 1e-9);
        assertTrue(next.tuning().numbers().containsKey("ch1_low"));
    }

    @Test
    void codeHasTheSameConstantsAfterTheyWereKept() {
        SampledDraft draft = draft().with(new Sample("CH1 middle", 0, micros(1498, 1502, 1498, 1502)));
        List<String> names = draft.constants().stream().map(Constant::name).toList();
        assertEquals(List.of("PIECE_CH1_MIDDLE_US", "PIECE_CH1_DEAD_BAND_US"), names);
        assertEquals(
                names,
                SampledDraft.of(bench, RIG, draft.tuning()).constants().stream()
                        .map(Constant::name)
                        .toList());
    }
}
