package inkel.core.quantity;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads and prints engineering notation: {@code 4k7}, {@code 2u2}, {@code 100n}, {@code 3V3}, {@code 0.1 µF},
 * {@code 20 mA}, {@code 16e6}, {@code 0x40}. The only place where numbers become text or text becomes numbers.
 */
public final class Engineering {
    /** Two letters around the point: the letter stands where the point would (IEC 60062). */
    private static final Pattern LETTER_AS_POINT = Pattern.compile("([+-]?\\d+)([pnuµμmkKMGRVAF])(\\d+)(\\S*)");

    private static final Pattern PLAIN =
            Pattern.compile("([+-]?(?:\\d+(?:\\.\\d*)?|\\.\\d+)(?:[eE][+-]?\\d{1,3})?)\\s*([pnuµμmkKMG]?)\\s*(\\S*)");
    private static final Pattern HEX = Pattern.compile("0[xX]([0-9a-fA-F]+)");
    /** The powers of ten of the prefixes. */
    private static final Map<String, Integer> PREFIX = Map.ofEntries(
            Map.entry("p", -12),
            Map.entry("n", -9),
            Map.entry("u", -6),
            Map.entry("µ", -6),
            Map.entry("μ", -6),
            Map.entry("m", -3),
            Map.entry("", 0),
            Map.entry("k", 3),
            Map.entry("K", 3),
            Map.entry("M", 6),
            Map.entry("G", 9));

    private static final Map<Unit, List<String>> NAMES = Map.ofEntries(
            Map.entry(Unit.VOLT, List.of("V", "v")),
            Map.entry(Unit.AMPERE, List.of("A", "a")),
            Map.entry(Unit.OHM, List.of("Ω", "Ω", "R", "ohm", "Ohm", "ohms")),
            Map.entry(Unit.FARAD, List.of("F", "f")),
            Map.entry(Unit.HERTZ, List.of("Hz", "hz", "HZ", "Bd", "baud")),
            Map.entry(Unit.SECOND, List.of("s", "S")),
            Map.entry(Unit.WATT, List.of("W", "w")),
            Map.entry(Unit.CELSIUS, List.of("°C", "C", "c")),
            Map.entry(Unit.METRE, List.of("m")),
            Map.entry(Unit.AMPERE_HOUR, List.of("Ah", "ah")),
            Map.entry(Unit.BYTE, List.of("B", "b")),
            Map.entry(Unit.ONE, List.of("%")));
    private static final String[] PRINTED_PREFIX = {"p", "n", "µ", "m", "", "k", "M", "G"};
    private static final int PREFIX_OF_ONE = 4;
    private static final int MAX_LENGTH = 64;

    /** Larger and smaller amounts are written with a power of ten. */
    private static final int MOST_PLAIN_EXPONENT = 15;

    private Engineering() {}

    /**
     * Reads a number with an optional prefix and an optional unit symbol.
     *
     * @return the value in the SI base unit of {@code unit}, or empty when the text is no such value: another unit,
     *     something left over, or a number too large to hold
     */
    public static Optional<Double> parse(String text, Unit unit) {
        // The minus sign of what is printed reads back as well as the one on a keyboard.
        String trimmed = text == null ? "" : text.strip().replace('−', '-');
        if (trimmed.isEmpty() || trimmed.length() > MAX_LENGTH) {
            return Optional.empty();
        }
        if (unit == Unit.METRE && trimmed.endsWith("cm")) {
            return parse(trimmed.substring(0, trimmed.length() - 2).strip() + "e-2", unit);
        }
        // Most texts are plain, and trying the other two first would cost every start.
        Matcher plain = PLAIN.matcher(trimmed);
        if (!plain.matches() || !isUnit(plain.group(3), unit)) {
            return unusual(trimmed, unit);
        }
        // A lone m behind a length is the metre itself.
        boolean isMetre = unit == Unit.METRE
                && plain.group(2).equals("m")
                && plain.group(3).isEmpty();
        return scaled(plain.group(1), isMetre ? "" : plain.group(2), plain.group(3), unit);
    }

    private static boolean isUnit(String rest, Unit unit) {
        return rest.isEmpty() || NAMES.get(unit).contains(rest);
    }

    /** What is no plain number: hexadecimal, or a letter in place of the point. */
    private static Optional<Double> unusual(String text, Unit unit) {
        Matcher hex = HEX.matcher(text);
        if (hex.matches()) {
            return hex.group(1).length() > 15
                    ? Optional.empty()
                    : Optional.of((double) Long.parseLong(hex.group(1), 16));
        }
        Matcher letter = LETTER_AS_POINT.matcher(text);
        return letter.matches() ? letterAsPoint(letter, unit) : Optional.empty();
    }

    /** Reads a quantity of a given unit; empty as for {@link #parse(String, Unit)}. */
    public static Optional<Quantity> parseQuantity(String text, Unit unit) {
        return parse(text, unit).map(value -> Quantity.of(unit, value));
    }

