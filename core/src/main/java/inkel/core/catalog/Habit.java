package inkel.core.catalog;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A question on which practitioners disagree, and which a builder answers once for a whole build. A part's own setting
 * stands before it. A new one is one more constant, and its place in {@link #ALL}.
 *
 * @param key its name in a file
 * @param options the schools; the first is taken when nobody says anything
 */
public record Habit<E extends Enum<E>>(String key, Class<E> options) {

    /** Where servos get their current from when they are put on the table. */
    public enum ServoSupply {
        /** From a supply that feeds nothing but motors. */
        OWN,
        /** From the board, as long as half of what it has to spare is enough. */
        BOARD
    }

    /** What becomes of a signal a little above the supply of the pin that hears it, but inside what that pin bears. */
    public enum AboveSupply {
        DIVIDED,
        DIRECT
    }

    /** What servos get between two moves. */
    public enum ServoRest {
        /** Pulses, so that they hold their place. */
        HOLD,
        /** Nothing, so that they are quiet and can be turned by hand. */
        RELEASE
    }

    /** What becomes of inputs that enable or select and need not change while the build runs. */
    public enum Enables {
        DRIVEN,
        TIED
    }

    /** Whether capacitors close to a supply pin are missed while they are not there. */
    public enum Decoupling {
        WANTED,
        LATER
    }

    /** Which name of a pin comes first where it has a place on a header and a number in code. */
    public enum PinNames {
        CODE,
        PLACE
    }

    /** In which order wires are plugged. */
    public enum WireOrder {
        /** Grounds, supplies, signals. */
        SAFE,
        /** Each part whole, what feeds others first: it can be woken before the next. */
        PARTS,
        /** From each wire to the nearest. */
        WAY
    }

    /** When pins are shared out. */
    public enum Sharing {
        AS_ONE_GOES,
        WHEN_ASKED
    }

    public static final Habit<ServoSupply> SERVO_SUPPLY = new Habit<>("servo_supply", ServoSupply.class);
    public static final Habit<ServoRest> SERVO_REST = new Habit<>("servo_rest", ServoRest.class);
    public static final Habit<AboveSupply> ABOVE_SUPPLY = new Habit<>("above_supply", AboveSupply.class);

    /** What makes SPI and I2C: blocks of the board, the program only where none is left; or the program on any pins. */
    public static final Habit<Settings.Bus> BUSES = new Habit<>("buses", Settings.Bus.class);

    public static final Habit<Enables> ENABLES = new Habit<>("enables", Enables.class);

    /** How wires are held where a part does not say. */
    public static final Habit<Settings.Contact> JOINTS = new Habit<>("joints", Settings.Contact.class);

    public static final Habit<Decoupling> DECOUPLING = new Habit<>("decoupling", Decoupling.class);
    public static final Habit<PinNames> PIN_NAMES = new Habit<>("pin_names", PinNames.class);
    public static final Habit<WireOrder> WIRE_ORDER = new Habit<>("wire_order", WireOrder.class);
    public static final Habit<Sharing> SHARING = new Habit<>("sharing", Sharing.class);

    /** All of them, in the order in which they are asked. */
    private static final List<Habit<?>> ALL = List.of(
            SHARING, SERVO_SUPPLY, SERVO_REST, ABOVE_SUPPLY, BUSES, ENABLES, JOINTS, DECOUPLING, PIN_NAMES, WIRE_ORDER);

    public static List<Habit<?>> all() {
        return ALL;
    }

    /** The habit of a key in a file; empty for one that this version does not know. */
    public static Optional<Habit<?>> of(String key) {
        return ALL.stream().filter(habit -> habit.key().equals(key)).findFirst();
    }

    /** What is taken when nobody says anything. */
    public E usual() {
        return options.getEnumConstants()[0];
    }

    /** The option that a text in a file stands for. */
    public Optional<E> read(String text) {
        return Arrays.stream(options.getEnumConstants())
                .filter(option -> text(option).equals(text))
                .findFirst();
    }

    /** How its options are written in a file, the usual one first. */
    public List<String> texts() {
        return Arrays.stream(options.getEnumConstants()).map(Habit::text).toList();
    }

    /** How an option is written in a file. */
    public static String text(Enum<?> option) {
        return option.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
