package inkel.core.catalog;

import static inkel.core.catalog.Setting.Price.LINE;
import static inkel.core.catalog.Setting.Price.SMALL_PART;
import static inkel.core.catalog.Setting.Price.WIRE;

import inkel.core.formula.I2cAddress;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Length;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/**
 * All that a builder may choose for a part: the one table that file reader, form, rules and the prices of ways out
 * read. A new setting is one more constant, and its place in {@link #ALL}.
 *
 * <p>Longer than other files: it is one table.
 */
public final class Settings {
    private static final int MOST_ADDRESS = 0x7F;
    private static final int MOST_CELLS = 24;
    private static final int MOST_SELECTS = 8;

    /** Thinner wire than this is not sold for building with. */
    private static final int MOST_GAUGE = 40;

    private static final Predicate<PartClass> BOARDS = cls -> cls.kind() == Kind.BOARD;
    private static final Predicate<PartClass> BATTERIES =
            cls -> cls.outputs().stream().anyMatch(output -> output.battery().isPresent());
    private static final Predicate<PartClass> SOURCES =
            cls -> cls.outputs().stream().anyMatch(output -> output.way() == Output.Way.SOURCE);
    private static final Predicate<PartClass> LEADS = SOURCES.and(
            cls -> cls.outputs().stream().allMatch(output -> output.volts().isEmpty()));
    private static final Predicate<PartClass> FED = cls -> !cls.supplies().isEmpty();
    private static final Predicate<PartClass> BURSTING = cls -> !cls.bursts().isEmpty();
    private static final Predicate<PartClass> ANY = cls -> true;

    /** What an adjustable source is set to. */
    public static final Setting<Voltage> VOLTS = new Setting<>(
            "volts",
            SettingReaders.amount(Unit.VOLT, "6 V"),
            SOURCES.and(LEADS.negate()).and(BATTERIES.negate()).and(cls -> cls.pins().stream()
                    .noneMatch(Pin::isLead)),
            LINE);

    /** The rail of another board that a lead brings, as node, part and pin. */
    public static final Setting<String> RAIL = new Setting<>(
            "rail",
            SettingReaders.text(Pattern.compile("[a-z0-9-]+/[a-z0-9-]+\\.\\S+"), "lower-lock/board.5V"),
            LEADS,
            WIRE);

    /** How many cells a battery has in a row. */
    public static final Setting<Integer> CELLS =
            new Setting<>("cells", SettingReaders.whole(1, MOST_CELLS, "4"), BATTERIES, LINE);

    /** How long a battery must last, in hours. */
    public static final Setting<Double> HOURS = new Setting<>(
            "hours", SettingReaders.amount(Unit.ONE, "8", value -> value > 0, value -> value), BATTERIES, LINE);

    /** The air around a board. */
    public static final Setting<Temperature> AMBIENT = new Setting<>(
            "ambient",
            SettingReaders.amount(Unit.CELSIUS, "40 °C", value -> value >= Temperature.LEAST, Temperature::ofCelsius),
            BOARDS,
            LINE);

    /** What a chip's clock is made of. */
    public static final Setting<ClockChoice> CLOCK = new Setting<>(
            "clock",
            SettingReaders.named(cls -> cls.controller().map(Controller::clocks).orElse(List.of()), ClockChoice::name),
            cls -> cls.controller().filter(board -> !board.clocks().isEmpty()).isPresent(),
            SMALL_PART);

    /** How fast the board clocks its I2C buses. */
    public static final Setting<Frequency> I2C_CLOCK =
            new Setting<>("i2c_clock", SettingReaders.amount(Unit.HERTZ, "100 kHz"), BOARDS, LINE);

    /** How fast the board clocks its SPI buses. */
    public static final Setting<Frequency> SPI_CLOCK =
            new Setting<>("spi_clock", SettingReaders.amount(Unit.HERTZ, "250 kHz"), BOARDS, LINE);

    /** The 7-bit address on the bus. */
    public static final Setting<Integer> ADDRESS = new Setting<>(
            "address",
            SettingReaders.whole(0, MOST_ADDRESS, "0x27"),
            cls -> cls.i2c().isPresent(),
            LINE);

