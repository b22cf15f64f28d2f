package inkel.core.tune.stepper;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinUse;
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
import inkel.core.tune.sample.Setting;
import inkel.core.tune.sample.StepFit;
import inkel.core.tune.sample.Wired;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Steps that were sent and degrees that were turned: each reading of an angle is off by half of its step at most, and so is
 * the line. Speeds at which it came back to its place, and at which it did not: the fastest that holds lies between the two.
 * The limit of a driver that compares the volts on a sense resistor: {@code U = k·I·R}, k by its kind.
 */
public final class StepperBench implements SampledBench {
    static final String TURNED = "turned";
    static final String KEPT = "kept";
    static final String STEPS = "steps_a_turn";
    static final String FASTEST = "fastest";
    static final String REFERENCE = "limit_volts";

    private static final double TURN = 360;
    private static final String READ_TO = "angle_step";
    private static final String SENSE = "sense_resistor";
    private static final String GAIN = "sense_gain";
    private static final String CURRENT = "winding_current";

    /** Below its usual speed by a quarter a motor still has torque to spare. */
    private static final double TO_SPARE = 0.75;

    @Override
    public BenchKind kind() {
        return BenchKind.STEPPER;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<String> pins = Wired.pins(node, part, pin -> pin.use() == PinUse.INPUT || pin.use() == PinUse.PWM);
        boolean hasLimit =
                part.cls().pins().stream().anyMatch(pin -> pin.label().equals("STEP"));
        return pins.isEmpty()
                ? Optional.empty()
                : Optional.of(new Rig(part.part().name(), pins, hasLimit ? Map.of(SENSE, 1.0) : Map.of(), meter));
    }

    @Override
    public Set<String> forCode() {
        return Set.of(STEPS, "use_at_most");
    }

    @Override
    public List<Ask> asks(Rig rig) {
        Ask.Known steps = new Ask.Known(Unit.ONE, 0, 1e7, List.of(0.0, 1000.0, 4000.0));
        Ask.Known rate = new Ask.Known(Unit.HERTZ, 0, 1e6, List.of(200.0, 400.0, 600.0, 800.0, 1000.0, 1200.0));
        return List.of(Ask.of(TURNED, steps, Unit.ONE, 1), Ask.of(KEPT, rate, Unit.ONE, 1));
    }

    @Override
    public List<Setting> settings(Rig rig) {
        List<Setting> settings = new ArrayList<>();
        settings.add(Setting.number(READ_TO, Unit.ONE, 2, 0.01, 90));
        if (rig.has(SENSE)) {
            settings.add(Setting.number(SENSE, Unit.OHM, 0.1, 0.001, 10));
            settings.add(Setting.number(GAIN, Unit.ONE, 8, 0.1, 100));
            settings.add(Setting.number(CURRENT, Unit.AMPERE, 0.5, 0.01, 10));
        }
        return settings;
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Sample> turned =
                samples.stream().filter(sample -> sample.ask().equals(TURNED)).toList();
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        double step = set.get(READ_TO);
        Optional<LineFit> fit = turned.isEmpty() ? Optional.empty() : LineFit.of(turned, step);
        StepFit.slope(turned, step)
                .map(slope -> slope.value() < 0 ? slope.times(-1) : slope)
                .filter(slope -> slope.value() > slope.off())
                .ifPresent(slope -> {
                    double most = TURN / (slope.value() - slope.off());
                    double least = TURN / (slope.value() + slope.off());
                    results.add(Result.measured(STEPS, new Estimate((most + least) / 2, (most - least) / 2), Unit.ONE));
                });
        speeds(samples, results, told);
        if (rig.has(SENSE)) {
            results.add(Result.measured(
                            REFERENCE, Estimate.of(set.get(GAIN) * set.get(CURRENT) * set.get(SENSE)), Unit.VOLT)
                    .computed());
        }
        return new Work(
                results,
                turned.isEmpty() ? Optional.empty() : Optional.of(LineFit.picture(turned, fit, Unit.ONE, Unit.ONE)),
                told);
    }

    /** A speed is read as 1 where it came back to its place, and as 0 where it did not. */
    private static void speeds(List<Sample> samples, List<Result> results, List<Fact> told) {
        List<Sample> tried =
                samples.stream().filter(sample -> sample.ask().equals(KEPT)).toList();
        double kept = tried.stream()
                .filter(sample -> sample.mean() > 0.5)
                .mapToDouble(Sample::known)
                .max()
                .orElse(0);
        double lost = tried.stream()
                .filter(sample -> sample.mean() <= 0.5)
                .mapToDouble(Sample::known)
                .min()
                .orElse(Double.NaN);
        if (lost <= kept) {
            told.add(Fact.of("tune.stepper.both").with("rate", Math.round(lost)));
        } else if (kept > 0 && !Double.isNaN(lost)) {
            results.add(Result.measured(FASTEST, new Estimate((kept + lost) / 2, (lost - kept) / 2), Unit.HERTZ));
            results.add(Result.measured("use_at_most", Estimate.of(kept * TO_SPARE), Unit.HERTZ)
                    .computed());
        } else if (kept > 0) {
            told.add(Fact.of("tune.stepper.faster").with("rate", Math.round(kept)));
        }
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new StepperDevice(seed);
    }
}
