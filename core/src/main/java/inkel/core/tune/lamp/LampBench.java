package inkel.core.tune.lamp;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinLoad;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Meter;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.ESeries;
import inkel.core.formula.SeriesResistor;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Means;
import inkel.core.tune.sample.OverResistor;
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
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * Volts over a lamp and over its resistor: its current, and the resistor for a wished one. Brightness of each colour at full:
 * how far the brighter ones are turned down for white. Duty at which it looks half as bright and so on: the eye sees
 * {@code duty = level^γ}, fitted as a line through the origin in logarithms.
 */
public final class LampBench implements SampledBench {
    static final String LAMP = "lamp";
    static final String OVER = "over";
    static final String LIGHT = "light";
    static final String EYE = "eye";

    static final String FORWARD = "forward";
    static final String FLOWS = "lamp_current";
    static final String RESISTOR = "resistor";
    static final String BALANCE = "balance";
    static final String GAMMA = "gamma";

    /** As many program examples have it; a level in the middle then looks half as bright to most. */
    static final double USUAL_GAMMA = 2.8;

    static final String SERIES = " ohms";
    static final String DRIVE = " volts";
    static final String USUAL = "usual";
    static final String MOST = "most";
    static final String TURNED = "turned";

    private static final String WISHED = "lamp_wished";
    private static final String WHEN = "lamp_lights";
    private static final String LEVELS = "lamp_levels";
    private static final int FULL = 255;
    private static final int USUAL_LEVELS = 32;
    private static final int READINGS = 8;
    private static final double PERCENT = 100;

    @Override
    public BenchKind kind() {
        return BenchKind.LAMP;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<PinLoad> lamps = part.cls().demands().pinLoads().stream()
                .filter(load -> load.sort() == PinLoad.Sort.LED || load.sort() == PinLoad.Sort.LAMP)
                .toList();
        List<String> pins = Wired.pins(
                node, part, pin -> lamps.stream().anyMatch(load -> load.pin().equals(pin.label())));
        if (pins.isEmpty()) {
            return Optional.empty();
        }
        Map<String, Double> figures = new LinkedHashMap<>();
        for (PinLoad load : lamps) {
            Endpoint end = new Endpoint(part.id(), load.pin());
            OverResistor.ohms(node, end).ifPresent(ohms -> figures.put(load.pin() + SERIES, ohms));
            drive(node, part, load, end)
                    .ifPresent(volts ->
                            figures.put(load.pin() + DRIVE, volts.expected().volts()));
            figures.put(USUAL, load.current().range().expected().amperes());
            figures.put(MOST, load.current().range().highest().amperes());
            figures.put(TURNED, load.from().isPresent() ? 1.0 : 0.0);
        }
        return Optional.of(new Rig(part.part().name(), pins, figures, meter));
    }

    private static Optional<Range<Voltage>> drive(NodeCircuit node, Placed part, PinLoad load, Endpoint end) {
        return load.from().isPresent()
                ? node.railOf(part, load.from().get()).flatMap(rail -> rail.volts())
                : node.wire(end).flatMap(wire -> node.ioVolts(wire.to()));
    }

    @Override
    public Set<String> forCode() {
        return Set.of(BALANCE, GAMMA);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        List<Ask> asks = new ArrayList<>();
        for (String pin : rig.pins()) {
            asks.add(new Ask(LAMP, pin, Optional.empty(), Unit.VOLT, 1));
            if (rig.has(pin + SERIES)) {
                asks.add(new Ask(OVER, pin, Optional.empty(), Unit.VOLT, 1));
            }
        }
        if (rig.pins().size() > 1) {
            rig.pins().forEach(pin -> asks.add(new Ask(LIGHT, pin, Optional.empty(), Unit.ONE, READINGS)));
        }
        asks.add(Ask.of(EYE, new Ask.Known(Unit.ONE, 1, 99, List.of(75.0, 50.0, 35.0, 25.0, 10.0)), Unit.ONE, 1));
        return asks;
    }

    @Override
    public List<Setting> settings(Rig rig) {
        return List.of(
                Setting.number(WISHED, Unit.AMPERE, rig.figure(USUAL), 1e-4, rig.figure(MOST)),
                Setting.number(LEVELS, Unit.ONE, USUAL_LEVELS, 2, 256),
                new Setting(WHEN, Unit.ONE, rig.figure(TURNED), 0, 1, true, List.of("high", "low")));
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        for (String pin : rig.pins()) {
            of(rig, pin, samples, set.get(WISHED), results, told);
        }
        balance(rig, samples, results);
        List<Sample> eye = samples.stream().filter(of(EYE)).toList();
        gamma(eye).ifPresent(gamma -> results.add(Result.measured(GAMMA, gamma, Unit.ONE)));
        Optional<Work.Picture> picture = eye.isEmpty() ? Optional.empty() : Optional.of(picture(eye));
        return new Work(results, picture, told);
    }

    private static Predicate<Sample> of(String id) {
        return sample -> sample.ask().equals(id);
    }

