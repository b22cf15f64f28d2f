package inkel.core.tune.strip;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Screen;
import inkel.core.catalog.Supply;
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
import inkel.core.tune.sample.Setting;
import inkel.core.tune.sample.Wired;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * One byte of a lamp sent full, and the colour that is seen: the order of its colours. The current of all lamps white at several
 * levels: a line, by which the level is found that the supply bears.
 */
public final class StripBench implements SampledBench {
    static final String SEEN = "seen";
    static final String FLOWS = "flows";
    static final String DARK = "strip_dark";
    static final String FULL = "strip_full";
    static final String CAP = "brightness_most";
    static final List<String> PLACES = List.of("red_byte", "green_byte", "blue_byte");

    static final String LAMPS = "lamps";
    static final String ROOM = "room";
    static final String USUAL = "usual full";

    private static final String LIMIT = "strip_limit";
    private static final String METER = "meter_off";
    private static final double USUAL_METER = 0.01;
    static final double STEP = 1e-3;
    private static final int LEVELS = 255;
    private static final double TO_SPARE = 0.9;
    private static final double MICROS_A_LAMP = 30;
    private static final int BYTES_A_LAMP = 3;
    private static final double MOST = 100;

    @Override
    public BenchKind kind() {
        return BenchKind.STRIP;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<String> pins = Wired.pins(node, part, Pin::isTimed);
        Optional<Screen> lamps = part.cls().handling().screen();
        Optional<Supply> supply = part.cls().supplies().stream().findFirst();
        if (pins.isEmpty() || lamps.isEmpty() || supply.isEmpty()) {
            return Optional.empty();
        }
        Map<String, Double> figures = new LinkedHashMap<>();
        figures.put(LAMPS, (double) lamps.get().columns());
        figures.put(USUAL, part.cls().peak(supply.get().pin()).amperes());
        // What its rail has left for it: its room, and what it was counted with there.
        node.railOf(part, supply.get().pin()).ifPresent(rail -> {
            double others =
                    rail.peak().amperes() - part.cls().peak(supply.get().pin()).amperes();
            figures.put(ROOM, Math.max(0, rail.rating().amperes() - Math.max(0, others)));
        });
        return Optional.of(new Rig(part.part().name(), pins, figures, meter));
    }

    @Override
    public Set<String> forCode() {
        Set<String> code = new HashSet<>(PLACES);
        code.add(CAP);
        return code;
    }

    @Override
    public List<Ask> asks(Rig rig) {
        return List.of(
                Ask.of(SEEN, new Ask.Known(Unit.ONE, 1, 3, List.of(1.0, 2.0, 3.0)), Unit.ONE, 1),
                Ask.of(FLOWS, new Ask.Known(Unit.ONE, 0, LEVELS, List.of(0.0, 64.0, 128.0, 255.0)), Unit.AMPERE, 4));
    }

    @Override
    public List<Setting> settings(Rig rig) {
        double room = rig.has(ROOM) ? rig.figure(ROOM) : rig.figure(USUAL);
        return List.of(
                Setting.number(LIMIT, Unit.AMPERE, room, 0, MOST),
                Setting.number(METER, Unit.ONE, USUAL_METER, 0, 0.2));
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        order(samples, results, told);
        List<Sample> flows =
                samples.stream().filter(sample -> sample.ask().equals(FLOWS)).toList();
        Optional<LineFit> fit = flows.isEmpty() ? Optional.empty() : LineFit.of(flows, STEP);
        fit.filter(line -> line.slope().value() > 0).ifPresent(line -> {
            results.add(Result.measured(DARK, within(line.start(), line.freedoms(), set.get(METER)), Unit.AMPERE));
            results.add(Result.measured(FULL, full(flows, line, set.get(METER)), Unit.AMPERE));
            double room = set.get(LIMIT) * TO_SPARE - line.start().value();
            double level =
                    Math.floor(Math.max(0, Math.min(LEVELS, room / line.slope().value())));
            results.add(Result.measured(CAP, Estimate.of(level), Unit.ONE).computed());
            if (level == 0) {
                told.add(Fact.of("tune.strip.none"));
            }
        });
        double lamps = rig.figure(LAMPS);
        told.add(Fact.of("tune.strip.costs")
                .with("lamps", Math.round(lamps))
                .with("bytes", Math.round(lamps * BYTES_A_LAMP))
                .with("millis", Math.rint(lamps * MICROS_A_LAMP / 100) / 10));
        return new Work(
                results,
                flows.isEmpty() ? Optional.empty() : Optional.of(LineFit.picture(flows, fit, Unit.ONE, Unit.AMPERE)),
                told);
    }

    /** Each of three bytes is another colour, or something was read wrongly. */
    private static void order(List<Sample> samples, List<Result> results, List<Fact> told) {
        Map<Integer, Integer> byteOf = new LinkedHashMap<>();
        samples.stream()
                .filter(sample -> sample.ask().equals(SEEN))
                .forEach(sample -> byteOf.put((int) Math.round(sample.mean()), (int) Math.round(sample.known())));
        long read = samples.stream()
                .filter(sample -> sample.ask().equals(SEEN))
                .mapToDouble(Sample::known)
                .distinct()
                .count();
        boolean isRight = byteOf.keySet().stream().allMatch(colour -> colour >= 1 && colour <= PLACES.size());
        if (read == PLACES.size() && (!isRight || byteOf.size() < PLACES.size())) {
            told.add(Fact.of("tune.strip.twice"));
        } else if (isRight && byteOf.size() == PLACES.size()) {
            byteOf.forEach((colour, place) ->
                    results.add(Result.measured(PLACES.get(colour - 1), Estimate.of(place), Unit.ONE)));
        }
    }

    /** What is read at full, off the line; the meter's share is a limit, the rest chance. */
    private static Estimate full(List<Sample> flows, LineFit line, double share) {
        double count = flows.stream().mapToInt(one -> one.values().size()).sum();
        double mean = flows.stream()
                        .mapToDouble(one -> one.known() * one.values().size())
                        .sum()
                / count;
        double squares = flows.stream()
                .mapToDouble(one -> one.values().size() * (one.known() - mean) * (one.known() - mean))
                .sum();
        double value = line.at(LEVELS);
        double chance = line.deviation() * Math.sqrt(1 / count + (LEVELS - mean) * (LEVELS - mean) / squares);
        return within(new Estimate(value, Spread.ofMean(chance, line.freedoms())), line.freedoms(), share);
    }

    private static Estimate within(Estimate byChance, int freedoms, double share) {
        double deviation = byChance.off() / Spread.ofMean(1, freedoms);
        // Few readings: their own deviation is as uncertain as Student's t says, so that the wider one is taken.
        double wide = Spread.ofSum(share * Math.abs(byChance.value()), deviation);
        return new Estimate(byChance.value(), Math.max(wide, byChance.off()));
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new StripDevice(rig, seed);
    }
}
