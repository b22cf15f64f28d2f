package inkel.core.tune.receiver;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.SampleBand;
import inkel.core.formula.StickCurve;
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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

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

    static final String STICK = "stick";
    static final String MAP = "map";

    private static final String MAP_TO = "map_to";
    private static final String EXPO = "expo";
    private static final List<String> OUTPUTS = List.of("percent", "byte", "servo");
    private static final int ROWS = 33;
    private static final double PERCENT = 100;

    /** Of a channel that nothing moves; what moves by less is no stick. */
    private static final double LEAST_MOVE = 100e-6;

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
        if (rig.pins().size() > 1) {
            List<Double> sticks = new ArrayList<>();
            for (int stick = 1; stick <= rig.pins().size(); stick++) {
                sticks.add((double) stick);
            }
            asks.add(Ask.of(
                    STICK,
                    new Ask.Known(Unit.ONE, 1, 16, sticks),
                    Unit.SECOND,
                    USUAL * rig.pins().size()));
        }
        return asks;
    }

    @Override
    public List<Setting> settings(Rig rig) {
        return List.of(
                Setting.oneOf(LOST, LOSSES.toArray(String[]::new)),
                Setting.oneOf(MAP_TO, OUTPUTS.toArray(String[]::new)),
                Setting.number(EXPO, Unit.ONE, 0, 0, PERCENT));
    }

    /**
     * For each channel whose ends and middle are known, the output at pulses that lie evenly from its low to its high end: −100 to
     * 100, 0 to 255 or 1000 to 2000 µs. A channel that is the wrong way about is put right by that.
     */
    @Override
    public Map<String, List<Long>> tables(Rig rig, Map<String, Double> found, Map<String, Double> set) {
        Map<String, List<Long>> tables = new LinkedHashMap<>();
        for (String pin : rig.pins()) {
            String name = pin.toLowerCase(Locale.ROOT) + "_";
            Double low = found.get(name + LOW);
            Double middle = found.get(name + MIDDLE);
            Double high = found.get(name + HIGH);
            if (low == null || middle == null || high == null || !isBetween(low, middle, high)) {
                continue;
            }
            double dead = found.getOrDefault(name + DEAD, LEAST_DEAD);
            tables.put(
                    name + MAP,
                    IntStream.range(0, ROWS)
                            .mapToObj(i -> output(low, middle, high, dead, (double) i / (ROWS - 1), set))
                            .toList());
        }
        return tables;
    }

    private static boolean isBetween(double low, double middle, double high) {
        return (middle - low) * (high - middle) > 0;
    }

    private static long output(
            double low, double middle, double high, double dead, double share, Map<String, Double> set) {
        double pulse = low + share * (high - low);
        double end = (pulse - middle) * (high - middle) > 0 ? high : low;
        double way = Math.abs((pulse - middle) / (end - middle)) * (end == high ? 1 : -1);
        double of = new StickCurve(Math.min(0.5, dead / Math.abs(end - middle)), set.get(EXPO) / PERCENT).at(way);
        return switch (OUTPUTS.get(set.get(MAP_TO).intValue())) {
            case "percent" -> Math.round(PERCENT * of);
            case "byte" -> Math.round(255 * (of + 1) / 2);
            default -> Math.round(1500 + 500 * of);
        };
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        List<Point> dots = new ArrayList<>();
        for (String pin : rig.pins()) {
            channel(pin, samples, results, told, dots);
        }
        sticks(rig, samples, results, told);
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

    /**
     * Which channel a stick moves: the pulses of all channels came by turns while it alone was moved, and the channel is the one
     * that moved most.
     */
    private static void sticks(Rig rig, List<Sample> samples, List<Result> results, List<Fact> told) {
        int all = rig.pins().size();
        for (Sample sample : samples) {
            if (!sample.ask().equals(STICK) || sample.values().size() < 2 * all) {
                continue;
            }
            String moved = "";
            double most = LEAST_MOVE;
            for (int channel = 0; channel < all; channel++) {
                List<Double> own = new ArrayList<>();
                for (int i = channel; i < sample.values().size(); i += all) {
                    own.add(sample.values().get(i));
                }
                List<Double> calm = Glitches.without(own);
                double span = calm.stream()
                                .mapToDouble(Double::doubleValue)
                                .max()
                                .orElse(0)
                        - calm.stream().mapToDouble(Double::doubleValue).min().orElse(0);
                if (span > most) {
                    most = span;
                    moved = rig.pins().get(channel);
                }
            }
            if (moved.isEmpty()) {
                told.add(Fact.of("tune.receiver.no_stick").with("stick", Math.round(sample.known())));
            } else {
                results.add(Result.measured(STICK, Estimate.of(sample.known()), Unit.ONE)
                        .of(moved));
            }
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
        return new ReceiverDevice(rig, seed);
    }
}
