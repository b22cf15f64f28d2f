package inkel.core.tune.current;

import inkel.core.catalog.BenchKind;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.LineFit;
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
 * Currents that a meter shows beside what the monitor says: the line through them. That the meter reads all currents too high
 * or low by one share is a limit, not a chance; it goes into the factor as such.
 */
public final class CurrentBench implements SampledBench {
    static final String AMPERES = "amperes";
    static final String FACTOR = "factor";
    static final String ZERO = "at_zero";
    static final String METER = "meter_off";

    private static final int USUAL = 10;
    private static final double MOST = 20;

    /** Hand meters are about that good on currents; the builder says better. */
    private static final double USUAL_OFF = 0.01;

    /** 97 % of a normal distribution lie within so many of its deviations. */
    private static final double NORMAL_97 = 2.1701;

    /** Monitors of this sort tell tenths of a milliampere. */
    private static final double STEP = 0.1e-3;

    @Override
    public BenchKind kind() {
        return BenchKind.CURRENT;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        return Wired.rigOnBus(node, part, meter);
    }

    @Override
    public Set<String> forCode() {
        return Set.of(FACTOR, ZERO);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        return List.of(
                Ask.of(AMPERES, new Ask.Known(Unit.AMPERE, 0, MOST, List.of(0.0, 0.1, 0.3, 0.6)), Unit.AMPERE, USUAL));
    }

    @Override
    public List<Setting> settings(Rig rig) {
        return List.of(Setting.number(METER, Unit.ONE, USUAL_OFF, 0, 0.2));
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        if (samples.isEmpty()) {
            return Work.NONE;
        }
        Optional<LineFit> fit = LineFit.of(samples, STEP);
        List<Result> results = new ArrayList<>();
        fit.filter(line -> line.slope().value() > 0).ifPresent(line -> {
            double factor = 1 / line.slope().value();
            double byChance = line.slope().off() / line.slope().value() * factor;
            double off = Spread.ofSum(set.get(METER) * factor, byChance / NORMAL_97);
            results.add(Result.measured(FACTOR, new Estimate(factor, off), Unit.ONE));
            results.add(Result.measured(ZERO, line.start(), Unit.AMPERE));
            results.add(Result.measured("worst_off", Estimate.of(line.worst()), Unit.AMPERE)
                    .computed());
        });
        return new Work(results, Optional.of(LineFit.picture(samples, fit, Unit.AMPERE, Unit.AMPERE)), List.of());
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new CurrentDevice(seed);
    }
}
