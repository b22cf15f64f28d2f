package inkel.core.document;

import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a builder can put in a wire by hand, and which values it takes. */
public enum PieceKind {
    SERIES(Slot.ohms("series", "330 Ω"), Slot.CAPACITOR),
    DIVIDER(Slot.ohms("series", "1 kΩ"), Slot.ohms("to_ground", "2.2 kΩ"), Slot.CAPACITOR),
    DIODE(Slot.ohms("pull_up", "10 kΩ")),
    OPTO(Slot.ohms("series", "390 Ω"), Slot.ohms("pull_up", "10 kΩ")),
    OPTO_FROM_SUPPLY(Slot.ohms("series", "390 Ω"), Slot.ohms("pull_up", "10 kΩ")),
    PULL_UP(Slot.ohms("pull_up", "10 kΩ")),
    PULL_DOWN(Slot.ohms("to_ground", "10 kΩ")),
    COIL_DRIVER(Slot.ohms("base", "1 kΩ"));

    /**
     * A value that it takes.
     *
     * @param isOptional whether it may be left out
     */
    public record Slot(String key, Unit unit, String example, boolean isOptional) {
        static final Slot CAPACITOR = new Slot("capacitor", Unit.FARAD, "100 nF", true);

        /** In SI base units. */
        double least() {
            return unit == Unit.OHM ? Between.LEAST_OHMS : Double.MIN_VALUE;
        }

        static Slot ohms(String key, String example) {
            return new Slot(key, Unit.OHM, example, false);
        }
    }

    /** What can stand in a wire from one board to another. */
    public static final List<PieceKind> BETWEEN_BOARDS = List.of(SERIES, DIVIDER, DIODE, OPTO, OPTO_FROM_SUPPLY);

    private final List<Slot> slots;

    PieceKind(Slot... slots) {
        this.slots = List.of(slots);
    }

    public List<Slot> slots() {
        return slots;
    }

    /** The kind of what stands in a wire; empty for a shifter, and for nothing by choice. */
    public static Optional<PieceKind> of(Between between) {
        if (between instanceof Between.Series) {
            return Optional.of(SERIES);
        } else if (between instanceof Between.Divider) {
            return Optional.of(DIVIDER);
        } else if (between instanceof Between.Diode) {
            return Optional.of(DIODE);
        } else if (between instanceof Between.Opto opto) {
            return Optional.of(opto.turnsOver() ? OPTO : OPTO_FROM_SUPPLY);
        } else if (between instanceof Between.PulledUp) {
            return Optional.of(PULL_UP);
        } else if (between instanceof Between.PulledDown) {
            return Optional.of(PULL_DOWN);
        }
        return between instanceof Between.CoilDriver ? Optional.of(COIL_DRIVER) : Optional.empty();
    }

    /** The values that stand in a wire now, as they would be typed. */
    public static Map<String, String> values(Between between) {
        Map<String, String> values = new LinkedHashMap<>();
        if (between instanceof Between.Series series) {
            values.put("series", Engineering.print(series.resistance()));
        } else if (between instanceof Between.Divider divider) {
            values.put("series", Engineering.print(divider.series()));
            values.put("to_ground", Engineering.print(divider.toGround()));
        } else if (between instanceof Between.Diode diode) {
            values.put("pull_up", Engineering.print(diode.pullUp()));
        } else if (between instanceof Between.Opto opto) {
            values.put("series", Engineering.print(opto.series()));
            values.put("pull_up", Engineering.print(opto.pullUp()));
        } else if (between instanceof Between.PulledUp up) {
            values.put("pull_up", Engineering.print(up.pullUp()));
        } else if (between instanceof Between.PulledDown down) {
            values.put("to_ground", Engineering.print(down.toGround()));
        } else if (between instanceof Between.CoilDriver driver) {
            values.put("base", Engineering.print(driver.base()));
        }
        between.capacitor().ifPresent(value -> values.put("capacitor", Engineering.print(value)));
        return values;
    }

    /** Why a typed value will not do, naming what would; empty when it will. */
    public Optional<Fact> problem(Slot slot, String typed) {
        boolean isLeftOut = slot.isOptional() && typed.isBlank();
        boolean isRight = isLeftOut
                || Engineering.parse(typed, slot.unit())
                        .filter(value -> value >= slot.least())
                        .isPresent();
        return isRight
                ? Optional.empty()
                : Optional.of(Fact.of("problem.expected_value")
                        .with("example", slot.example())
                        .with("found", typed));
    }

    /** The piece in a signal's wire; empty while a value will not do. */
    public Optional<Between> make(Endpoint signal, Map<String, String> typed) {
        for (Slot slot : slots) {
            if (problem(slot, typed.getOrDefault(slot.key(), "")).isPresent()) {
                return Optional.empty();
            }
        }
        Optional<Capacitance> capacitor = value("capacitor", Unit.FARAD, typed).map(Capacitance::ofFarads);
        return Optional.of(
                switch (this) {
                    case SERIES -> new Between.Series(signal, ohms("series", typed), capacitor, Extras.NONE);
                    case DIVIDER ->
                        new Between.Divider(
                                signal, ohms("series", typed), ohms("to_ground", typed), capacitor, Extras.NONE);
                    case DIODE -> new Between.Diode(signal, ohms("pull_up", typed), Extras.NONE);
                    case OPTO -> opto(signal, Between.Opto.Lit.BY_HIGH, typed);
                    case OPTO_FROM_SUPPLY -> opto(signal, Between.Opto.Lit.BY_LOW, typed);
                    case PULL_UP -> new Between.PulledUp(signal, ohms("pull_up", typed), Extras.NONE);
                    case PULL_DOWN -> new Between.PulledDown(signal, ohms("to_ground", typed), Extras.NONE);
                    case COIL_DRIVER -> new Between.CoilDriver(signal, ohms("base", typed), Extras.NONE);
                });
    }

    private static Between opto(Endpoint signal, Between.Opto.Lit lit, Map<String, String> typed) {
        return new Between.Opto(signal, lit, ohms("series", typed), ohms("pull_up", typed), Extras.NONE);
    }

    private static Resistance ohms(String key, Map<String, String> typed) {
        return value(key, Unit.OHM, typed).map(Resistance::ofOhms).orElseThrow();
    }

    private static Optional<Double> value(String key, Unit unit, Map<String, String> typed) {
        String text = typed.getOrDefault(key, "");
        return text.isBlank() ? Optional.empty() : Engineering.parse(text, unit);
    }
}
