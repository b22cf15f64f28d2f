package inkel.core.tune.out;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.Pin;
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
import inkel.core.tune.sample.Result;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledBench;
import inkel.core.tune.sample.Wired;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Codes that were sent and the volts that a meter read: the line of least squares through them. Of what the meter may be off
 * its digits are a chance, anew for each reading, and its share a limit, the same for all; both go into the line as such.
 */
public final class OutBench implements SampledBench {
    static final String OUT = "out";
    static final String SCALE = "volts_a_code";
    static final String OFFSET = "volts_at_zero";
    static final String REFERENCE = "reference";
    static final String WORST = "worst_steps";

    static final String CODES = "codes";
    static final String FULL = "full_scale";

    private static final String BEFORE = "frame before";
    private static final String AFTER = "frame after";
    private static final int MILLI = 1000;

    @Override
    public BenchKind kind() {
        return BenchKind.ANALOG_OUT;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        Optional<Pin> out =
                part.cls().pins().stream().filter(pin -> pin.codeBits() > 0).findFirst();
        return out.filter(pin -> Wired.onBus(node, part)).flatMap(pin -> node.ioVolts(part.endpoint(pin))
                .map(volts -> new Rig(
                        part.part().name(),
                        List.of(pin.label()),
                        figures(part, pin, volts.expected().volts()),
                        meter)));
    }

    private static Map<String, Double> figures(Placed part, Pin pin, double full) {
        Map<String, Double> figures = new LinkedHashMap<>();
        figures.put(CODES, Math.pow(2, pin.codeBits()));
        figures.put(FULL, full);
        part.cls().handling().frame().ifPresent(frame -> {
            figures.put(BEFORE, (double) marked(frame.before()));
            figures.put(AFTER, (double) marked(frame.after()));
        });
        return figures;
    }

    /** Zeros and ones as a number, with a one before them so that none of them is lost. */
    private static long marked(String bits) {
        return Long.parseLong("1" + bits, 2);
    }

    /** What goes out for a code, in bits by bytes; empty where the class does not tell. */
    static Optional<String> frame(Rig rig, long code) {
        if (!rig.has(BEFORE)) {
            return Optional.empty();
        }
        String before = Long.toBinaryString((long) rig.figure(BEFORE)).substring(1);
        String after = Long.toBinaryString((long) rig.figure(AFTER)).substring(1);
        // The number of codes is a one with as many zeros behind it as a code has bits.
        String bits =
                before + Long.toBinaryString((long) rig.figure(CODES) + code).substring(1) + after;
        return Optional.of(bits.replaceAll("(.{8})(?!$)", "$1 "));
    }

    @Override
    public Set<String> forCode() {
        return Set.of(SCALE, OFFSET, REFERENCE);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        double most = rig.figure(CODES) - 1;
        List<Double> places = new ArrayList<>();
        for (double share : new double[] {0.02, 0.25, 0.5, 0.75, 1}) {
            places.add(Math.rint(share * most));
        }
        return List.of(Ask.of(OUT, new Ask.Known(Unit.ONE, 0, most, places), Unit.VOLT, 1));
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        if (samples.isEmpty()) {
            return Work.NONE;
        }
        Optional<LineFit> fit = LineFit.of(samples, rig.meter().step(rig.figure(FULL)));
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        fit.filter(line -> line.slope().value() > 0).ifPresent(line -> {
            Chance chance = Chance.of(samples, rig.meter());
            Estimate scale = within(line.slope().value(), chance.ofSlope(), rig.meter());
            results.add(Result.measured(SCALE, scale, Unit.VOLT));
            results.add(
                    Result.measured(OFFSET, within(line.start().value(), chance.ofStart(), rig.meter()), Unit.VOLT));
            results.add(Result.measured(REFERENCE, scale.times(rig.figure(CODES)), Unit.VOLT)
                    .computed());
            double worst = line.worst() / line.slope().value();
            results.add(Result.measured(WORST, Estimate.of(worst), Unit.ONE).computed());
            for (Sample sample : samples) {
                Optional<String> frame = frame(rig, Math.round(sample.known()));
                told.add(Fact.of(frame.isPresent() ? "tune.out.sent" : "tune.out.code")
                        .with("frame", frame.orElse(""))
                        .with("code", Math.round(sample.known()))
                        .with("wanted", milli(line.at(sample.known())))
                        .with("read", milli(sample.mean()))
                        .with("off", Math.rint(10 * (sample.mean() - line.at(sample.known())) / scale.value()) / 10));
            }
        });
        return new Work(results, Optional.of(LineFit.picture(samples, fit, Unit.ONE, Unit.VOLT)), told);
    }

    private static Estimate within(double value, double deviation, Meter meter) {
        return new Estimate(value, Spread.ofSum(meter.accuracy() * Math.abs(value), deviation));
    }

    /**
     * What the meter's digits make of slope and start of the line: each reading is off by up to some last digits and rounded to
     * one, alike over that span, in the range that holds it. Slope and start are sums of readings with known weights.
     */
    private record Chance(double ofSlope, double ofStart) {
        static Chance of(List<Sample> samples, Meter meter) {
            double count = samples.stream().mapToInt(one -> one.values().size()).sum();
            double x = samples.stream()
                            .mapToDouble(one -> one.known() * one.values().size())
                            .sum()
                    / count;
            double squares = samples.stream()
                    .mapToDouble(one -> one.values().size() * (one.known() - x) * (one.known() - x))
                    .sum();
            double slope = 0;
            double start = 0;
            for (Sample one : samples) {
                double step = meter.step(one.mean());
                double digits = 2 * meter.digits() * step;
                double variance = one.values().size() * (digits * digits + step * step) / 12;
                double inSlope = (one.known() - x) / squares;
                double inStart = 1 / count - x * inSlope;
                slope += inSlope * inSlope * variance;
                start += inStart * inStart * variance;
            }
            return new Chance(Math.sqrt(slope), Math.sqrt(start));
        }
    }

    private static long milli(double volts) {
        return Math.round(volts * MILLI);
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new OutDevice(rig, seed);
    }
}
