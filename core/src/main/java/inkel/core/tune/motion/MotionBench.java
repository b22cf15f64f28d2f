package inkel.core.tune.motion;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.StickCurve;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.LineFit;
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
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;

/**
 * Six rests, each axis once up and once down, where it feels +1 g and −1 g (g = 9.80665 m/s², ISO 80000-3): the line of least
 * squares through the codes of an axis is its offset and its scale. What turning reads at rest is its zero.
 */
public final class MotionBench implements SampledBench {
    static final String STILL = "still";
    static final String OFFSET = "offset";
    static final String SCALE = "codes_a_g";
    static final String ZERO = "turn_zero";

    private static final String RANGE = "tilt_range";
    private static final String DEAD = "tilt_dead";
    private static final String BENT = "tilt_bent";
    private static final int ROWS = 33;
    private static final double PERCENT = 100;

    private static final double STANDARD_GRAVITY = 9.80665;
    private static final int USUAL = 50;
    private static final List<String> AXES = List.of("X", "Y", "Z");

    @Override
    public BenchKind kind() {
        return BenchKind.MOTION;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<String> analog = Wired.pins(node, part, pin -> pin.use() == PinUse.ANALOG);
        boolean isThere = !analog.isEmpty() || Wired.onBus(node, part);
        List<String> axes =
                analog.isEmpty() ? AXES : AXES.stream().filter(analog::contains).toList();
        return isThere && !axes.isEmpty()
                ? Optional.of(new Rig(
                        part.part().name(),
                        axes,
                        part.cls().handling().does().stream().anyMatch(does -> does.contains("turning"))
                                ? Map.of(STILL, 1.0)
                                : Map.of(),
                        meter))
                : Optional.empty();
    }

    @Override
    public Set<String> forCode() {
        return Set.of(OFFSET, SCALE, ZERO);
    }

    @Override
    public List<Setting> settings(Rig rig) {
        return List.of(
                Setting.number(RANGE, Unit.ONE, 45, 1, 90),
                Setting.number(DEAD, Unit.ONE, 3, 0, 45),
                Setting.number(BENT, Unit.ONE, 0, 0, PERCENT));
    }

    /**
     * For each axis whose rests are known, at codes that lie evenly from −1 g to 1 g: its tilt in tenths of a degree, {@code
     * atan2(a, √(1 − a²))}, and an output from −100 to 100 over the wished range of tilts.
     */
    @Override
    public Map<String, List<Long>> tables(Rig rig, Map<String, Double> found, Map<String, Double> set) {
        Map<String, List<Long>> tables = new LinkedHashMap<>();
        StickCurve curve = new StickCurve(Math.min(0.9, set.get(DEAD) / set.get(RANGE)), set.get(BENT) / PERCENT);
        for (String axis : rig.pins()) {
            String name = axis.toLowerCase(Locale.ROOT) + "_";
            if (found.containsKey(name + SCALE)) {
                tables.put(name + "tilt", rows(tilt -> 10 * tilt));
                tables.put(name + "map", rows(tilt -> PERCENT * curve.at(tilt / set.get(RANGE))));
            }
        }
        return tables;
    }

    private static List<Long> rows(DoubleUnaryOperator of) {
        return IntStream.range(0, ROWS)
                .mapToObj(i -> {
                    double felt = 2.0 * i / (ROWS - 1) - 1;
                    double tilt = Math.toDegrees(Math.atan2(felt, Math.sqrt(1 - felt * felt)));
                    return Math.round(of.applyAsDouble(tilt));
                })
                .toList();
    }

    @Override
    public List<Ask> asks(Rig rig) {
        List<Ask> asks = new ArrayList<>();
        for (String axis : rig.pins()) {
            asks.add(new Ask("up", axis, Optional.empty(), Unit.ONE, USUAL));
            asks.add(new Ask("down", axis, Optional.empty(), Unit.ONE, USUAL));
        }
        if (rig.has(STILL)) {
            AXES.forEach(axis -> asks.add(new Ask(STILL, axis, Optional.empty(), Unit.ONE, USUAL)));
        }
        return asks;
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Result> results = new ArrayList<>();
        List<Point> dots = new ArrayList<>();
        for (String axis : rig.pins()) {
            List<Sample> rests = new ArrayList<>();
            for (Sample sample : samples) {
                if (sample.ask().equals(axis + " up") || sample.ask().equals(axis + " down")) {
                    rests.add(new Sample(sample.ask(), sample.ask().endsWith("up") ? 1 : -1, sample.values()));
                }
            }
            rests.forEach(rest -> dots.add(new Point(rest.known(), rest.mean())));
            if (!rests.isEmpty()) {
                LineFit.of(rests, 1).ifPresent(line -> axis(axis, line, results));
            }
        }
        for (String axis : AXES) {
            List<Double> still = Means.values(samples, axis + " " + STILL);
            if (!still.isEmpty()) {
                results.add(
                        Result.measured(ZERO, Means.mean(still, 1), Unit.ONE).of(axis));
            }
        }
        return new Work(
                results,
                dots.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new Work.Picture(dots, List.of(), Unit.ONE, Unit.ONE, false)),
                List.of());
    }

    private static void axis(String axis, LineFit line, List<Result> results) {
        results.add(Result.measured(OFFSET, line.start(), Unit.ONE).of(axis));
        results.add(Result.measured(SCALE, line.slope(), Unit.ONE).of(axis));
        double a = Math.abs(line.slope().value());
        if (a > 0) {
            results.add(Result.measured("step_m_s2", Estimate.of(STANDARD_GRAVITY / a), Unit.ONE)
                    .computed()
                    .of(axis));
        }
        if (a > 0 && line.freedoms() < Integer.MAX_VALUE / 2) {
            results.add(Result.measured(
                            "noise_m_s2",
                            Spread.ofDeviation(line.deviation(), line.freedoms())
                                    .times(STANDARD_GRAVITY / a),
                            Unit.ONE)
                    .of(axis));
        }
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new MotionDevice(seed);
    }
}
