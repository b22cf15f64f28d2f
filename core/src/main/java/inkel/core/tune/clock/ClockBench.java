package inkel.core.tune.clock;

import inkel.core.catalog.BenchKind;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.LineFit;
import inkel.core.tune.sample.Result;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledBench;
import inkel.core.tune.sample.StepFit;
import inkel.core.tune.sample.Wired;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How far a clock is off at some times since it was set. Each comparison is off by half a second at most, so that
 * what its drift can be has limits, see {@link StepFit}.
 */
public final class ClockBench implements SampledBench {
    static final String AGAINST = "against";
    static final String DRIFT = "drift_s_a_day";
    static final String PPM = "drift_ppm";

    private static final double HOURS_A_DAY = 24;
    private static final double SECONDS_A_DAY = 86_400;
    private static final double MOST_HOURS = 24 * 366.0;
    private static final double A_SECOND = 1;
    private static final double A_MINUTE = 60;

    @Override
    public BenchKind kind() {
        return BenchKind.CLOCK;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        return Wired.rigOnBus(node, part, meter);
    }

    @Override
    public Set<String> forCode() {
        return Set.of(DRIFT, PPM);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        return List.of(Ask.of(
                AGAINST, new Ask.Known(Unit.ONE, 0, MOST_HOURS, List.of(0.0, 24.0, 72.0, 168.0, 336.0)), Unit.ONE, 1));
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        if (samples.isEmpty()) {
            return Work.NONE;
        }
        Optional<LineFit> fit = LineFit.of(samples, 1);
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        Optional<Estimate> slope = StepFit.slope(samples, A_SECOND);
        slope.ifPresent(an -> {
            Estimate drift = an.times(HOURS_A_DAY);
            results.add(Result.measured(DRIFT, drift, Unit.ONE));
            results.add(Result.measured(PPM, drift.times(1e6 / SECONDS_A_DAY), Unit.ONE));
            double most = Math.abs(drift.value()) + drift.off();
            told.add(Fact.of("tune.clock.minute").with("days", (long) Math.floor(A_MINUTE / most)));
        });
        if (slope.isEmpty() && fit.isPresent()) {
            told.add(Fact.of("tune.clock.uneven"));
        }
        return new Work(results, Optional.of(LineFit.picture(samples, fit, Unit.ONE, Unit.ONE)), told);
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new ClockDevice(seed);
    }
}
