package inkel.core.tune.analog;

import inkel.core.catalog.BenchKind;
import inkel.core.document.Meter;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Found;
import inkel.core.document.Tuning.Point;
import inkel.core.formula.PolyLine;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import inkel.core.tune.Estimate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What is known of an analog signal while it is on the bench.
 *
 * @param meter what volts are read with
 * @param runs what was read since the bench was set up
 * @param before what was kept earlier; stands as long as nothing new was read
 * @param meaning from codes to what is meant, by corners; fewer than two are no line yet
 * @param unit of what is meant, in the builder's words; may be empty
 * @param averaged how many readings the code takes the mean of
 */
public record AnalogDraft(
        AnalogRig rig,
        Meter meter,
        List<Run> runs,
        Optional<AnalogFit> before,
        List<Point> meaning,
        String unit,
        int averaged)
        implements Draft {
    private static final String LOW = "lowest_code";
    private static final String HIGH = "highest_code";
    private static final String READINGS = "readings";
    private static final String NOISE = "noise";
    private static final String SCALE = "volts_a_code";
    private static final String OFFSET = "volts_at_zero";
    private static final String WORST = "worst_off_the_line";
    private static final String REFERENCE = "reference";
    private static final String AVERAGED = "averaged";
    private static final String MEANING = "meaning";
    private static final String UNIT = "unit";

    public AnalogDraft {
        runs = List.copyOf(runs);
        meaning = List.copyOf(meaning);
    }

    public static AnalogDraft of(AnalogRig rig, Meter meter) {
        return new AnalogDraft(rig, meter, List.of(), Optional.empty(), List.of(), "", 1);
    }

    public AnalogDraft with(Run run) {
        List<Run> more = new ArrayList<>(runs);
        more.add(run);
        return new AnalogDraft(rig, meter, more, before, meaning, unit, averaged);
    }

    /** Without one run, as when a hand slipped. */
    public AnalogDraft without(int run) {
        List<Run> fewer = new ArrayList<>(runs);
        fewer.remove(run);
        return new AnalogDraft(rig, meter, fewer, before, meaning, unit, averaged);
    }

    /** @param corners x rising */
    public AnalogDraft meaning(List<Point> corners, String of) {
        return new AnalogDraft(rig, meter, runs, before, corners, of, averaged);
    }

    public AnalogDraft averaged(int readings) {
        return new AnalogDraft(rig, meter, runs, before, meaning, unit, readings);
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

    /** What a code means; empty while that is no line. */
    public Optional<Double> meant(double code) {
        return line().map(of -> of.at(code));
    }

    /** How long one value takes, in seconds, all channels of the converter left aside. */
    public double delay() {
        return averaged / rig.group().rate().hertz();
    }

    // --- what is kept

    @Override
    public Tuning tuning() {
        Map<String, Found> numbers = new LinkedHashMap<>();
        fit().ifPresent(fit -> {
            numbers.put(LOW, found(Estimate.of(fit.low()), Unit.ONE, Source.MEASURED));
            numbers.put(HIGH, found(Estimate.of(fit.high()), Unit.ONE, Source.MEASURED));
            numbers.put(READINGS, found(Estimate.of(fit.count()), Unit.ONE, Source.MEASURED));
            fit.noise().ifPresent(noise -> numbers.put(NOISE, found(noise, Unit.ONE, Source.MEASURED)));
            fit.scale().ifPresent(scale -> numbers.put(SCALE, found(scale, Unit.VOLT, Source.MEASURED)));
            fit.offset().ifPresent(offset -> numbers.put(OFFSET, found(offset, Unit.VOLT, Source.MEASURED)));
            fit.scale()
                    .ifPresent(
                            scale -> numbers.put(WORST, found(Estimate.of(fit.worst()), Unit.VOLT, Source.COMPUTED)));
            fit.reference(rig.codes())
                    .ifPresent(volts -> numbers.put(REFERENCE, found(volts, Unit.VOLT, Source.COMPUTED)));
        });
        numbers.put(AVERAGED, found(Estimate.of(averaged), Unit.ONE, Source.YOURS));
        return new Tuning(
                BenchKind.ANALOG_IN,
                numbers,
                meaning.isEmpty() ? Map.of() : Map.of(MEANING, meaning),
                Map.of(),
                unit.isEmpty() ? Map.of() : Map.of(UNIT, unit),
                Map.of());
    }

    private static Found found(Estimate estimate, Unit unit, Source source) {
        return new Found(Quantity.of(unit, estimate.value()), estimate.off(), source);
    }

    /** The draft that goes on where something was kept. */
    public static AnalogDraft of(AnalogRig rig, Meter meter, Tuning kept) {
        Optional<AnalogFit> before = kept.number(LOW).flatMap(low -> kept.number(HIGH)
                .map(high -> new AnalogFit(
                        (int) low.si(),
                        (int) high.si(),
                        kept.number(READINGS).map(count -> (int) count.si()).orElse(0),
                        estimate(kept, NOISE),
                        estimate(kept, SCALE),
                        estimate(kept, OFFSET),
                        kept.number(WORST).map(Quantity::si).orElse(0.0))));
        int averaged = kept.number(AVERAGED)
                .map(count -> Math.max(1, (int) count.si()))
                .orElse(1);
        return new AnalogDraft(
                rig,
                meter,
                List.of(),
                before,
                kept.curve(MEANING),
                kept.choice(UNIT).orElse(""),
                averaged);
    }

    private static Optional<Estimate> estimate(Tuning kept, String name) {
        return Optional.ofNullable(kept.numbers().get(name))
                .map(found -> new Estimate(found.value().si(), found.off()));
    }

    @Override
    public boolean isOfSameRig(Draft other) {
        return other instanceof AnalogDraft of && of.rig.equals(rig);
    }

    @Override
    public List<Constant> constants() {
        String name = rig.part().part().name();
        List<Constant> all = new ArrayList<>();
        fit().ifPresent(fit -> {
            fit.scale()
                    .ifPresent(scale -> all.add(new Constant(
                            Constant.identifier(name, "UV_PER_CODE"), decimal(scale.value() * 1e6), Source.MEASURED)));
            fit.offset()
                    .ifPresent(offset -> all.add(new Constant(
                            Constant.identifier(name, "OFFSET_UV"), decimal(offset.value() * 1e6), Source.MEASURED)));
        });
        all.add(new Constant(Constant.identifier(name, "AVERAGED"), String.valueOf(averaged), Source.YOURS));
        for (int i = 0; i < meaning.size(); i++) {
            String point = Constant.identifier(name, "POINT", String.valueOf(i + 1));
            all.add(new Constant(point + "_CODE", decimal(meaning.get(i).x()), Source.YOURS));
            all.add(new Constant(
                    Constant.identifier(point, "VALUE", unit),
                    decimal(meaning.get(i).y()),
                    Source.YOURS));
        }
        return all;
    }

    private static String decimal(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : String.format(Locale.ROOT, "%.3f", value);
    }
}
