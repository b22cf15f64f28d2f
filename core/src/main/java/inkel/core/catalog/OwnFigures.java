package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The figures of a class that a builder may replace for one part, and the class as it is with them.
 *
 * <p>A figure has a key of two or three names: {@code supply/VCC/max}, {@code current/VCC/peak}, {@code rail/OUT/rating},
 * {@code level/logic/vih}, {@code pull-up/SDA}, {@code load/A/usual}.
 */
public final class OwnFigures {
    private static final String SUPPLY = "supply";
    private static final String CURRENT = "current";
    private static final String RAIL = "rail";
    private static final String LEVEL = "level";
    private static final String PULL_UP = "pull-up";
    private static final String LOAD = "load";

    private OwnFigures() {}

    /**
     * One figure as it stands.
     *
     * @param subject the pin, or the group of pins, it belongs to
     * @param name {@code min}, {@code max}, a mode, or a threshold; empty for a pull-up
     * @param shown the value as it would be typed; empty when the class does not tell
     */
    public record Slot(String key, String group, String subject, String name, String shown, Source source) {
        /** A value of the right kind, to show what is wanted. */
        public String example() {
            return switch (group) {
                case CURRENT, LOAD -> "20 mA";
                case PULL_UP -> "4.7 kΩ";
                case LEVEL -> "0.7 VCC, VCC - 0.3 V or 2.0 V";
                default -> name.equals("rating") ? "500 mA" : "3.3 V";
            };
        }
    }

    /** Every figure of a class that can be replaced, in the order of the class. */
    public static List<Slot> of(PartClass cls) {
        List<Slot> slots = new ArrayList<>();
        for (Supply supply : cls.supplies()) {
            Range<Voltage> range = supply.range().range();
            Source source = supply.range().source();
            slots.add(slot(SUPPLY, supply.pin(), "min", text(range.min()), source));
            slots.add(slot(SUPPLY, supply.pin(), "max", text(range.max()), source));
            slots.add(slot(SUPPLY, supply.pin(), "absolute_max", text(supply.absoluteMax()), source));
        }
        for (Mode mode : cls.modes()) {
            slots.add(slot(
                    CURRENT,
                    mode.supply(),
                    mode.name(),
                    text(mode.current().range().highest()),
                    mode.current().source()));
        }
        for (Output output : cls.outputs()) {
            output.volts()
                    .ifPresent(volts -> slots.add(
                            slot(RAIL, output.pin(), "volts", text(volts.range().expected()), volts.source())));
            slots.add(slot(
                    RAIL,
                    output.pin(),
                    "rating",
                    text(output.rating().range().lowest()),
                    output.rating().source()));
        }
        for (IoFamily family : cls.io()) {
            family.vih().ifPresent(level -> slots.add(level(family, "vih", level)));
            family.vil().ifPresent(level -> slots.add(level(family, "vil", level)));
            family.voh().ifPresent(level -> slots.add(level(family, "voh", level)));
            family.vol().ifPresent(level -> slots.add(level(family, "vol", level)));
            slots.add(level(family, "absolute_max", family.absoluteMax()));
        }
        cls.pulls().forEach(pull -> slots.add(slot(PULL_UP, pull.pin(), "", text(pull.resistance()), Source.CLASS)));
        for (PinLoad load : cls.demands().pinLoads()) {
            Range<Current> range = load.current().range();
            Source source = load.current().source();
            slots.add(slot(LOAD, load.pin(), "usual", text(range.expected()), source));
            slots.add(slot(LOAD, load.pin(), "most", text(range.highest()), source));
        }
        return slots;
    }

    private static Slot level(IoFamily family, String name, Threshold level) {
        return slot(LEVEL, family.name(), name, level.toString(), family.source());
    }

    private static Slot slot(String group, String subject, String name, String shown, Source source) {
        String key = group + "/" + subject + (name.isEmpty() ? "" : "/" + name);
        return new Slot(key, group, subject, name, shown, source);
    }

    private static String text(Quantity quantity) {
        return quantity == null ? "" : Engineering.print(quantity);
    }

