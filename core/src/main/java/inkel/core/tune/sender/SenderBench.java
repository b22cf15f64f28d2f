package inkel.core.tune.sender;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinLoad;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Meter;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.InfraredCode;
import inkel.core.formula.InfraredCode.Coding;
import inkel.core.formula.TimerSetting;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Means;
import inkel.core.tune.sample.OverResistor;
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
 * How far a receiver answers at several carriers: its filter swings, and light falls with the square of the distance, so that
 * the square of the reach follows a resonance ({@link Resonance}). Volts over the resistor while the lamp is steadily on give
 * its current in a pulse; in a burst it takes {@code I·duty}, on average {@code I·duty·marks/every}.
 */
public final class SenderBench implements SampledBench {
    static final String REACH = "reach";
    static final String OVER = "over";

    static final String BEST = "best_carrier";
    static final String MADE = "carrier_made";
    static final String PULSE = "pulse_current";
    static final String BURST = "burst_current";
    static final String AVERAGE = "average_current";
    static final String MESSAGE = "message_takes";
    static final String MARKS = "marks_share";
    static final String ON = "carrier_on";
    static final String OFF = "carrier_off";

    static final String OHMS = "ohms";
    static final String MOST = "most";
    static final String USUAL = "usual";

    private static final String DUTY = "carrier_duty";
    private static final String CODING = "sent_coding";
    private static final String ADDRESS = "sent_address";
    private static final String COMMAND = "sent_command";
    private static final String EVERY = "sent_every";
    private static final String USE = "infrared";

    private static final int READINGS = 4;
    private static final int DRAWN = 60;
    private static final double MICRO = 1e-6;
    private static final double KILO = 1e3;

    /** A third of the time lights as far as half of it, and takes less (common practice of handsets). */
    private static final double THIRD = 33;

    /** From the start of one message of a held key to that of the next. */
    private static final double HELD = 0.11;

    /** A receiver is made for a carrier within so much of its best one. */
    private static final double NEAR = 0.03;

    @Override
    public BenchKind kind() {
        return BenchKind.INFRARED_SENDER;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<PinLoad> lamps = part.cls().demands().pinLoads().stream()
                .filter(load -> load.sort() == PinLoad.Sort.LED)
                .toList();
        List<String> pins = Wired.pins(
                node, part, pin -> lamps.stream().anyMatch(load -> load.pin().equals(pin.label())));
        if (pins.isEmpty() || part.cls().pwm().isEmpty()) {
            return Optional.empty();
        }
        Map<String, Double> figures = new LinkedHashMap<>();
        PinLoad lamp = lamps.get(0);
        OverResistor.ohms(node, new Endpoint(part.id(), lamp.pin())).ifPresent(ohms -> figures.put(OHMS, ohms));
        figures.put(MOST, lamp.current().range().highest().amperes());
        figures.put(USUAL, part.cls().pwm().get().frequency().hertz());
        node.board().cls().controller().ifPresent(board -> TimerRig.put(board, USE, figures));
        return Optional.of(new Rig(part.part().name(), pins, figures, meter));
    }

    @Override
    public Set<String> forCode() {
        return Set.of(BEST, ON, OFF, MESSAGE);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        List<Double> carriers = IntStream.rangeClosed(0, 6)
                .mapToObj(i -> Math.rint(rig.figure(USUAL) * (0.88 + 0.04 * i)))
                .toList();
        List<Ask> asks = new ArrayList<>(
                List.of(Ask.of(REACH, new Ask.Known(Unit.HERTZ, 20e3, 80e3, carriers), Unit.METRE, READINGS)));
        if (rig.has(OHMS)) {
            asks.add(Ask.of(OVER, Unit.VOLT, 1));
        }
        return asks;
    }

    @Override
    public List<Setting> settings(Rig rig) {
        return List.of(
                Setting.number(DUTY, Unit.ONE, THIRD, 5, 50).forCode(),
                Setting.oneOf(CODING, "distance", "width", "phase").forCode(),
                Setting.number(ADDRESS, Unit.ONE, 1, 0, 0x1F).forCode(),
                Setting.number(COMMAND, Unit.ONE, 1, 0, 0x7F).forCode(),
                Setting.number(EVERY, Unit.SECOND, HELD, 0.03, 3600));
    }

