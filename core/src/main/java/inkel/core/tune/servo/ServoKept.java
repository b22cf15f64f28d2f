package inkel.core.tune.servo;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.Mode;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Found;
import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.tune.Constant;
import inkel.core.tune.Estimate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** A servo's draft as it is kept, and a draft of what was kept. */
public final class ServoKept {
    public static final String LOW = "low_end";
    public static final String HIGH = "high_end";
    public static final String CENTRE = "centre";
    public static final String DEAD = "dead_band";
    public static final String LOW_ANGLE = "low_angle";
    public static final String HIGH_ANGLE = "high_angle";
    public static final String STOP = "at_its_stop";
    public static final String FREQUENCY = "pulse_rate";
    public static final String RELEASE = "release_after";
    public static final String MOVE = "end_to_end";
    public static final String PLAY = "play";
    public static final String ARM = "arm_length";
    public static final String HANGING = "hanging_g";
    public static final String MAP = "map";

    private static final double MICRO = 1e-6;
    private static final double GRAMS = 1000;

    private ServoKept() {}

    public static Tuning tuning(ServoDraft draft) {
        Map<String, Found> numbers = new LinkedHashMap<>();
        draft.ends().low().ifPresent(end -> numbers.put(LOW, measured(end, Unit.SECOND)));
        draft.ends().high().ifPresent(end -> numbers.put(HIGH, measured(end, Unit.SECOND)));
        draft.centre()
                .ifPresent(pulse -> numbers.put(
                        CENTRE, measured(new Estimate(pulse, draft.rig().step()), Unit.SECOND)));
        draft.dead().ifPresent(dead -> numbers.put(DEAD, measured(dead, Unit.SECOND)));
        numbers.put(LOW_ANGLE, given(draft.lowAngle(), Unit.ONE));
        numbers.put(HIGH_ANGLE, given(draft.highAngle(), Unit.ONE));
        draft.stop().ifPresent(amperes -> numbers.put(STOP, measured(Estimate.of(amperes), Unit.AMPERE)));
        draft.frequency().ifPresent(hertz -> numbers.put(FREQUENCY, measured(Estimate.of(hertz), Unit.HERTZ)));
        draft.release().ifPresent(seconds -> numbers.put(RELEASE, given(seconds, Unit.SECOND)));
        numbers.put(MOVE, given(draft.moveTime(), Unit.SECOND));
        draft.play().found().ifPresent(play -> numbers.put(PLAY, measured(play, Unit.SECOND)));
        draft.arm().ifPresent(arm -> {
            numbers.put(ARM, given(arm.length(), Unit.METRE));
            numbers.put(HANGING, given(arm.mass() * GRAMS, Unit.ONE));
        });
        Map<String, Quantity> places = new LinkedHashMap<>();
        draft.places().forEach((name, pulse) -> places.put(name, Quantity.of(Unit.SECOND, pulse)));
        return new Tuning(BenchKind.SERVO, numbers, Map.of(MAP, draft.map()), places, Map.of(), figures(draft));
    }

    private static Found measured(Estimate estimate, Unit unit) {
        return new Found(Quantity.of(unit, estimate.value()), estimate.off(), Source.MEASURED);
    }

    private static Found given(double value, Unit unit) {
        return new Found(Quantity.of(unit, value), 0, Source.YOURS);
    }

    /** What it takes at its stop is its peak: an arm that jams takes just that. */
    private static Map<String, String> figures(ServoDraft draft) {
        Optional<Mode> peak = draft.rig().servo().cls().modes().stream()
                .max(Comparator.comparingDouble(
                        mode -> mode.current().range().highest().amperes()));
        return draft.stop()
                .flatMap(amperes -> peak.map(mode -> Map.of(
                        "current/" + mode.supply() + "/" + mode.name(), Engineering.exact(Current.ofAmperes(amperes)))))
                .orElse(Map.of());
    }

    /** The draft that goes on where something was kept; how the servo is driven may have changed since. */
    public static ServoDraft draft(ServoRig rig, Tuning kept) {
        ServoDraft draft = ServoDraft.of(rig);
        Ends ends = new Ends(estimate(kept, LOW), estimate(kept, HIGH));
        List<Tuning.Point> map = kept.curve(MAP).size() < 2 ? draft.map() : kept.curve(MAP);
        Map<String, Double> places = new LinkedHashMap<>();
        kept.places().forEach((name, pulse) -> places.put(name, pulse.si()));
        return new ServoDraft(
                rig,
                draft.now(),
                draft.last(),
                ends,
                si(kept, CENTRE),
                estimate(kept, DEAD),
                0,
                si(kept, LOW_ANGLE).orElse(draft.lowAngle()),
                si(kept, HIGH_ANGLE).orElse(draft.highAngle()),
                si(kept, STOP),
                si(kept, FREQUENCY),
                map,
                places,
                si(kept, RELEASE),
                si(kept, MOVE).orElse(draft.moveTime()),
                new Play(Optional.empty(), 0, estimate(kept, PLAY)),
                si(kept, ARM).flatMap(length -> si(kept, HANGING).map(grams -> new Arm(length, grams / GRAMS))));
    }

    private static Optional<Double> si(Tuning kept, String name) {
        return kept.number(name).map(Quantity::si);
    }

    private static Optional<Estimate> estimate(Tuning kept, String name) {
        return Optional.ofNullable(kept.numbers().get(name))
                .map(found -> new Estimate(found.value().si(), found.off()));
    }

    /** What goes into code, in whole microseconds; for a driver in its ticks as well. */
    public static List<Constant> constants(ServoDraft draft) {
        String name = draft.rig().servo().part().name();
        List<Constant> all = new ArrayList<>();
        Source low = draft.ends().low().isPresent() ? Source.MEASURED : Source.CLASS;
        Source high = draft.ends().high().isPresent() ? Source.MEASURED : Source.CLASS;
        pulse(all, draft, draft.low(), low, name, "LOW");
        pulse(all, draft, draft.high(), high, name, "HIGH");
        draft.middle().ifPresent(pulse -> pulse(all, draft, pulse, Source.MEASURED, name, "CENTRE"));
        draft.places().forEach((place, pulse) -> pulse(all, draft, pulse, Source.YOURS, name, place));
        draft.play()
                .found()
                .ifPresent(play -> all.add(new Constant(
                        Constant.identifier(name, "PLAY_US"),
                        String.valueOf(Math.round(play.value() / MICRO)),
                        Source.MEASURED)));
        draft.release()
                .ifPresent(seconds -> all.add(new Constant(
                        Constant.identifier(name, "RELEASE_MS"),
                        String.valueOf(Math.round(seconds * 1000)),
                        Source.YOURS)));
        all.add(new Constant(
                Constant.identifier(name, "MAP_US_PER_CODE"),
                String.format(Locale.ROOT, "%.4f", draft.line().slope(0) / MICRO),
                Source.COMPUTED));
        return all;
    }

    private static void pulse(List<Constant> all, ServoDraft draft, double pulse, Source source, String... words) {
        String stem = Constant.identifier(words);
        all.add(new Constant(stem + "_US", String.valueOf(Math.round(pulse / MICRO)), source));
        draft.rig().ticks(pulse).ifPresent(ticks -> all.add(new Constant(stem + "_TICKS", ticks.toString(), source)));
    }
}