    /** The 7-bit address that a board itself answers to on a bus that it shares with other boards. */
    public static final Setting<Integer> ANSWERS_AT = new Setting<>(
            "answers_at",
            SettingReaders.whole(I2cAddress.FIRST, I2cAddress.LAST, "0x30"),
            BOARDS.and(cls -> !cls.busPins().isEmpty()),
            LINE);

    /** A pair of resistors from the bus pins to the part's supply; of a board to the rail of those pins. */
    public static final Setting<Resistance> ADD_PULL_UPS = new Setting<>(
            "add_pull_ups",
            SettingReaders.amount(Unit.OHM, "4.7 kΩ"),
            cls -> cls.i2c().isPresent() || !cls.busPins().isEmpty(),
            LINE);

    /** How often the program talks to the part. */
    public static final Setting<Frequency> POLLS = new Setting<>(
            "polls",
            SettingReaders.amount(Unit.HERTZ, "10 Hz"),
            cls -> cls.i2c().flatMap(I2cNeed::traffic).isPresent()
                    || cls.demands().turn().polls().isPresent(),
            LINE);

    /** How long the program stands at the part each time; nothing where it begins something and fetches it later. */
    public static final Setting<TimeSpan> WAITS = new Setting<>(
            "waits",
            SettingReaders.amount(Unit.SECOND, "20 ms", value -> value >= 0, TimeSpan::ofSeconds),
            cls -> cls.demands().turn().waits().seconds() > 0,
            LINE);

    /** Whether the program begins its turns at the parts in rounds of their own, and not all at once. */
    public static final Setting<Boolean> TURNS =
            new Setting<>("turns", SettingReaders.words(Map.of("apart", true)), BOARDS, LINE);

    /** A resistor from a select pin to the part's supply. */
    public static final Setting<Resistance> SELECT_PULL_UP = new Setting<>(
            "select_pull_up",
            SettingReaders.amount(Unit.OHM, "10 kΩ"),
            cls -> cls.spi().isPresent(),
            LINE);

    /** The rate of the serial port. */
    public static final Setting<Frequency> BAUD = new Setting<>(
            "baud", SettingReaders.amount(Unit.HERTZ, "9600"), cls -> cls.uart().isPresent(), LINE);

    /** Whether a resistor stands across the two wires of its long line. */
    public static final Setting<Boolean> TERMINATOR = new Setting<>(
            "terminator",
            SettingReaders.words(Map.of("on", true, "off", false)),
            cls -> cls.uart().flatMap(UartNeed::line).isPresent(),
            SMALL_PART);

    /** The highest frequency in its analog signals that the builder counts on. */
    public static final Setting<Frequency> UP_TO = new Setting<>(
            "up_to",
            SettingReaders.amount(Unit.HERTZ, "20 Hz"),
            cls -> cls.signals().anyMatch(pin -> pin.use() == PinUse.ANALOG),
            LINE);

    /** The size of the supply wires, by the American wire gauge. */
    public static final Setting<Double> GAUGE = new Setting<>(
            "gauge",
            SettingReaders.amount(Unit.ONE, "24", value -> value > 0 && value <= MOST_GAUGE, value -> value),
            FED,
            WIRE);

    /** How long the supply wires are, one way. */
    public static final Setting<Length> LENGTH =
            new Setting<>("length", SettingReaders.amount(Unit.METRE, "0.3 m"), FED, LINE);

    /** What stands across the supply to carry bursts. */
    public static final Setting<Capacitance> CAPACITOR =
            new Setting<>("capacitor", SettingReaders.amount(Unit.FARAD, "1000 µF"), BURSTING, SMALL_PART);

    /** The series resistance of that capacitor. */
    public static final Setting<Resistance> ESR =
            new Setting<>("esr", SettingReaders.amount(Unit.OHM, "0.1 Ω"), BURSTING, LINE);

    /** Whether it lies on the table as a bare chip. */
    public static final Setting<Form> FORM = new Setting<>("form", SettingReaders.names(Form.class), ANY, LINE);

    /** Whether its header is soldered on. */
    public static final Setting<Header> HEADER = new Setting<>("header", SettingReaders.names(Header.class), ANY, LINE);