    private static Optional<Double> letterAsPoint(Matcher letter, Unit unit) {
        String point = letter.group(2);
        boolean isUnit = List.of("R", "V", "A", "F").contains(point);
        if (isUnit && !NAMES.get(unit).contains(point)) {
            return Optional.empty();
        }
        return scaled(letter.group(1) + "." + letter.group(3), isUnit ? "" : point, letter.group(4), unit);
    }

    private static Optional<Double> scaled(String digits, String prefix, String rest, Unit unit) {
        // A lone letter may be a prefix or a unit: "5 m" of volts is milli, "20 mA" is both.
        if (!isUnit(rest, unit)) {
            return Optional.empty();
        }
        int percent = unit == Unit.ONE && "%".equals(rest) ? -2 : 0;
        // Decimal, not binary, scaling: "4.7k" must equal 4700 exactly.
        BigDecimal value = new BigDecimal(digits).scaleByPowerOfTen(PREFIX.get(prefix) + percent);
        double result = value.doubleValue();
        return Double.isFinite(result) ? Optional.of(result) : Optional.empty();
    }

    /** Prints with three significant digits and the prefix that leaves one to three digits before the point. */
    public static String print(Quantity quantity) {
        if (quantity.unit() == Unit.ONE) {
            return percent(quantity.si());
        }
        if (quantity.unit() == Unit.CELSIUS) {
            return trimmed(quantity.si(), 3) + " °C";
        }
        return print(quantity.si(), quantity.unit(), 3);
    }

    /** Prints an amount given in SI base units with the significant digits asked for. */
    public static String print(double si, Unit unit, int digits) {
        if (si == 0) {
            return ("0 " + unit.symbol()).strip();
        }
        BigDecimal rounded = BigDecimal.valueOf(si).round(new MathContext(digits, RoundingMode.HALF_UP));
        int exponent = rounded.precision() - rounded.scale() - 1;
        int step = step(exponent, unit);
        BigDecimal shown = rounded.movePointLeft(3 * step).stripTrailingZeros();
        return (minus(shown.toPlainString()) + " " + PRINTED_PREFIX[step + PREFIX_OF_ONE] + unit.symbol()).strip();
    }

    /** All its digits in the unit itself, which is not named: 9600. */
    public static String bare(Quantity quantity) {
        return BigDecimal.valueOf(quantity.si()).stripTrailingZeros().toPlainString();
    }

    /**
     * Prints an amount so that reading it gives the very same amount back: all digits that it takes, and a plain minus.
     */
    public static String exact(Quantity quantity) {
        double si = quantity.si();
        String symbol = quantity.unit().symbol();
        if (si == 0) {
            return ("0 " + symbol).strip();
        }
        BigDecimal value = BigDecimal.valueOf(si);
        int exponent = value.precision() - value.scale() - 1;
        boolean hasPrefix = quantity.unit() != Unit.ONE && quantity.unit() != Unit.CELSIUS;
        int step = hasPrefix ? step(exponent, quantity.unit()) : 0;
        BigDecimal shown = value.movePointLeft(3 * step).stripTrailingZeros();
        boolean isLong = Math.abs(exponent) > MOST_PLAIN_EXPONENT;
        String digits = isLong ? shown.toString() : shown.toPlainString();
        return (digits + " " + PRINTED_PREFIX[step + PREFIX_OF_ONE] + symbol).strip();
    }

    private static int step(int exponent, Unit unit) {
        // Capacitors are sold as 1000 µF, never as 1 mF.
        int largest = unit == Unit.FARAD ? -2 : 3;
        return Math.max(-PREFIX_OF_ONE, Math.min(largest, Math.floorDiv(exponent, 3)));
    }

    /** Prints volts with two digits after the point, the way margins are compared: {@code 3.10 V}. */
    public static String volts(Voltage voltage) {
        BigDecimal value = BigDecimal.valueOf(voltage.volts()).setScale(2, RoundingMode.HALF_UP);
        return minus(value.signum() == 0 ? "0.00" : value.toPlainString()) + " V";
    }

    private static String percent(double ratio) {
        return trimmed(ratio * 100, 2) + " %";
    }

    private static String trimmed(double value, int digits) {
        BigDecimal rounded = BigDecimal.valueOf(value).round(new MathContext(digits, RoundingMode.HALF_UP));
        return minus(rounded.signum() == 0 ? "0" : rounded.stripTrailingZeros().toPlainString());
    }

    private static String minus(String digits) {
        return digits.replace('-', '−');
    }

    /** A 7-bit bus address as builders write it: {@code 0x27}. */
    public static String address(int address) {
        return hexadecimal(address);
    }

    /** Bits as programs write them, with at least two digits: {@code 0x08}, {@code 0xFF06}; not below zero. */
    public static String hexadecimal(long bits) {
        return (bits < 0x10 ? "0x0" : "0x") + Long.toHexString(bits).toUpperCase(Locale.ROOT);
    }
}
