package inkel.core.tune.analog;

import inkel.core.document.Meter;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.PolyLine;
import inkel.core.formula.SteinhartHart;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * What is known of one analog signal of a part while that is on the bench.
 *
 * @param meter what volts are read with
 * @param runs what was read since the bench was set up
 * @param before what was kept earlier; stands as long as nothing new was read
 * @param meaning from codes to what is meant, by corners; fewer than two are no line yet
 * @param unit of what is meant, in the builder's words; may be empty
 * @param averaged how many readings the code takes the mean of
 * @param divider how the thermistor stands that the signal comes from; absent for what has straight lines between its points
 */
public record AnalogSignal(
        AnalogRig rig,
        Meter meter,
        List<Run> runs,
        Optional<AnalogFit> before,
        List<Point> meaning,
        String unit,
        int averaged,
        Optional<Divider> divider) {
    /** Points that a curve is laid through. */
    private static final int CURVED = 3;

    /** Places between the ends at which straight lines are held against the curve. */
    private static final int BETWEEN = 400;

    /** What a range has above what was seen. */
    private static final double SPARE = 1.1;

    public AnalogSignal {
        runs = List.copyOf(runs);
        meaning = List.copyOf(meaning);
    }

    public static AnalogSignal of(AnalogRig rig, Meter meter) {
        return new AnalogSignal(rig, meter, List.of(), Optional.empty(), List.of(), "", 1, Optional.empty());
    }

    public AnalogSignal with(Run run) {
        List<Run> more = new ArrayList<>(runs);
        more.add(run);
        return new AnalogSignal(rig, meter, more, before, meaning, unit, averaged, divider);
    }

    /** Without one run, as when a hand slipped. */
    public AnalogSignal without(int run) {
        List<Run> fewer = new ArrayList<>(runs);
        fewer.remove(run);
        return new AnalogSignal(rig, meter, fewer, before, meaning, unit, averaged, divider);
    }

    /** @param corners x rising */
    public AnalogSignal meaning(List<Point> corners, String of) {
        return new AnalogSignal(rig, meter, runs, before, corners, of, averaged, divider);
    }

    public AnalogSignal averaged(int readings) {
        return new AnalogSignal(rig, meter, runs, before, meaning, unit, readings, divider);
    }

    /** What the codes say; empty while nothing was read. */
    public Optional<AnalogFit> fit() {
        return runs.isEmpty() ? before : AnalogFit.of(runs, meter);
    }

    /** From codes to what is meant, flat at its ends. */
    public Optional<PolyLine> line() {
        return meaning.size() < 2
                ? Optional.empty()
                : Optional.of(new PolyLine(
                        meaning.stream()
                                .map(point -> new PolyLine.Corner(point.x(), point.y()))
                                .toList(),
                        true));
    }

    public AnalogSignal divided(Optional<Divider> by) {
        return new AnalogSignal(rig, meter, runs, before, meaning, unit, averaged, by);
    }

    /** The curve of the thermistor through the first, the middle and the last point; empty for fewer, or no such curve. */
    public Optional<SteinhartHart> curve() {
        if (divider.isEmpty() || meaning.size() < CURVED) {
            return Optional.empty();
        }
        try {
            return Optional.of(SteinhartHart.through(
                    known(meaning.get(0)),
                    known(meaning.get(meaning.size() / 2)),
                    known(meaning.get(meaning.size() - 1))));
        } catch (IllegalArgumentException alike) {
            return Optional.empty();
        }
    }

    private SteinhartHart.Known known(Point point) {
        return new SteinhartHart.Known(divider.orElseThrow().ohms(share(point.x())), point.y());
    }

    /** What the signal is of the volts that its part is fed with. */
    private double share(double code) {
        return (code + 0.5) * rig.step() / rig.over();
    }

    private Optional<Double> curved(double code) {
        double share = share(code);
        return share <= 0 || share >= 1
                ? Optional.empty()
                : curve().map(of -> of.at(divider.orElseThrow().ohms(share)).celsius());
    }

    /** What a code means; empty while that is no line, and beside the ends of what a divider gives. */
    public Optional<Double> meant(double code) {
        return divider.isPresent() ? curved(code) : line().map(of -> of.at(code));
    }

    /** How far the points that the curve was not laid through are off it at most; empty where there are none. */
    public Optional<Double> worstBeside() {
        return meaning.size() <= CURVED
                ? Optional.empty()
                : meaning.stream()
                        .flatMap(point -> curved(point.x()).stream().map(of -> Math.abs(of - point.y())))
                        .max(Comparator.naturalOrder());
    }

    /** How far straight lines between the points would be off the curve at most. */
    public Optional<Double> straightOff() {
        if (curve().isEmpty()) {
            return Optional.empty();
        }
        PolyLine straight = line().orElseThrow();
        double from = meaning.get(0).x();
        double to = meaning.get(meaning.size() - 1).x();
        return IntStream.rangeClosed(0, BETWEEN)
                .mapToObj(i -> from + (to - from) * i / BETWEEN)
                .flatMap(code -> curved(code).stream().map(of -> Math.abs(of - straight.at(code))))
                .max(Comparator.naturalOrder());
    }

    /** The highest volts that were seen, by the line where it is known. */
    public Optional<Double> highest() {
        return fit().map(found -> found.volts(found.high()).orElse((found.high() + 1) * rig.step()));
    }

    /**
     * The narrowest range of the converter that what was seen fits in with a tenth to spare, the one of the plan among
     * them; empty while nothing was seen, or where it has no other.
     */
    public Optional<Double> range() {
        return rig.ranges().size() < 2
                ? Optional.empty()
                : highest().flatMap(volts -> rig.ranges().stream()
                        .filter(range -> range >= volts * SPARE)
                        .min(Comparator.naturalOrder()));
    }

    /** How often its converter reads it, in hertz, where it reads all its channels in turn. */
    public double rate() {
        return rig.group().rate().hertz() / rig.channels();
    }

    /** How long one value takes, in seconds, all channels of the converter in turn. */
    public double delay() {
        return averaged / rate();
    }

    /** The volts of one code in the range that is meant by {@link #range}. */
    public Optional<Double> rangeStep() {
        return range().map(volts -> volts / rig.codes());
    }
}
