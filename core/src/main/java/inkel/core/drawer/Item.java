package inkel.core.drawer;

import inkel.core.catalog.TableKind;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import inkel.core.wiring.Jumper;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A kind of thing that one has some of in a drawer. Two of the same value are the same, however the value was written: 100 nF
 * is 0.1 µF.
 *
 * @param what a class of the catalogue, or a word of the sort; empty where the value says all
 * @param value in SI base units; 0 where there is none
 */
public record Item(Sort sort, String what, double value) implements Comparable<Item> {
    /** Small parts that are told by a word. */
    private static final Set<String> SEMICONDUCTORS =
            Set.of("schottky", "signal-diode", "flyback-diode", "power-diode", "transistor", "optocoupler");

    /** A wire that is as long as the way is: there is none of a length to have. */
    private static final String TWISTED = text(Jumper.Kind.TWISTED);

    private static final Pattern HEADER = Pattern.compile("(\\d{1,2})( pins?)?");

    /** More digits than any part is marked with. */
    private static final MathContext DIGITS = new MathContext(6);

    /** What sort of thing, in the order in which it is listed. */
    public enum Sort {
        PART(Unit.ONE, 0, 0),
        BREADBOARD(Unit.ONE, 0, 0),
        RESISTOR(Unit.OHM, 1e-3, 1e12),
        CAPACITOR(Unit.FARAD, 1e-13, 1e3),
        SEMICONDUCTOR(Unit.ONE, 0, 0),
        CRYSTAL(Unit.HERTZ, 1, 1e10),
        ADAPTER(Unit.ONE, 0, 0),
        HEADER(Unit.ONE, 0, 0),
        WIRE(Unit.METRE, 1e-3, 1e3);

        private final Unit unit;
        private final double least;
        private final double most;

        /** @param least and most: what there is to buy of it */
        Sort(Unit unit, double least, double most) {
            this.unit = unit;
            this.least = least;
            this.most = most;
        }

        private boolean isMade(double value) {
            return value >= least && value <= most;
        }

        public Unit unit() {
            return unit;
        }

        /** Whether a value says what it is. */
        public boolean isOfValue() {
            return this == RESISTOR || this == CAPACITOR || this == CRYSTAL;
        }

        public String text() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Item {
        value = new BigDecimal(value).round(DIGITS).doubleValue();
    }

    public static Item part(String classId) {
        return new Item(Sort.PART, classId, 0);
    }

    public static Item breadboard(TableKind kind) {
        return new Item(Sort.BREADBOARD, text(kind), 0);
    }

    public static Item header(int pins) {
        return new Item(Sort.HEADER, pins + " pins", 0);
    }

    /** A wire as it is sold. */
    public static Item wire(Jumper jumper) {
        return new Item(Sort.WIRE, text(jumper.kind()), jumper.length().metres());
    }

    private static Item wire(String kind, double metres) {
        return new Item(Sort.WIRE, kind, kind.equals(TWISTED) ? 0 : metres);
    }

    private static boolean isJumper(String word) {
        return Arrays.stream(Jumper.Kind.values()).anyMatch(kind -> text(kind).equals(word));
    }

    private static String text(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Item of(Sort sort, Quantity value) {
        return new Item(sort, "", value.si());
    }

    /** The value as a quantity; empty where there is none. */
    public Optional<Quantity> quantity() {
        return value == 0 ? Optional.empty() : Optional.of(Quantity.of(sort.unit(), value));
    }

    /** As it is written in a file: {@code resistor 4.7 kΩ}, {@code part packet-radio}, {@code wire pin-to-pin 10 cm}, {@code wire
     * twisted}. */
    public String text() {
        StringBuilder text = new StringBuilder(sort.text());
        if (!what.isEmpty()) {
            text.append(' ').append(what);
        }
        if (sort == Sort.WIRE && value > 0) {
            return text.append(' ').append(centimetres()).append(" cm").toString();
        }
        quantity().ifPresent(found -> text.append(' ').append(Engineering.exact(found)));
        return text.toString();
    }

    /**
     * As people write it: the sort, then what or how much: {@code resistor 4k7}, {@code capacitor 0.1 µF}.
     *
     * @return empty for a text that names no sort, or has no value where one is wanted
     */
    public static Optional<Item> parse(String text) {
        String[] words = text.strip().split("\\s+", 2);
        Optional<Sort> sort = sort(words[0]);
        if (sort.isEmpty() || words.length < 2) {
            return Optional.empty();
        }
        String rest = words[1].strip();
        if (sort.get().isOfValue()) {
            return Engineering.parse(rest, sort.get().unit())
                    .filter(sort.get()::isMade)
                    .map(value -> new Item(sort.get(), "", value));
        }
        if (sort.get() == Sort.WIRE) {
            int blank = rest.indexOf(' ');
            if (rest.equals(TWISTED)) {
                return Optional.of(new Item(Sort.WIRE, TWISTED, 0));
            }
            return blank < 0 || !isJumper(rest.substring(0, blank))
                    ? Optional.empty()
                    : length(rest.substring(blank + 1).strip())
                            .filter(Sort.WIRE::isMade)
                            .map(value -> wire(rest.substring(0, blank), value));
        }
        return word(sort.get(), rest);
    }

    /** The length of a wire, as it is told. */
    public String centimetres() {
        return new BigDecimal(value)
                .movePointRight(2)
                .round(DIGITS)
                .stripTrailingZeros()
                .toPlainString();
    }

    private static Optional<Double> length(String text) {
        return text.endsWith("cm")
                ? Engineering.parse(text.substring(0, text.length() - 2).strip(), Unit.ONE)
                        .map(value -> value / 100)
                : Engineering.parse(text, Unit.METRE);
    }

    /** What a word tells. */
    private static Optional<Item> word(Sort sort, String rest) {
        String known = rest.toLowerCase(Locale.ROOT);
        Matcher header = HEADER.matcher(known);
        return switch (sort) {
            case ADAPTER -> Adapter.parse(rest).map(Adapter::item);
            case HEADER -> header.matches() ? Optional.of(header(Integer.parseInt(header.group(1)))) : Optional.empty();
            case BREADBOARD ->
                Arrays.stream(TableKind.values())
                        .filter(kind -> kind.isBreadboard() && text(kind).equals(known))
                        .map(Item::breadboard)
                        .findFirst();
            case SEMICONDUCTOR ->
                SEMICONDUCTORS.contains(known) ? Optional.of(new Item(sort, known, 0)) : Optional.empty();
            default -> Optional.of(new Item(sort, rest, 0));
        };
    }

    private static Optional<Sort> sort(String word) {
        for (Sort sort : Sort.values()) {
            if (sort.text().equalsIgnoreCase(word)) {
                return Optional.of(sort);
            }
        }
        return Optional.empty();
    }

    @Override
    public int compareTo(Item other) {
        int bySort = sort.compareTo(other.sort);
        int byWhat = bySort != 0 ? bySort : what.compareTo(other.what);
        return byWhat != 0 ? byWhat : Double.compare(value, other.value);
    }
}
