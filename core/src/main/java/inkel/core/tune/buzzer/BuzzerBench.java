package inkel.core.tune.buzzer;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.TimerSetting;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.LineFit;
import inkel.core.tune.sample.Resonance;
import inkel.core.tune.sample.Result;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledBench;
import inkel.core.tune.sample.Setting;
import inkel.core.tune.sample.TimerRig;
import inkel.core.tune.sample.Wired;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * How loud a disc is at several pitches: where it is loudest, and how the timer of tones makes a wished one. One that has its
 * pitch already is asked for the shortest beep that is heard: it lies between the longest that was not and the shortest that
 * was.
 */
public final class BuzzerBench implements SampledBench {
    static final String LOUD = "loud";
    static final String HEARD = "heard";
    static final String PITCH = "loudest_at";
    static final String SHORTEST = "shortest_beep";
    static final String MADE = "tone_made";
    static final String OFF = "tone_off_cents";
    static final String HALF = "tone_half";

    static final String USUAL = "usual";
    private static final String TONE = "tone";

    private static final int READINGS = 6;
    private static final int DRAWN = 60;
    private static final double CENTS = 1200;

    @Override
    public BenchKind kind() {
        return BenchKind.BUZZER;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<String> pins = Wired.pins(node, part, pin -> pin.use() == PinUse.PWM || pin.use() == PinUse.INPUT);
        Map<String, Double> figures = new LinkedHashMap<>();
        part.cls().pwm().ifPresent(pwm -> {
            figures.put(USUAL, pwm.frequency().hertz());
            node.board().cls().controller().ifPresent(board -> TimerRig.put(board, TONE, figures));
        });
        return pins.isEmpty()
                ? Optional.empty()
                : Optional.of(new Rig(part.part().name(), pins, figures, meter));
    }

    @Override
    public Set<String> forCode() {
        return Set.of(PITCH, SHORTEST, HALF);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        if (!rig.has(USUAL)) {
            return List.of(Ask.of(
                    HEARD,
                    new Ask.Known(Unit.SECOND, 1e-4, 10, List.of(0.002, 0.005, 0.01, 0.02, 0.05, 0.1)),
                    Unit.ONE,
                    1));
        }
        List<Double> pitches = IntStream.rangeClosed(0, 8)
                .mapToObj(i -> Math.rint(rig.figure(USUAL) * (0.8 + 0.05 * i)))
                .toList();
        return List.of(Ask.of(LOUD, new Ask.Known(Unit.HERTZ, 20, 20_000, pitches), Unit.ONE, READINGS));
    }

    @Override
    public List<Setting> settings(Rig rig) {
        return rig.has(USUAL) ? List.of(Setting.number(TONE, Unit.HERTZ, rig.figure(USUAL), 20, 20_000)) : List.of();
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        return rig.has(USUAL) ? pitched(rig, samples, set.get(TONE)) : beeps(samples);
    }

    private static Work pitched(Rig rig, List<Sample> samples, double tone) {
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        Optional<Resonance> found = Resonance.of(samples);
        found.ifPresent(peak -> results.add(Result.measured(PITCH, peak.pitch(), Unit.HERTZ)));
        made(rig, tone).ifPresent(made -> {
            double off = CENTS * Math.log(made.actual().hertz() / tone) / Math.log(2);
            results.add(Result.measured(MADE, Estimate.of(made.actual().hertz()), Unit.HERTZ)
                    .computed());
            results.add(Result.measured(OFF, Estimate.of(off), Unit.ONE).computed());
            told.add(Fact.of("tune.buzzer.timer")
                    .with("divider", made.prescaler())
                    .with("count", made.top() + 1));
        });
        double real = made(rig, tone).map(made -> made.actual().hertz()).orElse(tone);
        results.add(
                Result.measured(HALF, Estimate.of(1 / (2 * real)), Unit.SECOND).computed());
        return new Work(results, samples.isEmpty() ? Optional.empty() : Optional.of(picture(samples, found)), told);
    }

    /** The pin is turned over at each count, so that the timer runs at twice the pitch. */
    private static Optional<TimerSetting> made(Rig rig, double tone) {
        return TimerRig.nearest(rig, 2 * tone)
                .map(made -> new TimerSetting(
                        made.prescaler(),
                        made.top(),
                        Frequency.ofHertz(made.actual().hertz() / 2),
                        made.error(),
                        made.step()));
    }

    private static Work.Picture picture(List<Sample> samples, Optional<Resonance> found) {
        double low = samples.stream().mapToDouble(Sample::known).min().orElse(0);
        double high = samples.stream().mapToDouble(Sample::known).max().orElse(1);
        List<Point> dots =
                samples.stream().map(one -> new Point(one.known(), one.mean())).toList();
        List<Point> line = found.map(peak -> IntStream.rangeClosed(0, DRAWN)
                        .mapToObj(i -> low + (high - low) * i / DRAWN)
                        .map(hertz -> new Point(hertz, peak.at(hertz)))
                        .filter(point -> point.y() > 0)
                        .toList())
                .orElse(List.of());
        return new Work.Picture(dots, line, Unit.HERTZ, Unit.ONE, false);
    }

    /** A beep is read as 1 where it was heard, and as 0 where it was not. */
    private static Work beeps(List<Sample> samples) {
        if (samples.isEmpty()) {
            return Work.NONE;
        }
        double heard = samples.stream()
                .filter(sample -> sample.mean() > 0.5)
                .mapToDouble(Sample::known)
                .min()
                .orElse(Double.NaN);
        double missed = samples.stream()
                .filter(sample -> sample.mean() <= 0.5)
                .mapToDouble(Sample::known)
                .max()
                .orElse(0);
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        if (heard > missed) {
            results.add(
                    Result.measured(SHORTEST, new Estimate((heard + missed) / 2, (heard - missed) / 2), Unit.SECOND));
        } else if (heard <= missed) {
            told.add(Fact.of("tune.buzzer.both").with("millis", Math.rint(missed * 1e4) / 10));
        }
        return new Work(results, Optional.of(LineFit.picture(samples, Optional.empty(), Unit.SECOND, Unit.ONE)), told);
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new BuzzerDevice(rig, seed);
    }
}