    /** How its wires are held. */
    public static final Setting<Contact> CONTACT =
            new Setting<>("contact", SettingReaders.names(Contact.class), ANY, WIRE);

    /** Where its ground goes: to the row that all share, or straight to what feeds it. */
    public static final Setting<Boolean> GROUND =
            new Setting<>("ground", SettingReaders.words(Map.of("own", true)), FED, WIRE);

    /** Whether the capacitors that it wants close by are there. */
    public static final Setting<Boolean> DECOUPLING =
            new Setting<>("decoupling", SettingReaders.words(Map.of("fitted", true)), ANY, LINE);

    /** Whether what it switches is known to be of low voltage. */
    public static final Setting<Boolean> BEHIND =
            new Setting<>("behind", SettingReaders.words(Map.of("low-voltage", true)), ANY, LINE);

    /** Whether it is always powered together with what drives it. */
    public static final Setting<Boolean> TOGETHER =
            new Setting<>("together", SettingReaders.words(Map.of("yes", true)), ANY, LINE);

    /** Whether it is sent to only while nothing else comes in, since that stops interrupts. */
    public static final Setting<Boolean> SENT = new Setting<>(
            "sent",
            SettingReaders.words(Map.of("between", true)),
            cls -> cls.uart().isPresent() || cls.demands().turn().holds().seconds() > 0,
            LINE);

    /** Whether the pull-ups that it brings are connected. */
    public static final Setting<Boolean> PULL_UPS =
            new Setting<>("pull_ups", SettingReaders.words(Map.of("off", false)), ANY, LINE);

    /** Whether its bus is made by the board's hardware or by the program. */
    public static final Setting<Bus> BUS = new Setting<>("bus", SettingReaders.names(Bus.class), ANY, LINE);

    /** At which end of the header its ribbon begins. */
    public static final Setting<RibbonEnd> END = new Setting<>("end", SettingReaders.names(RibbonEnd.class), ANY, LINE);

    /** How its plain wires should lie; a wish, for which nothing else is given up. */
    public static final Setting<Ribbon> RIBBON = new Setting<>("ribbon", SettingReaders.names(Ribbon.class), ANY, LINE);

    /** Whether the radio of a board is used. */
    public static final Setting<Boolean> WIRELESS =
            new Setting<>("wireless", SettingReaders.words(Map.of("on", true, "off", false)), ANY, LINE);

    /** What becomes of the pins of a board's console. */
    public static final Setting<Console> CONSOLE = new Setting<>(
            "console",
            SettingReaders.named(
                    cls -> cls.controller().filter(Controller::isComputer).isPresent()
                            ? List.of(Console.OFF, Console.USED)
                            : List.of(Console.USED),
                    console -> console.name().toLowerCase(Locale.ROOT)),
            ANY,
            LINE);

    /** Whether a chip gets its program elsewhere and needs no leads for it on this table. */
    public static final Setting<Boolean> PROGRAMMED = new Setting<>(
            "programmed",
            SettingReaders.words(Map.of("elsewhere", true)),
            cls -> cls.controller().filter(board -> !board.programs().isEmpty()).isPresent(),
            LINE);

    /** What code takes of the board's timers: of a board, besides what its parts take; of a part, in place of the usual. */
    public static final Setting<List<String>> CLAIMS = new Setting<>(
            "claims",
            SettingReaders.listed(Settings::claimable),
            cls -> !claimable(cls).isEmpty(),
            LINE);

    /** How many select pins the driver of a board's bus takes for itself. */
    public static final Setting<Integer> SELECTS = new Setting<>(
            "selects",
            SettingReaders.whole(0, MOST_SELECTS, "1"),
            cls -> cls.controller().filter(board -> !board.drivers().isEmpty()).isPresent(),
            LINE);

    /** Whether it lies on the table and is no part of the plan yet. */
    public static final Setting<Boolean> LATER =
            new Setting<>("later", SettingReaders.words(Map.of("yes", true)), ANY, LINE);

    /** A lower setting that it is run at, to take less. */
    public static final Setting<Reduction> TURNED_DOWN = new Setting<>(
            "turned_down", SettingReaders.named(cls -> cls.demands().reductions(), Reduction::name), ANY, LINE);

