package inkel.core.tune.infrared;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.Memory;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Tuning;
import inkel.core.formula.InfraredCode;
import inkel.core.quantity.Source;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import inkel.core.tune.sample.Wired;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The keys that a receiver knows.
 *
 * @param part as its builder calls it
 * @param kept bytes of memory that its board keeps over a power cut; 0 where it has none
 */
public record KeyDraft(String part, int kept, List<Key> keys) implements Draft {
    /** Trains of a held key come every 45 ms; a thumb is slower than this, in seconds. */
    private static final double AGAIN = 0.15;

    private static final Pattern KEY = Pattern.compile("key_(distance|width|phase)_([0-9]+)_([0-9]+)");
    private static final String WAY = "_way";
    private static final String DOES = "_does";

    /** A coding, an address of two bytes, a command and a way for each key; a count and a check byte for all. */
    private static final int BYTES_A_KEY = 5;

    private static final int BYTES_FOR_ALL = 2;

    public KeyDraft {
        keys = List.copyOf(keys);
    }

    /** Empty for a receiver that is not wired. */
    public static Optional<KeyDraft> of(NodeCircuit node, Placed part, Optional<Tuning> kept) {
        boolean isWired = !Wired.pins(node, part, pin -> pin.use() == PinUse.OUTPUT || pin.use() == PinUse.INTERRUPT)
                .isEmpty();
        int memory = node.board()
                .cls()
                .controller()
                .flatMap(board -> board.memory())
                .map(Memory.OfBoard::kept)
                .map(size -> (int) size.bytes())
                .orElse(0);
        return isWired
                ? Optional.of(new KeyDraft(
                        part.part().name(), memory, kept.map(KeyDraft::keys).orElse(List.of())))
                : Optional.empty();
    }

    private static String word(InfraredCode.Coding coding) {
        return switch (coding) {
            case PULSE_DISTANCE -> "distance";
            case PULSE_WIDTH -> "width";
            case BI_PHASE -> "phase";
        };
    }

    private static InfraredCode.Coding coding(String word) {
        for (InfraredCode.Coding coding : InfraredCode.Coding.values()) {
            if (word(coding).equals(word)) {
                return coding;
            }
        }
        throw new IllegalArgumentException(word);
    }

    /** Those that were kept. */
    public static List<Key> keys(Tuning kept) {
        List<Key> keys = new ArrayList<>();
        kept.choices().forEach((name, said) -> {
            Matcher key = KEY.matcher(name);
            boolean isKey =
                    key.matches() && key.group(2).length() < 7 && key.group(3).length() < 7;
            if (isKey) {
                keys.add(new Key(
                        coding(key.group(1)),
                        Integer.parseInt(key.group(2)),
                        Integer.parseInt(key.group(3)),
                        said,
                        way(kept.choice(name + WAY).orElse("")),
                        kept.choice(name + DOES).orElse("")));
            }
        });
        return keys;
    }

    private static Key.Way way(String text) {
        for (Key.Way way : Key.Way.values()) {
            if (way.name().toLowerCase(Locale.ROOT).equals(text)) {
                return way;
            }
        }
        return Key.Way.ONCE;
    }

    public Optional<Key> key(InfraredCode code) {
        return keys.stream().filter(key -> key.is(code)).findFirst();
    }

    /** As {@link #alike(String, InfraredCode)}, of what was heard. */
    public Optional<Key> alike(String name, Heard heard) {
        return heard.code().flatMap(code -> alike(name, code));
    }

    /** The key that was heard, if it is known. */
    public Optional<Key> key(Heard heard) {
        return heard.code().flatMap(this::key);
    }

    /** With a key more, or learnt anew. */
    public KeyDraft with(Key key) {
        List<Key> more = new ArrayList<>(keys);
        more.removeIf(old ->
                old.coding() == key.coding() && old.address() == key.address() && old.command() == key.command());
        more.add(key);
        return new KeyDraft(part, kept, more);
    }

    public KeyDraft without(Key key) {
        return new KeyDraft(
                part, kept, keys.stream().filter(old -> !old.equals(key)).toList());
    }

    /** Another key of the same name. */
    public Optional<Key> alike(String name, InfraredCode code) {
        return keys.stream()
                .filter(key -> !key.is(code) && key.name().equalsIgnoreCase(name))
                .findFirst();
    }

    /**
     * What a train says.
     *
     * @param before what was heard just before it, by which a key that is held is told from one that is pressed again
     * @param since seconds between the two; absent where nobody knows
     */
    public Heard hear(List<Double> train, Optional<Heard> before, Optional<Double> since) {
        Optional<InfraredCode> code = InfraredCode.of(train);
        if (code.isEmpty()) {
            return new Heard(Heard.Sort.RAW, train, code, Optional.empty());
        }
        if (code.get().isRepeat()) {
            Optional<Key> held = before.flatMap(Heard::key);
            return new Heard(held.isPresent() ? Heard.Sort.STILL : Heard.Sort.STRANGE, train, code, held);
        }
        Optional<Key> known = key(code.get());
        if (known.isEmpty()) {
            return new Heard(Heard.Sort.STRANGE, train, code, known);
        }
        boolean isSame = before.flatMap(Heard::code).filter(code.get()::equals).isPresent();
        // A bi-phase key that is held keeps its toggle; one that is pressed again turns it over. By pulse widths the
        // whole
        // train comes again and again while the key is held, and only the time in between tells.
        boolean isStill = isSame
                && switch (code.get().coding()) {
                    case BI_PHASE -> true;
                    case PULSE_WIDTH -> since.filter(gap -> gap < AGAIN).isPresent();
                    case PULSE_DISTANCE -> false;
                };
        return new Heard(isStill ? Heard.Sort.STILL : Heard.Sort.PRESSED, train, code, known);
    }

    /** What the keys take of memory that is kept over a power cut. */
    public int bytes() {
        return keys.isEmpty() ? 0 : BYTES_A_KEY * keys.size() + BYTES_FOR_ALL;
    }

    public boolean isTooMuch() {
        return bytes() > kept;
    }

    @Override
    public Tuning tuning() {
        Map<String, String> choices = new LinkedHashMap<>();
        for (Key key : keys) {
            String name = "key_" + word(key.coding()) + "_" + key.address() + "_" + key.command();
            choices.put(name, key.name());
            choices.put(name + WAY, key.way().name().toLowerCase(Locale.ROOT));
            choices.put(name + DOES, key.does());
        }
        return new Tuning(BenchKind.INFRARED, Map.of(), Map.of(), Map.of(), choices, Map.of());
    }

    @Override
    public boolean isOfSameRig(Draft other) {
        return other instanceof KeyDraft key && key.part.equals(part);
    }

    /** Of each key its coding (0 pulse distance, 1 pulse width, 2 bi-phase), its address and its command. */
    @Override
    public List<Constant> constants() {
        return keys.stream()
                .map(key -> new Constant(
                        Constant.identifier(part, "KEY", key.name()),
                        Constant.row(
                                List.of((long) key.coding().ordinal(), (long) key.address(), (long) key.command())),
                        Source.MEASURED))
                .toList();
    }
}
