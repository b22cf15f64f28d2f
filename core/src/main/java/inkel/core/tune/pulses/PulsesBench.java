package inkel.core.tune.pulses;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.formula.EchoDistance;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
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
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Two sorts of pulses. Counted ones stand for an amount: {@code k = Σ counts / Σ amounts}, each count off by one at most; the
 * least gate time at which one pulse more or less is 1 % of what is counted is {@code 100 / (k·rate)}. Echoes stand for a way:
 * sound goes there and back at {@code 331.3 + 0.606·T} m/s, and what is left over is where the sensor begins to measure.
 */
public final class PulsesBench implements SampledBench {
    static final String AMOUNT = "amount";
    static final String DISTANCE = "distance";
    static final String PER = "pulses_an_amount";
    static final String GATE = "least_gate";
    static final String BEGINS = "begins_at";
    static final String NOISE = "echo_noise";
    static final String AIR = "air";
    static final String RATE = "amount_a_minute";

    private static final String ECHO = "echo";
    private static final int USUAL = 20;
    private static final double MOST = 1e6;
    private static final double SECONDS_A_MINUTE = 60;
    private static final double ONE_PERCENT = 0.01;

    /** Boards tell lengths of pulses in whole microseconds at best. */
    private static final double MICRO = 1e-6;

    @Override
    public BenchKind kind() {
        return BenchKind.PULSES;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<String> pins = Wired.pins(node, part, pin -> pin.use() == PinUse.INTERRUPT || pin.use() == PinUse.OUTPUT);
        boolean isEcho = part.cls().handling().checks().stream()
                .anyMatch(check -> check instanceof WakeCheck.Pulses pulses && pins.contains(pulses.pin()));
        Map<String, Double> figures = isEcho ? Map.of(ECHO, 1.0) : Map.of();
        return pins.isEmpty()
                ? Optional.empty()
                : Optional.of(new Rig(part.part().name(), pins, figures, meter));
    }

    @Override
    public Set<String> forCode() {
        return Set.of(PER, GATE, BEGINS, "speed_of_sound_m_s");
    }

    @Override
    public List<Ask> asks(Rig rig) {
        return List.of(
                rig.has(ECHO)
                        ? Ask.of(
                                DISTANCE,
                                new Ask.Known(Unit.METRE, 0, 100, List.of(0.2, 0.5, 1.0, 2.0)),
                                Unit.SECOND,
                                USUAL)
                        : Ask.of(AMOUNT, new Ask.Known(Unit.ONE, 0, MOST, List.of(1.0, 2.0, 5.0)), Unit.ONE, 1));
    }

    @Override
    public List<Setting> settings(Rig rig) {
        return List.of(
                rig.has(ECHO)
                        ? Setting.number(AIR, Unit.CELSIUS, 20, -40, 60)
                        : Setting.number(RATE, Unit.ONE, 1, 1e-6, MOST));
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        if (samples.isEmpty()) {
            return Work.NONE;
        }
        return rig.has(ECHO) ? echoes(samples, set.get(AIR)) : counts(samples, set.get(RATE));
    }

    private static Work counts(List<Sample> samples, double rate) {
        double counted = samples.stream()
                .flatMap(sample -> sample.values().stream())
                .mapToDouble(Double::doubleValue)
                .sum();
        double amounts = samples.stream()
                .mapToDouble(sample -> sample.known() * sample.values().size())
                .sum();
        int runs = samples.stream().mapToInt(sample -> sample.values().size()).sum();
        List<Result> results = new ArrayList<>();
        if (amounts > 0 && counted > 0) {
            double per = counted / amounts;
            results.add(Result.measured(PER, new Estimate(per, runs / amounts), Unit.ONE));
            double gate = SECONDS_A_MINUTE / (ONE_PERCENT * per * rate);
            results.add(Result.measured(GATE, Estimate.of(gate), Unit.SECOND).computed());
        }
        Optional<LineFit> fit = LineFit.of(samples, 1);
        return new Work(results, Optional.of(LineFit.picture(samples, fit, Unit.ONE, Unit.ONE)), List.of());
    }

    private static Work echoes(List<Sample> samples, double air) {
        List<Double> off = new ArrayList<>();
        double squares = 0;
        int freedoms = 0;
        for (Sample sample : samples) {
            for (double echo : sample.values()) {
                off.add(sample.known() - way(echo, air));
            }
            squares += sample.squares();
            freedoms += sample.values().size() - 1;
        }
        double aMicro = way(MICRO, air);
        List<Result> results = new ArrayList<>();
        results.add(Result.measured(BEGINS, Means.mean(off, aMicro), Unit.METRE));
        if (freedoms > 0) {
            double deviation = Math.sqrt(squares / freedoms);
            results.add(Result.measured(NOISE, Estimate.of(way(deviation, air)), Unit.METRE));
        }
        results.add(new Result("speed_of_sound_m_s", "", Estimate.of(2 * way(1, air)), Unit.ONE, Source.COMPUTED));
        List<Fact> told = List.of(Fact.of("tune.pulses.a_degree")
                .with("share", Math.rint(1e4 * (way(1, air + 1) / way(1, air) - 1)) / 100));
        return new Work(
                results,
                Optional.of(LineFit.picture(samples, LineFit.of(samples, MICRO), Unit.METRE, Unit.SECOND)),
                told);
    }

    /** How far what throws an echo back is, in metres. */
    private static double way(double echo, double air) {
        return EchoDistance.of(TimeSpan.ofSeconds(echo), Temperature.ofCelsius(air))
                .metres();
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new PulsesDevice(rig.has(ECHO), seed);
    }
}
