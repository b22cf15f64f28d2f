package inkel.core.catalog;

import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What a builder may choose for a part, as typed: settings that carry a value with a unit. */
public enum PartSettings {
    /** What an adjustable source is set to. */
    VOLTS("volts", Unit.VOLT, "6 V"),
    /** How many cells a battery has in a row. */
    CELLS("cells", Unit.ONE, "4"),
    /** How long a battery must last, in hours. */
    HOURS("hours", Unit.ONE, "8"),
    /** The air around a board. */
    AMBIENT("ambient", Unit.CELSIUS, "40 °C"),
    ADDRESS("address", Unit.ONE, "0x27"),
    BAUD("baud", Unit.HERTZ, "9600"),
    /** How fast the board clocks its I2C buses. */
    I2C_CLOCK("i2c_clock", Unit.HERTZ, "100 kHz"),
    /** How fast the board clocks its SPI buses. */
    SPI_CLOCK("spi_clock", Unit.HERTZ, "250 kHz"),
    /** A pair of resistors from the bus pins to the part's supply. */
    ADD_PULL_UPS("add_pull_ups", Unit.OHM, "4.7 kΩ"),
    /** A resistor from a select pin to the part's supply. */
    SELECT_PULL_UP("select_pull_up", Unit.OHM, "10 kΩ"),
    /** How often the program talks to the part. */
    POLLS("polls", Unit.HERTZ, "10 Hz"),
    /** The size of the supply wires, by the American wire gauge. */
    GAUGE("gauge", Unit.ONE, "24"),
    /** How long the supply wires are, one way. */
    LENGTH("length", Unit.METRE, "0.3 m"),
    /** What stands across the supply to carry bursts. */
    CAPACITOR("capacitor", Unit.FARAD, "1000 µF"),
    /** The series resistance of that capacitor. */
    ESR("esr", Unit.OHM, "0.1 Ω");

    private static final int MOST_ADDRESS = 0x7F;

    /** Thinner wire than this is not sold for building with. */
    private static final int MOST_GAUGE = 40;

    private static final int MOST_CELLS = 24;

    private final String key;
    private final Unit unit;
    private final String example;

    PartSettings(String key, Unit unit, String example) {
        this.key = key;
        this.unit = unit;
        this.example = example;
    }

    public String key() {
        return key;
    }

    public String example() {
        return example;
    }

    public static Optional<PartSettings> of(String key) {
        return Stream.of(values()).filter(setting -> setting.key.equals(key)).findFirst();
    }

    /** The settings that mean something for a class, in the order they should be shown. */
    public static List<PartSettings> of(PartClass cls) {
        List<PartSettings> found = new ArrayList<>();
        boolean isSource = cls.outputs().stream().anyMatch(output -> output.way() == Output.Way.SOURCE);
        boolean isBattery =
                cls.outputs().stream().anyMatch(output -> output.battery().isPresent());
        if (isSource && !isBattery && !cls.pins().isEmpty()) {
            found.add(VOLTS);
        }
        if (isBattery) {
            found.addAll(List.of(CELLS, HOURS));
        }
        if (cls.kind() == Kind.BOARD) {
            found.add(AMBIENT);
            found.add(I2C_CLOCK);
            found.add(SPI_CLOCK);
        }
        cls.i2c().ifPresent(need -> found.addAll(List.of(ADDRESS, ADD_PULL_UPS)));
        cls.i2c().flatMap(I2cNeed::traffic).ifPresent(traffic -> found.add(POLLS));
        cls.spi().ifPresent(need -> found.add(SELECT_PULL_UP));
        cls.uart().ifPresent(need -> found.add(BAUD));
        if (!cls.supplies().isEmpty()) {
            found.addAll(List.of(GAUGE, LENGTH));
        }
        if (!cls.bursts().isEmpty()) {
            found.addAll(List.of(CAPACITOR, ESR));
        }
        return found;
    }

    /** Why a text is no value of this setting; empty when it is one. */
    public Optional<Fact> problem(String text) {
        boolean isGood = Engineering.parse(text, unit).filter(this::isInRange).isPresent();
        return isGood
                ? Optional.empty()
                : Optional.of(Fact.of("problem.expected_value")
                        .with("example", example)
                        .with("found", text));
    }

    private boolean isInRange(double value) {
        return switch (this) {
            case ADDRESS -> value == Math.rint(value) && value >= 0 && value <= MOST_ADDRESS;
            case AMBIENT -> true;
            case CELLS -> value == Math.rint(value) && value >= 1 && value <= MOST_CELLS;
            case GAUGE -> value > 0 && value <= MOST_GAUGE;
            default -> value > 0;
        };
    }
}
