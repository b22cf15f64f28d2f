package inkel.core.tune.sample;

import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Meter;
import inkel.core.tune.Device;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Counts over a thousand simulated pieces whether what a bench says of them is true. */
public final class Seeds {
    public static final int COUNT = 1000;

    private final Map<String, Integer> held = new TreeMap<>();

    /** Seeds that have nothing in common: neighbours would all begin with nearly the same chance. */
    public static long of(int number) {
        return new SplittableRandom(number).nextLong();
    }

    public static Rig rig(List<String> pins, Map<String, Double> figures) {
        return new Rig("Piece", pins, figures, Meter.USUAL);
    }

    /** Every ask once, or once for each thing that is put there; the rest as usual. */
    public static SampledDraft read(SampledBench bench, Rig rig, Device<SampledBench.Question, List<Double>> device) {
        SampledDraft draft = SampledDraft.of(bench, rig);
        for (Ask ask : bench.asks(rig)) {
            for (double known : ask.known().map(Ask.Known::practised).orElse(List.of(0.0))) {
                draft = draft.with(
                        new Sample(ask.id(), known, device.answer(new SampledBench.Question(ask, known, ask.usual()))));
            }
        }
        return draft;
    }

    public void hold(SampledDraft draft, String result, double truth) {
        Result found = draft.work()
                .result(result)
                .orElseThrow(() -> new AssertionError(result + " is not in "
                        + draft.work().results().stream().map(Result::id).collect(Collectors.toList())));
        held.merge(result, found.estimate().holds(truth) ? 1 : 0, Integer::sum);
    }

    /** As noise limits it: in 95 to 99 of 100. */
    public void mustHoldMostly() {
        held.forEach((name, count) ->
                assertTrue(count >= 0.95 * COUNT && count <= 0.99 * COUNT, name + " held in " + count));
    }

    /** As a step limits it. */
    public void mustHoldAlways() {
        held.forEach((name, count) -> assertTrue(count == COUNT, name + " held in " + count));
    }
}