    /**
     * Why these figures cannot be those of the class, naming the figure and what would be right; empty when they can.
     */
    public static Optional<Fact> problem(PartClass cls, Map<String, String> figures) {
        Map<String, Slot> slots = new LinkedHashMap<>();
        of(cls).forEach(slot -> slots.put(slot.key(), slot));
        for (Map.Entry<String, String> figure : figures.entrySet()) {
            Slot slot = slots.get(figure.getKey());
            if (slot == null) {
                return Optional.of(Fact.of("problem.no_figure")
                        .with("key", figure.getKey())
                        .with("class", cls.name()));
            }
            if (!isReadable(slot, figure.getValue())) {
                return Optional.of(Fact.of("problem.expected_value")
                        .with("example", slot.example())
                        .with("found", figure.getValue()));
            }
        }
        try {
            apply(cls, figures);
            return Optional.empty();
        } catch (IllegalArgumentException outOfOrder) {
            return Optional.of(Fact.of("problem.figures_cross").with("class", cls.name()));
        }
    }

    private static boolean isReadable(Slot slot, String text) {
        if (slot.group().equals(LEVEL)) {
            return Threshold.parse(text).isPresent();
        }
        Unit unit = slot.group().equals(PULL_UP) ? Unit.OHM : isCurrent(slot) ? Unit.AMPERE : Unit.VOLT;
        return Engineering.parse(text, unit).filter(value -> value >= 0).isPresent();
    }

    private static boolean isCurrent(Slot slot) {
        return slot.group().equals(CURRENT)
                || slot.group().equals(LOAD)
                || slot.name().equals("rating");
    }

    /**
     * The class with figures in place of its own, each marked as the builder's.
     *
     * @throws IllegalArgumentException when the figures contradict each other; see {@link #problem}
     */
    public static PartClass apply(PartClass cls, Map<String, String> figures) {
        return apply(cls, figures, Source.YOURS);
    }

    /** The class with figures that were measured on the piece; as it is where they are none of it any more. */
    public static PartClass measured(PartClass cls, Map<String, String> figures) {
        return figures.isEmpty() || problem(cls, figures).isPresent() ? cls : apply(cls, figures, Source.MEASURED);
    }

    private static PartClass apply(PartClass cls, Map<String, String> figures, Source source) {
        if (figures.isEmpty()) {
            return cls;
        }
        Reader own = new Reader(figures, source);
        return cls.with(
                        cls.supplies().stream()
                                .map(supply -> supply(supply, own))
                                .toList(),
                        cls.outputs().stream()
                                .map(output -> output(output, own))
                                .toList(),
                        cls.io().stream().map(family -> family(family, own)).toList(),
                        cls.modes().stream().map(mode -> mode(mode, own)).toList(),
                        cls.pulls().stream()
                                .map(pull -> own.value(PULL_UP + "/" + pull.pin(), Unit.OHM)
                                        .map(ohms -> new Pull(
                                                pull.pin(), pull.supply(), Resistance.ofOhms(ohms), pull.volts()))
                                        .orElse(pull))
                                .toList())
                .withPinLoads(cls.demands().pinLoads().stream()
                        .map(load -> load(load, own))
                        .toList());
    }

    /** Who only says what is usual says that more than that is not to be reckoned with where the class has less. */
    private static PinLoad load(PinLoad load, Reader own) {
        String stem = LOAD + "/" + load.pin() + "/";
        if (!own.hasAny(stem)) {
            return load;
        }
        Range<Current> range = load.current().range();
        Current usual =
                own.value(stem + "usual", Unit.AMPERE).map(Current::ofAmperes).orElse(range.expected());
        Optional<Current> most = own.value(stem + "most", Unit.AMPERE).map(Current::ofAmperes);
        Range<Current> replaced = new Range<>(null, usual, most.orElse(Quantity.larger(usual, range.highest())));
        return new PinLoad(load.pin(), load.sort(), load.forward(), load.from(), new Figure<>(replaced, own.source()));
    }

