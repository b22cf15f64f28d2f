package inkel.core.tune.compass;

import inkel.core.catalog.BenchKind;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.sample.Ask;
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
 * Pairs of codes of the two flat axes while the part is turned once around. They lie on a circle whose middle is the offset;
 * where they do not, iron is near, or the part was tilted. The declination is typed: it hangs on the place.
 */
public final class CompassBench implements SampledBench {
    static final String TURN = "turn";
    static final String X = "offset_x";
    static final String Y = "offset_y";
    static final String RADIUS = "field";
    static final String DECLINATION = "declination";

    private static final int USUAL = 72;
    private static final int ARC = 90;

    /** A circle that is further from round than that has iron near it. */
    private static final double ROUND = 0.08;

    @Override
    public BenchKind kind() {
        return BenchKind.COMPASS;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        return Wired.rigOnBus(node, part, meter);
    }

    @Override
    public Set<String> forCode() {
        return Set.of(X, Y, RADIUS);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        return List.of(Ask.of(TURN, Unit.ONE, USUAL));
    }

    @Override
    public List<Setting> settings(Rig rig) {
        return List.of(Setting.number(DECLINATION, Unit.ONE, 0, -180, 180).forCode());
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Point> points = new ArrayList<>();
        for (Sample sample : samples) {
            for (int i = 0; i + 1 < sample.values().size(); i += 2) {
                points.add(new Point(sample.values().get(i), sample.values().get(i + 1)));
            }
        }
        Optional<Circle> circle = Circle.through(points);
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        circle.ifPresent(of -> {
            results.add(Result.measured(X, of.x(), Unit.ONE));
            results.add(Result.measured(Y, of.y(), Unit.ONE));
            results.add(Result.measured(RADIUS, of.radius(), Unit.ONE));
            results.add(Result.measured("out_of_round", Estimate.of(of.worst()), Unit.ONE)
                    .computed());
            double share = of.worst() / of.radius().value();
            if (share > ROUND) {
                told.add(Fact.of("tune.compass.iron").with("share", Math.round(share * 100)));
            }
            if (of.widestGap(points) > ARC) {
                told.add(Fact.of("tune.compass.gap").with("gap", Math.round(of.widestGap(points))));
            }
        });
        return new Work(
                results,
                points.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new Work.Picture(
                                points, circle.map(Circle::path).orElse(List.of()), Unit.ONE, Unit.ONE, true)),
                told);
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new CompassDevice(seed);
    }
}
