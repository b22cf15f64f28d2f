package inkel.core.tune.load;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.quantity.Fact;
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
import inkel.core.tune.sample.Wired;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Codes with known weights on the cell: their line of least squares is tare and scale. Creep is what the code of the heaviest
 * weight comes to after some minutes, as a weight.
 */
public final class LoadCellBench implements SampledBench {
    static final String WEIGHT = "weight";
    static final String LATER = "later";
    static final String TARE = "tare";
    static final String SCALE = "codes_a_gram";
    static final String NOISE = "noise_g";
    static final String CREEP = "creep_g";

    private static final int USUAL = 20;
    private static final double MOST_GRAMS = 1e6;

    /** So many standard deviations apart two weights are told from one another by single readings. */
    private static final double APART = 4;

    @Override
    public BenchKind kind() {
        return BenchKind.LOAD_CELL;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<String> pins = Wired.pins(node, part, pin -> pin.use() == PinUse.OUTPUT);
        return pins.isEmpty()
                ? Optional.empty()
                : Optional.of(new Rig(part.part().name(), pins, Map.of(), meter));
    }

    @Override
    public Set<String> forCode() {
        return Set.of(TARE, SCALE);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        return List.of(
                Ask.of(
                        WEIGHT,
                        new Ask.Known(Unit.ONE, 0, MOST_GRAMS, List.of(0.0, 200.0, 500.0, 1000.0)),
                        Unit.ONE,
                        USUAL),
                Ask.of(LATER, new Ask.Known(Unit.ONE, 0, MOST_GRAMS, List.of(1000.0)), Unit.ONE, USUAL));
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Sample> weights =
                samples.stream().filter(sample -> sample.ask().equals(WEIGHT)).toList();
        Optional<LineFit> fit = weights.isEmpty() ? Optional.empty() : LineFit.of(weights, 1);
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        fit.filter(line -> line.slope().value() != 0).ifPresent(line -> {
            double grams = 1 / Math.abs(line.slope().value());
            results.add(Result.measured(TARE, line.start(), Unit.ONE));
            results.add(Result.measured(SCALE, line.slope(), Unit.ONE));
            boolean isNoisy = line.freedoms() < Integer.MAX_VALUE / 2;
            if (isNoisy) {
                results.add(Result.measured(
                        NOISE,
                        Spread.ofDeviation(line.deviation(), line.freedoms()).times(grams),
                        Unit.ONE));
                results.add(Result.measured("told_apart_g", Estimate.of(APART * line.deviation() * grams), Unit.ONE)
                        .computed());
            }
            results.add(Result.measured("worst_off_g", Estimate.of(line.worst() * grams), Unit.ONE)
                    .computed());
            samples.stream().filter(sample -> sample.ask().equals(LATER)).forEach(sample -> {
                Estimate mean = Means.mean(sample.values(), 1);
                double off = line.known(mean.value()) - sample.known();
                results.add(Result.measured(CREEP, new Estimate(off, mean.off() * grams), Unit.ONE));
                told.add(Fact.of("tune.load.creep").with("grams", round(off)).with("weight", round(sample.known())));
            });
        });
        return new Work(
                results,
                weights.isEmpty() ? Optional.empty() : Optional.of(LineFit.picture(weights, fit, Unit.ONE, Unit.ONE)),
                told);
    }

    private static double round(double grams) {
        return Math.rint(grams * 100) / 100;
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new LoadCellDevice(seed);
    }
}
