package inkel.core.tune.analog;

import inkel.core.catalog.BenchKind;
import inkel.core.document.Meter;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Found;
import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.tune.Constant;
import inkel.core.tune.Estimate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Analog signals as they are kept; those of a part that has several are told apart by their pin before each name. */
final class AnalogKept {
    private static final String LOW = "lowest_code";
    private static final String HIGH = "highest_code";
    private static final String READINGS = "readings";
    private static final String NOISE = "noise";
    private static final String DRIFT = "drift_a_reading";
    private static final String SCALE = "volts_a_code";
    private static final String OFFSET = "volts_at_zero";
    private static final String WORST = "worst_off_the_line";
    private static final String REFERENCE = "reference";
    private static final String AVERAGED = "averaged";
    private static final String RESISTOR = "divider_resistor";
    private static final String SIDE = "thermistor_at";
    private static final String GROUND = "ground";
    private static final String SUPPLY = "supply";
    private static final String MEANING = "meaning";
    private static final String UNIT = "unit";

    private AnalogKept() {}

    static Tuning tuning(List<AnalogSignal> signals) {
        Map<String, Found> numbers = new LinkedHashMap<>();
        Map<String, List<Point>> curves = new LinkedHashMap<>();
        Map<String, String> choices = new LinkedHashMap<>();
        for (AnalogSignal signal : signals) {
            String before = signal.rig().prefix();
            numbers(signal).forEach((name, found) -> numbers.put(before + name, found));
            if (!signal.meaning().isEmpty()) {
                curves.put(before + MEANING, signal.meaning());
            }
            if (!signal.unit().isEmpty()) {
                choices.put(before + UNIT, signal.unit());
            }
            signal.divider().ifPresent(by -> choices.put(before + SIDE, by.atGround() ? GROUND : SUPPLY));
        }
        return new Tuning(BenchKind.ANALOG_IN, numbers, curves, Map.of(), choices, Map.of());
    }

    private static Map<String, Found> numbers(AnalogSignal signal) {
        Map<String, Found> numbers = new LinkedHashMap<>();
        signal.fit().ifPresent(fit -> {
            numbers.put(LOW, found(Estimate.of(fit.low()), Unit.ONE, Source.MEASURED));
            numbers.put(HIGH, found(Estimate.of(fit.high()), Unit.ONE, Source.MEASURED));
            numbers.put(READINGS, found(Estimate.of(fit.count()), Unit.ONE, Source.MEASURED));
            fit.noise().ifPresent(noise -> numbers.put(NOISE, found(noise, Unit.ONE, Source.MEASURED)));
            fit.drift().ifPresent(drift -> numbers.put(DRIFT, found(drift, Unit.ONE, Source.MEASURED)));
            fit.scale().ifPresent(scale -> numbers.put(SCALE, found(scale, Unit.VOLT, Source.MEASURED)));
            fit.offset().ifPresent(offset -> numbers.put(OFFSET, found(offset, Unit.VOLT, Source.MEASURED)));
            fit.scale()
                    .ifPresent(
                            scale -> numbers.put(WORST, found(Estimate.of(fit.worst()), Unit.VOLT, Source.COMPUTED)));
            fit.reference(signal.rig().codes())
                    .ifPresent(volts -> numbers.put(REFERENCE, found(volts, Unit.VOLT, Source.COMPUTED)));
        });
        numbers.put(AVERAGED, found(Estimate.of(signal.averaged()), Unit.ONE, Source.YOURS));
        signal.divider()
                .ifPresent(by -> numbers.put(RESISTOR, found(Estimate.of(by.resistor()), Unit.OHM, Source.YOURS)));
        return numbers;
    }

    private static Found found(Estimate estimate, Unit unit, Source source) {
        return new Found(Quantity.of(unit, estimate.value()), estimate.off(), source);
    }

    /**
     * The signal that goes on where something was kept.
     *
     * @param isNamed whether names without a pin before them may be its own
     */
    static AnalogSignal signal(AnalogRig rig, Meter meter, Tuning kept, boolean isNamed) {
        boolean isOwn = kept.numbers().containsKey(rig.prefix() + AVERAGED);
        String before = isOwn || !isNamed ? rig.prefix() : "";
        Optional<AnalogFit> fit = kept.number(before + LOW).flatMap(low -> kept.number(before + HIGH)
                .map(high -> new AnalogFit(
                        (int) low.si(),
                        (int) high.si(),
                        kept.number(before + READINGS)
                                .map(count -> (int) count.si())
                                .orElse(0),
                        estimate(kept, before + NOISE),
                        estimate(kept, before + DRIFT),
                        estimate(kept, before + SCALE),
                        estimate(kept, before + OFFSET),
                        kept.number(before + WORST).map(Quantity::si).orElse(0.0))));
        return new AnalogSignal(
                rig,
                meter,
                List.of(),
                fit,
                kept.curve(before + MEANING),
                kept.choice(before + UNIT).orElse(""),
                kept.number(before + AVERAGED)
                        .map(count -> Math.max(1, (int) count.si()))
                        .orElse(1),
                kept.number(before + RESISTOR)
                        .filter(ohms -> ohms.si() > 0)
                        .map(ohms -> new Divider(
                                ohms.si(),
                                kept.choice(before + SIDE).orElse(GROUND).equals(GROUND))));
    }

    private static Optional<Estimate> estimate(Tuning kept, String name) {
        return Optional.ofNullable(kept.numbers().get(name))
                .map(found -> new Estimate(found.value().si(), found.off()));
    }

    static List<Constant> constants(AnalogSignal signal) {
        String name = Constant.identifier(
                signal.rig().part().part().name(), signal.rig().prefix());
        List<Constant> all = new ArrayList<>();
        signal.fit().ifPresent(fit -> {
            fit.scale()
                    .ifPresent(scale -> all.add(new Constant(
                            Constant.identifier(name, "UV_PER_CODE"), decimal(scale.value() * 1e6), Source.MEASURED)));
            fit.offset()
                    .ifPresent(offset -> all.add(new Constant(
                            Constant.identifier(name, "OFFSET_UV"), decimal(offset.value() * 1e6), Source.MEASURED)));
        });
        all.add(new Constant(Constant.identifier(name, "AVERAGED"), String.valueOf(signal.averaged()), Source.YOURS));
        for (int i = 0; i < signal.meaning().size(); i++) {
            String point = Constant.identifier(name, "POINT", String.valueOf(i + 1));
            all.add(new Constant(
                    point + "_CODE", decimal(signal.meaning().get(i).x()), Source.YOURS));
            all.add(new Constant(
                    Constant.identifier(point, "VALUE", signal.unit()),
                    decimal(signal.meaning().get(i).y()),
                    Source.YOURS));
        }
        signal.divider()
                .ifPresent(by -> all.add(
                        new Constant(Constant.identifier(name, "DIVIDER_OHM"), decimal(by.resistor()), Source.YOURS)));
        signal.curve().ifPresent(curve -> {
            all.add(new Constant(Constant.identifier(name, "CURVE_A"), small(curve.a()), Source.COMPUTED));
            all.add(new Constant(Constant.identifier(name, "CURVE_B"), small(curve.b()), Source.COMPUTED));
            all.add(new Constant(Constant.identifier(name, "CURVE_C"), small(curve.c()), Source.COMPUTED));
        });
        return all;
    }

    private static String decimal(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : String.format(Locale.ROOT, "%.3f", value);
    }

    private static String small(double value) {
        return String.format(Locale.ROOT, "%.6e", value);
    }
}