    private static void of(
            Rig rig, String pin, List<Sample> samples, double wished, List<Result> results, List<Fact> told) {
        List<Double> lamp = Means.values(samples, pin + " " + LAMP);
        List<Double> over = Means.values(samples, pin + " " + OVER);
        if (!over.isEmpty()) {
            Estimate current = OverResistor.current(over, rig.figure(pin + SERIES), rig.meter());
            double flows = current.value();
            results.add(Result.measured(FLOWS, current, Unit.AMPERE).of(pin));
            if (flows > rig.figure(MOST)) {
                told.add(Fact.of("tune.lamp.much")
                        .with("pin", pin)
                        .with("flows", milli(flows))
                        .with("most", milli(rig.figure(MOST))));
            }
        }
        if (!lamp.isEmpty()) {
            Estimate forward = Means.volts(lamp, rig.meter());
            results.add(Result.measured(FORWARD, forward, Unit.VOLT).of(pin));
            if (rig.has(pin + DRIVE) && rig.figure(pin + DRIVE) > forward.value()) {
                Voltage across = Voltage.ofVolts(rig.figure(pin + DRIVE) - forward.value());
                double ohms = SeriesResistor.standard(across, Current.ofAmperes(wished), ESeries.E12)
                        .ohms();
                results.add(Result.measured(RESISTOR, Estimate.of(ohms), Unit.OHM)
                        .of(pin)
                        .computed());
                told.add(Fact.of("tune.lamp.resistor")
                        .with("pin", pin)
                        .with("ohms", Math.round(ohms))
                        .with("flows", milli(across.volts() / ohms)));
            }
        }
    }

    /** Each colour turned down to the dimmest; the ratio of two means carries what both are off. */
    private static void balance(Rig rig, List<Sample> samples, List<Result> results) {
        Map<String, Estimate> light = new LinkedHashMap<>();
        for (String pin : rig.pins()) {
            List<Double> values = Means.values(samples, pin + " " + LIGHT);
            if (!values.isEmpty()) {
                light.put(pin, Means.mean(values, 1));
            }
        }
        Optional<Map.Entry<String, Estimate>> dimmest = light.entrySet().stream()
                .filter(one -> one.getValue().value() > 0)
                .min(Map.Entry.comparingByValue((one, other) -> Double.compare(one.value(), other.value())));
        if (light.size() < rig.pins().size() || light.size() < 2 || dimmest.isEmpty()) {
            return;
        }
        Estimate least = dimmest.get().getValue();
        light.forEach((pin, one) -> {
            double share = least.value() / one.value();
            double off = pin.equals(dimmest.get().getKey())
                    ? 0
                    : share * Math.hypot(least.off() / least.value(), one.off() / one.value());
            results.add(
                    Result.measured(BALANCE, new Estimate(share, off), Unit.ONE).of(pin));
        });
    }

    /** By least squares through the origin of {@code ln duty = γ·ln level}; its interval by Student's t. */
    static Optional<Estimate> gamma(List<Sample> eye) {
        double squares = 0;
        double products = 0;
        int count = 0;
        for (Sample one : eye) {
            double x = Math.log(one.known() / PERCENT);
            for (double duty : one.values()) {
                if (duty > 0) {
                    squares += x * x;
                    products += x * Math.log(duty / PERCENT);
                    count++;
                }
            }
        }
        if (count < 3) {
            return Optional.empty();
        }
        double gamma = products / squares;
        double rest = 0;
        for (Sample one : eye) {
            double x = Math.log(one.known() / PERCENT);
            for (double duty : one.values()) {
                rest += duty > 0 ? Math.pow(Math.log(duty / PERCENT) - gamma * x, 2) : 0;
            }
        }
        double error = Math.sqrt(rest / (count - 1) / squares);
        return Optional.of(new Estimate(gamma, Spread.ofMean(error, count - 1)));
    }

    private static Work.Picture picture(List<Sample> eye) {
        double gamma = gamma(eye).map(Estimate::value).orElse(USUAL_GAMMA);
        var dots = eye.stream().map(one -> new Point(one.known(), one.mean())).toList();
        var line = IntStream.rangeClosed(0, 40)
                .mapToObj(i -> new Point(i * 2.5, PERCENT * Math.pow(i / 40.0, gamma)))
                .toList();
        return new Work.Picture(dots, line, Unit.ONE, Unit.ONE, false);
    }

    @Override
    public Map<String, List<Long>> tables(Rig rig, Map<String, Double> found, Map<String, Double> set) {
        return Map.of(
                "duty_of_level", table(found.getOrDefault(GAMMA, USUAL_GAMMA), (int) Math.round(set.get(LEVELS))));
    }

    /** The duty of 255 for each level. */
    static List<Long> table(double gamma, int levels) {
        return IntStream.range(0, levels)
                .mapToObj(i -> Math.round(FULL * Math.pow((double) i / (levels - 1), gamma)))
                .toList();
    }

    private static double milli(double amperes) {
        return Math.rint(amperes * 1e4) / 10;
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new LampDevice(rig, seed);
    }
}