    /** What the parts of a board stand on. */
    public static final Setting<TableKind> TABLE =
            new Setting<>("table", SettingReaders.names(TableKind.class), BOARDS, LINE);

    /** Supply pins that a diode stands before. */
    public static final Setting<List<String>> DIODE = new Setting<>(
            "diode",
            SettingReaders.several(
                    cls -> cls.supplies().stream().map(Supply::pin).toList()),
            ANY,
            SMALL_PART);

    /** Pins that the builder keeps for something else. */
    public static final Setting<List<String>> FORBIDDEN = new Setting<>(
            "forbidden",
            SettingReaders.several(cls -> cls.offers().map(Pin::label).toList()),
            ANY,
            LINE);

    /** Pins that the builder wants wired although the part would do without, wherever that is. */
    public static final Setting<List<String>> WANTED =
            new Setting<>("wanted", SettingReaders.several(Settings::signals), ANY, LINE);

    /** Pins that the builder does without although the part would want them, each with why. */
    public static final Setting<Map<String, String>> DECLINED =
            new Setting<>("declined", SettingReaders.reasoned(Settings::signals), ANY, LINE);

    private static List<String> claimable(PartClass cls) {
        return cls.controller().map(Controller::claimable).orElse(cls.demands().claims());
    }

    private static List<String> signals(PartClass cls) {
        return cls.signals().map(Pin::label).toList();
    }

    /** Every setting; those that carry a value come first, in the order a form shows them. */
    private static final List<Setting<?>> ALL = List.of(
            VOLTS,
            RAIL,
            CELLS,
            HOURS,
            AMBIENT,
            CLOCK,
            I2C_CLOCK,
            SPI_CLOCK,
            ADDRESS,
            ANSWERS_AT,
            ADD_PULL_UPS,
            POLLS,
            WAITS,
            SELECT_PULL_UP,
            BAUD,
            TERMINATOR,
            UP_TO,
            CLAIMS,
            SELECTS,
            GAUGE,
            LENGTH,
            CAPACITOR,
            ESR,
            FORM,
            HEADER,
            CONTACT,
            GROUND,
            DECOUPLING,
            BEHIND,
            TOGETHER,
            SENT,
            PULL_UPS,
            BUS,
            END,
            RIBBON,
            WIRELESS,
            CONSOLE,
            PROGRAMMED,
            LATER,
            TURNED_DOWN,
            TABLE,
            TURNS,
            DIODE,
            FORBIDDEN,
            WANTED,
            DECLINED);

    private Settings() {}

    public static List<Setting<?>> all() {
        return ALL;
    }

    /** The setting of a key in a file; empty for one that this version does not know. */
    public static Optional<Setting<?>> of(String key) {
        for (Setting<?> setting : ALL) {
            if (setting.key().equals(key)) {
                return Optional.of(setting);
            }
        }
        return Optional.empty();
    }

    /** The settings with a value to type that mean something for a class, in the order a form shows them. */
    public static List<Setting<?>> typedFor(PartClass cls) {
        return ALL.stream()
                .filter(setting -> !setting.isChoice() && setting.suits().test(cls))
                .toList();
    }

    /** A ready module, or the bare chip without what a module brings. */
    public enum Form {
        READY,
        CHIP
    }

    /** Whether a header is soldered on. */
    public enum Header {
        LOOSE,
        SOLDERED
    }

    /** How a wire is held. */
    public enum Contact {
        JUMPER,
        CLIP,
        SOLDER
    }

    /** What becomes of the pins of a console. */
    public enum Console {
        /** Plain signals may have the pins that the board is programmed through. */
        USED,
        /** Of a computer: nobody logs in over them, so that they are as any others. */
        OFF
    }

    /** What makes a bus. */
    public enum Bus {
        HARDWARE,
        SOFTWARE
    }

    /** How the wires of one part lie along the board's header. */
    public enum Ribbon {
        /** Side by side, in the order of the part's pins. */
        STRAIGHT,
        /** Side by side, in the opposite order. */
        REVERSED,
        /** Side by side, in any order. */
        TOGETHER
    }

    /** An end of a header. */
    public enum RibbonEnd {
        MARKED,
        FAR
    }
}