    private static Supply supply(Supply supply, Reader own) {
        String stem = SUPPLY + "/" + supply.pin() + "/";
        Optional<Voltage> min = own.value(stem + "min", Unit.VOLT).map(Voltage::ofVolts);
        Optional<Voltage> max = own.value(stem + "max", Unit.VOLT).map(Voltage::ofVolts);
        Optional<Voltage> limit = own.value(stem + "absolute_max", Unit.VOLT).map(Voltage::ofVolts);
        if (min.isEmpty() && max.isEmpty() && limit.isEmpty()) {
            return supply;
        }
        Range<Voltage> range = supply.range().range();
        Range<Voltage> replaced = within(min.orElse(range.min()), range.typ(), max.orElse(range.max()));
        // A part that is said to work higher than the class is not damaged there.
        Voltage damaged = limit.orElse(
                replaced.highest().isAbove(supply.absoluteMax()) ? replaced.highest() : supply.absoluteMax());
        if (replaced.highest().isAbove(damaged)) {
            throw new IllegalArgumentException("damaged inside its own range");
        }
        return new Supply(
                supply.pin(),
                new Figure<>(replaced, own.source()),
                damaged,
                supply.dropout(),
                supply.with(),
                supply.isForCell(),
                supply.isMeasured());
    }

    /** The typical value is dropped when it no longer lies between the ends. */
    private static <Q extends Quantity & Comparable<Q>> Range<Q> within(Q min, Q typ, Q max) {
        boolean isOut = typ != null && (min != null && typ.compareTo(min) < 0 || max != null && typ.compareTo(max) > 0);
        return new Range<>(min, isOut ? null : typ, max);
    }

    private static Mode mode(Mode mode, Reader own) {
        return own.value(CURRENT + "/" + mode.supply() + "/" + mode.name(), Unit.AMPERE)
                .map(amperes -> mode.with(new Figure<>(Range.exactly(Current.ofAmperes(amperes)), own.source())))
                .orElse(mode);
    }

    private static Output output(Output output, Reader own) {
        String stem = RAIL + "/" + output.pin() + "/";
        Optional<Figure<Voltage>> volts = own.value(stem + "volts", Unit.VOLT)
                .map(value -> new Figure<>(Range.exactly(Voltage.ofVolts(value)), own.source()));
        Optional<Figure<Current>> rating = own.value(stem + "rating", Unit.AMPERE)
                .map(value -> new Figure<>(Range.exactly(Current.ofAmperes(value)), own.source()));
        return output.giving(volts.or(output::volts), rating.orElse(output.rating()));
    }

    private static IoFamily family(IoFamily family, Reader own) {
        String stem = LEVEL + "/" + family.name() + "/";
        boolean isOwn = own.hasAny(stem);
        return !isOwn
                ? family
                : new IoFamily(
                        family.name(),
                        family.supply(),
                        family.openDrain(),
                        own.level(stem + "vih").or(family::vih),
                        own.level(stem + "vil").or(family::vil),
                        own.level(stem + "voh").or(family::voh),
                        own.level(stem + "vol").or(family::vol),
                        own.level(stem + "voh").or(family::vohLight),
                        own.level(stem + "vol").or(family::volLight),
                        family.vohMax(),
                        own.level(stem + "absolute_max").orElse(family.absoluteMax()),
                        family.recommendedMax(),
                        family.pinCurrent(),
                        family.sourceCurrent(),
                        family.unpoweredMax(),
                        own.source());
    }

    /** Figures in the place of those of the class, read. */
    private record Reader(Map<String, String> figures, Source source) {
        Optional<Double> value(String key, Unit unit) {
            return Optional.ofNullable(figures.get(key)).flatMap(text -> Engineering.parse(text, unit));
        }

        Optional<Threshold> level(String key) {
            return Optional.ofNullable(figures.get(key)).flatMap(Threshold::parse);
        }

        boolean hasAny(String stem) {
            return figures.keySet().stream().anyMatch(key -> key.startsWith(stem));
        }
    }
}
