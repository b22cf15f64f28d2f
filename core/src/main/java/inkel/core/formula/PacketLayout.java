package inkel.core.formula;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How a struct of named fields lies in memory. A board of 8 bits has no padding, {@code int} of 2 bytes and {@code double} of 4;
 * one of 32 bits aligns each field to its size, {@code int} and {@code long} of 4, {@code double} of 8; one of 64 bits has {@code
 * long} of 8 (their usual C compilers and procedure call standards).
 *
 * @param places fields and gaps in order
 * @param bytes all of them
 */
public record PacketLayout(List<Place> places, int bytes) {
    private static final Pattern NAME = Pattern.compile("[A-Za-z_][A-Za-z0-9_]*");
    private static final Pattern BLANKS = Pattern.compile("\\s+");
    private static final Pattern BARE = Pattern.compile("u?int(?:8|16|32|64)");
    private static final Pattern TYPE = Pattern.compile("([a-z0-9_ ]+?)\\s*(?:\\[([0-9]{1,3})])?");
    private static final int MOST = 255;

    /** What a layout is filled up with. */
    private static final String FILLER = "filler";

    public PacketLayout {
        places = List.copyOf(places);
    }

    /** A board by the width of its words. */
    public enum Board {
        BITS_8,
        BITS_32,
        BITS_64;

        public int bits() {
            return this == BITS_8 ? 8 : this == BITS_32 ? 32 : 64;
        }

        public static Optional<Board> of(int bits) {
            return switch (bits) {
                case 8 -> Optional.of(BITS_8);
                case 32 -> Optional.of(BITS_32);
                case 64 -> Optional.of(BITS_64);
                default -> Optional.empty();
            };
        }
    }

    /** What a field is, of the types that C has. */
    public enum Sort {
        BOOL("bool", '?', 1, 1, 1),
        CHAR("char", 'c', 1, 1, 1),
        INT8("int8_t", 'b', 1, 1, 1),
        UINT8("uint8_t", 'B', 1, 1, 1),
        INT16("int16_t", 'h', 2, 2, 2),
        UINT16("uint16_t", 'H', 2, 2, 2),
        INT32("int32_t", 'i', 4, 4, 4),
        UINT32("uint32_t", 'I', 4, 4, 4),
        INT64("int64_t", 'q', 8, 8, 8),
        UINT64("uint64_t", 'Q', 8, 8, 8),
        SHORT("short", 'h', 2, 2, 2),
        INT("int", 'i', 2, 4, 4),
        UNSIGNED("unsigned int", 'I', 2, 4, 4),
        LONG("long", 'l', 4, 4, 8),
        UNSIGNED_LONG("unsigned long", 'L', 4, 4, 8),
        FLOAT("float", 'f', 4, 4, 4),
        DOUBLE("double", 'd', 4, 8, 8),
        ENUM("enum", 'i', 2, 4, 4);

        private final String text;
        private final char pack;
        private final int[] sizes;

        Sort(String text, char pack, int of8, int of32, int of64) {
            this.text = text;
            this.pack = pack;
            this.sizes = new int[] {of8, of32, of64};
        }

        public String text() {
            return text;
        }

        public int size(Board board) {
            return sizes[board.ordinal()];
        }

        /** Whether it is as large everywhere. */
        public boolean isFixed() {
            return sizes[0] == sizes[1] && sizes[1] == sizes[2];
        }

        /** One of the same size everywhere that holds what this one does on any of these boards. */
        public Sort fixed() {
            return switch (this) {
                case SHORT, INT, ENUM -> INT16;
                case UNSIGNED -> UINT16;
                case LONG -> INT32;
                case UNSIGNED_LONG -> UINT32;
                case DOUBLE -> FLOAT;
                default -> this;
            };
        }

        /** By its name in C, with or without {@code _t}; {@code byte}, {@code word} and {@code unsigned} as people say. */
        static Optional<Sort> parse(String said) {
            String plain = BLANKS.matcher(said.strip().toLowerCase(Locale.ROOT)).replaceAll(" ");
            String whole =
                    switch (plain) {
                        case "byte", "unsigned char" -> "uint8_t";
                        case "word", "unsigned short" -> "uint16_t";
                        case "unsigned" -> "unsigned int";
                        case "long int" -> "long";
                        case "long long" -> "int64_t";
                        case "unsigned long long" -> "uint64_t";
                        default -> BARE.matcher(plain).matches() ? plain + "_t" : plain;
                    };
            for (Sort sort : values()) {
                if (sort.text.equals(whole)) {
                    return Optional.of(sort);
                }
            }
            return Optional.empty();
        }
    }