    /** The message that is sent. */
    private static InfraredCode code(Map<String, Double> set) {
        return new InfraredCode(
                Coding.values()[(int) Math.round(set.get(CODING))],
                (int) Math.round(set.get(ADDRESS)),
                (int) Math.round(set.get(COMMAND)),
                false,
                false);
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        List<Sample> reach = samples.stream()
                .filter(sample -> sample.ask().equals(REACH))
                .map(SenderBench::squared)
                .toList();
        Optional<Resonance> best = Resonance.ofShares(reach);
        best.ifPresent(peak -> results.add(Result.measured(BEST, peak.pitch(), Unit.HERTZ)));
        double wanted = best.map(peak -> peak.pitch().value()).orElse(rig.figure(USUAL));
        Optional<TimerSetting> made = TimerRig.nearest(rig, wanted);
        made.ifPresent(setting -> {
            results.add(Result.measured(MADE, Estimate.of(setting.actual().hertz()), Unit.HERTZ)
                    .computed());
            told.add(Fact.of("tune.sender.timer")
                    .with("divider", setting.prescaler())
                    .with("count", setting.top() + 1));
        });
        if (Math.abs(wanted / rig.figure(USUAL) - 1) > NEAR) {
            told.add(Fact.of("tune.sender.elsewhere")
                    .with("usual", Math.rint(rig.figure(USUAL) / 100) / 10)
                    .with("best", Math.rint(wanted / 100) / 10));
        }
        double carrier = made.map(setting -> setting.actual().hertz()).orElse(wanted);
        double duty = set.get(DUTY) / 100;
        message(set, duty, carrier, results);
        current(rig, samples, set, duty, results, told);
        return new Work(results, reach.isEmpty() ? Optional.empty() : Optional.of(picture(reach, best)), told);
    }

    private static Sample squared(Sample sample) {
        return new Sample(
                sample.ask(),
                sample.known(),
                sample.values().stream().map(metres -> metres * metres).toList());
    }

    private static double marks(List<Double> train) {
        double marks = 0;
        for (int i = 0; i < train.size(); i += 2) {
            marks += train.get(i);
        }
        return marks * MICRO;
    }

    private static void message(Map<String, Double> set, double duty, double carrier, List<Result> results) {
        List<Double> train = code(set).train();
        double length = train.stream().mapToDouble(Double::doubleValue).sum() * MICRO;
        results.add(
                Result.measured(ON, Estimate.of(duty / carrier), Unit.SECOND).computed());
        results.add(Result.measured(OFF, Estimate.of((1 - duty) / carrier), Unit.SECOND)
                .computed());
        results.add(Result.measured(MESSAGE, Estimate.of(length), Unit.SECOND).computed());
        results.add(Result.measured(MARKS, Estimate.of(marks(train) / length), Unit.ONE)
                .computed());
    }

    private static void current(
            Rig rig,
            List<Sample> samples,
            Map<String, Double> set,
            double duty,
            List<Result> results,
            List<Fact> told) {
        List<Double> over = Means.values(samples, OVER);
        if (over.isEmpty() || !rig.has(OHMS)) {
            return;
        }
        Estimate pulse = OverResistor.current(over, rig.figure(OHMS), rig.meter());
        double flows = pulse.value();
        double share = marks(code(set).train()) / set.get(EVERY);
        results.add(Result.measured(PULSE, pulse, Unit.AMPERE));
        results.add(Result.measured(BURST, pulse.times(duty), Unit.AMPERE).computed());
        results.add(
                Result.measured(AVERAGE, pulse.times(duty * share), Unit.AMPERE).computed());
        if (flows > rig.figure(MOST)) {
            told.add(Fact.of("tune.sender.much")
                    .with("flows", milli(flows))
                    .with("most", milli(rig.figure(MOST)))
                    .with("burst", milli(flows * duty)));
        }
    }

    private static double milli(double amperes) {
        return Math.rint(amperes * 1e4) / 10;
    }

    /** Carrier in kilohertz along the bottom, reach in metres up. */
    private static Work.Picture picture(List<Sample> squares, Optional<Resonance> best) {
        double low = squares.stream().mapToDouble(Sample::known).min().orElse(0);
        double high = squares.stream().mapToDouble(Sample::known).max().orElse(1);
        List<Point> dots = squares.stream()
                .map(one -> new Point(one.known() / KILO, Math.sqrt(one.mean())))
                .toList();
        List<Point> line = best.map(peak -> IntStream.rangeClosed(0, DRAWN)
                        .mapToObj(i -> low + (high - low) * i / DRAWN)
                        .map(hertz -> new Point(hertz / KILO, Math.sqrt(peak.at(hertz))))
                        .filter(point -> point.y() > 0)
                        .toList())
                .orElse(List.of());
        return new Work.Picture(dots, line, Unit.ONE, Unit.METRE, false);
    }

    /** The marks and spaces of the message, in microseconds. */
    @Override
    public Map<String, List<Long>> tables(Rig rig, Map<String, Double> found, Map<String, Double> set) {
        return Map.of("sent_us", code(set).train().stream().map(Math::round).toList());
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new SenderDevice(rig, seed);
    }
}
