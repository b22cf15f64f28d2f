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
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ReceiverBenchTest {
    private static final Rig RIG = Seeds.rig(List.of("CH1", "CH2"), Map.of());
    private final ReceiverBench bench = new ReceiverBench();

    @Test
    void trueValuesLieInTheirIntervals() {
        Seeds seeds = new Seeds();
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            ReceiverDevice device = new ReceiverDevice(RIG, Seeds.of(seed));
            SampledDraft draft = Seeds.read(bench, RIG, device);
            seeds.hold(draft, "ch1_low", device.truth("CH1", "low"));
            seeds.hold(draft, "ch1_middle", device.truth("CH1", "middle"));
            seeds.hold(draft, "ch2_high", device.truth("CH2", "high"));
            for (int stick = 1; stick <= 2; stick++) {
                String id = device.sticks.get(stick - 1).toLowerCase(Locale.ROOT) + "_stick";
                assertEquals(
                        stick, draft.work().result(id).orElseThrow().estimate().value(), 1e-9);
            }
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

    private static List<Long> table(SampledDraft draft) {
        return draft.constants().stream()
                .filter(one -> one.name().equals("PIECE_CH1_MAP"))
                .flatMap(
                        one -> Arrays.stream(one.value().replaceAll("[{} ]", "").split(",")))
                .map(Long::parseLong)
                .toList();
    }

    @Test
    void theMapGoesFromEndToEndOverANarrowDeadBand() {
        // 1000, 1500 and 1900 µs without jitter: ±4 µs are dead. Halfway between the ends, at 1450 µs, it is (50 − 4) /
        // 496.
        SampledDraft draft = draft().with(new Sample("CH1 low", 0, micros(1000)))
                .with(new Sample("CH1 middle", 0, micros(1500, 1500, 1500)));
        assertEquals(List.of(), table(draft));
        SampledDraft whole = draft.with(new Sample("CH1 high", 0, micros(1900)));
        List<Long> percent = table(whole);
        assertEquals(33, percent.size());
        assertEquals(-100, percent.get(0));
        assertEquals(-9, percent.get(16));
        assertEquals(100, percent.get(32));
        // Bent wholly it is the cube of that: 0.0927³ is nothing, and the ends stay.
        List<Long> bent = table(whole.set("expo", 100));
        assertEquals(0, bent.get(16));
        assertEquals(List.of(-100L, 100L), List.of(bent.get(0), bent.get(32)));
        assertEquals(
                List.of(0L, 255L),
                List.of(
                        table(whole.set("map_to", 1)).get(0),
                        table(whole.set("map_to", 1)).get(32)));
        assertEquals(1000, table(whole.set("map_to", 2)).get(0));
    }

    @Test
    void aChannelTheWrongWayAboutIsPutRight() {
        SampledDraft draft = draft().with(new Sample("CH1 low", 0, micros(2000)))
                .with(new Sample("CH1 middle", 0, micros(1500, 1500, 1500)))
                .with(new Sample("CH1 high", 0, micros(1000)));
        assertEquals(-100, table(draft).get(0));
        assertEquals(0, table(draft).get(16));
        assertEquals(100, table(draft).get(32));
    }

    @Test
    void aStickThatMovesNothingIsTold() {
        SampledDraft draft = draft().with(new Sample("stick", 1, micros(1500, 1490, 1501, 1491, 1499, 1490)));
        assertEquals(List.of("tune.receiver.no_stick"), told(draft));
        SampledDraft moved = draft().with(new Sample("stick", 3, micros(1500, 1490, 1501, 1700, 1499, 1900)));
        assertEquals(
                3, moved.work().result("ch2_stick").orElseThrow().estimate().value(), 1e-9);
    }
}