    /** @param count more than 1 for an array */
    public record Field(String name, Sort sort, int count) {
        /** As {@code level:int16} or {@code name:char[8]}; empty for anything else. */
        public static Optional<Field> parse(String text) {
            int colon = text.indexOf(':');
            if (colon < 1) {
                return Optional.empty();
            }
            String name = text.substring(0, colon).strip();
            Matcher type = TYPE.matcher(text.substring(colon + 1).strip().toLowerCase(Locale.ROOT));
            if (!NAME.matcher(name).matches() || !type.matches()) {
                return Optional.empty();
            }
            int count = type.group(2) == null ? 1 : Integer.parseInt(type.group(2));
            return count < 1 || count > MOST
                    ? Optional.empty()
                    : Sort.parse(type.group(1)).map(sort -> new Field(name, sort, count));
        }

        public String text() {
            return name + ":" + sort.text().replace("_t", "") + (count == 1 ? "" : "[" + count + "]");
        }

        Field fixed() {
            return new Field(name, sort.fixed(), count);
        }
    }

    /**
     * A field in memory, or a gap.
     *
     * @param field empty for a gap
     */
    public record Place(Optional<Field> field, int at, int bytes) {}

    public static PacketLayout of(List<Field> fields, Board board) {
        List<Place> places = new ArrayList<>();
        int at = 0;
        int widest = 1;
        for (Field field : fields) {
            int size = field.sort().size(board);
            int align = board == Board.BITS_8 ? 1 : size;
            widest = Math.max(widest, align);
            at = gap(places, at, align);
            places.add(new Place(Optional.of(field), at, size * field.count()));
            at += size * field.count();
        }
        at = gap(places, at, widest);
        return new PacketLayout(places, at);
    }

    private static int gap(List<Place> places, int at, int align) {
        int gap = (align - at % align) % align;
        if (gap > 0) {
            places.add(new Place(Optional.empty(), at, gap));
        }
        return at + gap;
    }

    /** Whether every field lies at the same place with the same size, and all together are as long. */
    public boolean isSame(PacketLayout other) {
        return bytes == other.bytes && fields().equals(other.fields());
    }

    private List<Place> fields() {
        return places.stream().filter(place -> place.field().isPresent()).toList();
    }

    /**
     * The same fields, of fixed sizes, the largest first, filled up to a multiple of the largest: they lie alike on every board,
     * and without a gap.
     */
    public static List<Field> alike(List<Field> fields) {
        List<Field> alike = new ArrayList<>(fields.stream()
                .map(Field::fixed)
                .sorted((one, other) ->
                        other.sort().size(Board.BITS_8) - one.sort().size(Board.BITS_8))
                .toList());
        int all = alike.stream()
                .mapToInt(field -> field.sort().size(Board.BITS_8) * field.count())
                .sum();
        int largest = alike.isEmpty() ? 1 : alike.get(0).sort().size(Board.BITS_8);
        int rest = (largest - all % largest) % largest;
        if (rest > 0) {
            alike.add(new Field(FILLER, Sort.UINT8, rest));
        }
        return alike;
    }

    /** As Python packs it: the lowest byte first, {@code x} for a byte of a gap. */
    public String pack(Board board) {
        StringBuilder text = new StringBuilder("<");
        for (Place place : places) {
            if (place.field().isEmpty()) {
                text.append("x".repeat(place.bytes()));
                continue;
            }
            Field field = place.field().get();
            char letter = letter(field.sort(), board);
            text.append(
                    field.sort() == Sort.CHAR && field.count() > 1
                            ? field.count() + "s"
                            : (field.count() > 1 ? String.valueOf(field.count()) : "") + letter);
        }
        return text.toString();
    }

    /** Python's letters have fixed sizes: what is smaller or larger on a board takes the letter of that size. */
    private static char letter(Sort sort, Board board) {
        int size = sort.size(board);
        return switch (sort) {
            case INT, ENUM, LONG -> size == 2 ? 'h' : size == 4 ? 'i' : 'q';
            case UNSIGNED, UNSIGNED_LONG -> size == 2 ? 'H' : size == 4 ? 'I' : 'Q';
            case DOUBLE -> size == 4 ? 'f' : 'd';
            default -> sort.pack;
        };
    }

    /** Fields with their places: {@code level@0+2}, {@code gap@2+2}. */
    public String text() {
        return places.stream()
                .map(place -> place.field().map(Field::name).orElse("gap") + "@" + place.at() + "+" + place.bytes())
                .reduce((one, other) -> one + " " + other)
                .orElse("");
    }
}
