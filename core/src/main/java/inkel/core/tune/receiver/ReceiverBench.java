package inkel.core.tune.receiver;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.SampleBand;
import inkel.core.quantity.Fact;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Means;
import inkel.core.tune.sample.Result;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledBench;
import inkel.core.tune.sample.Setting;
import inkel.core.tune.sample.Wired;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Pulses of each channel with the stick at one end, let go, and at the other end. Jitter is the sample deviation of the middle,
 * glitches put aside; the dead band is three times that, and 4 µs at least.
 */
public final class ReceiverBench implements SampledBench {
    static final String LOW = "low";
    static final String MIDDLE = "middle";
    static final String HIGH = "high";
    static final String JITTER = "jitter";
    static final String DEAD = "dead_band";
    static final String LOST = "lost";

    /** What a receiver does when its sender is switched off. */
    private static final List<String> LOSSES = List.of("untried", "silent", "holds", "place");

    private static final int USUAL = 50;
    private static final double MICRO = 1e-6;
    private static final double JITTERS = 3;
    private static final double LEAST_DEAD = 4e-6;

    @Override
    public BenchKind kind() {
        return BenchKind.RC_RECEIVER;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<String> pins = Wired.pins(node, part, pin -> pin.use() == PinUse.INTERRUPT);
        return pins.isEmpty()
                ? Optional.empty()
                : Optional.of(new Rig(part.part().name(), pins, Map.of(), meter));
    }

    @Override
    public Set<String> forCode() {
        return Set.of(LOW, MIDDLE, HIGH, DEAD);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        List<Ask> asks = new ArrayList<>();
        for (String pin : rig.pins()) {
            for (String key : List.of(LOW, MIDDLE, HIGH)) {
                asks.add(new Ask(key, pin, Optional.empty(), Unit.SECOND, USUAL));
            }
        }
        return asks;
    }

    @Override
    public List<Setting> settings(Rig rig) {
        return List.of(Setting.oneOf(LOST, LOSSES.toArray(String[]::new)));
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        List<Point> dots = new ArrayList<>();
        for (String pin : rig.pins()) {
            channel(pin, samples, results, told, dots);
        }
        int lost = set.get(LOST).intValue();
        if (lost > 0) {
            told.add(Fact.of("tune.receiver." + LOSSES.get(lost)));
        }
        return new Work(
                results,
                dots.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new Work.Picture(dots, List.of(), Unit.ONE, Unit.SECOND, false)),
                told);
    }

    private static void channel(
            String pin, List<Sample> samples, List<Result> results, List<Fact> told, List<Point> dots) {
        List<Double> means = new ArrayList<>();
        for (String key : List.of(LOW, MIDDLE, HIGH)) {
            List<Double> all = Means.values(samples, pin + " " + key);
            if (!all.isEmpty()) {
                List<Double> calm = Glitches.without(all);
                Estimate mean = Means.mean(calm, MICRO);
                results.add(Result.measured(key, mean, Unit.SECOND).of(pin));
                means.add(mean.value());
                double from = dots.size();
                for (int i = 0; i < all.size(); i++) {
                    dots.add(new Point(from + i, all.get(i)));
                }
                glitches(pin, all, calm, told);
                if (key.equals(MIDDLE) && calm.size() > 2) {
                    double deviation = SampleBand.of(calm).deviation();
                    results.add(Result.measured(JITTER, Spread.ofDeviation(deviation, calm.size() - 1), Unit.SECOND)
                            .of(pin));
                    results.add(
                            Result.measured(DEAD, Estimate.of(Math.max(LEAST_DEAD, JITTERS * deviation)), Unit.SECOND)
                                    .of(pin)
                                    .computed());
                }
            }
        }
        if (means.size() == 3 && means.get(0) > means.get(2)) {
            told.add(Fact.of("tune.receiver.reversed").with("channel", pin));
        }
        boolean isBetween = means.size() < 3
                || means.get(1) > Math.min(means.get(0), means.get(2))
                        && means.get(1) < Math.max(means.get(0), means.get(2));
        if (!isBetween) {
            told.add(Fact.of("tune.receiver.not_between")
                    .with("channel", pin)
                    .with("middle", TimeSpan.ofSeconds(means.get(1))));
        }
    }

    private static void glitches(String pin, List<Double> all, List<Double> calm, List<Fact> told) {
        int wrong = all.size() - calm.size();
        if (wrong > 0) {
            told.add(Fact.of("tune.receiver.glitches")
                    .with("channel", pin)
                    .with("count", wrong)
                    .with("all", all.size())
                    .with("median", Glitches.count(Glitches.medianOfThree(all)))
                    .with("larger", Glitches.count(Glitches.largerOfTwo(all))));
        }
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new ReceiverDevice(seed);
    }
}
