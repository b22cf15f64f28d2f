package inkel.core.boards;

import inkel.core.catalog.Need;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetWire;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A wiring that was found somewhere: a table ({@code CE → 9}) or the constants of a program ({@code #define CE 9},
 * {@code const int CE = 9;}, {@code ce = Pin(9)}). It is read for the parts of one table and for the board that it was made
 * for, which need not be the one on the table.
 */
public final class FoundWiring {
    private static final Pattern DEFINE = Pattern.compile("#define\\s+(\\w+)\\s+(\\S+).*");
    private static final Pattern ASSIGNED = Pattern.compile("(?:[\\w:<>]+\\s+)*?(\\w+)\\s*=\\s*([^=].*?);?");
    private static final Pattern CALL = Pattern.compile("[\\w.]+\\(\\s*[\"']?([\\w.]+)[\"']?.*\\)");
    private static final Pattern TABLE =
            Pattern.compile("(.+?)\\s*(?:→|<?[-–—=]+>|↔|:|;|,|\\t|\\||\\s[-–—=]\\s|\\s(?i:to|goes to|on)\\s)\\s*(.+)");
    private static final Pattern BLANKS = Pattern.compile("(.+?)\\s+(\\S+)");
    private static final Pattern COMMENT = Pattern.compile("\\s*(//|/\\*).*|\\s+#\\s.*");
    private static final Pattern PARTING = Pattern.compile("(?<=[a-z])(?=[A-Z])|[^A-Za-z0-9+]+");
    /** No wire takes more to say; a pasted picture or program in one line does. */
    private static final int LONGEST = 300;

    private static final Set<String> NOISE = Set.of("pin", "pins", "board", "gpio", "num", "no", "io", "the");

    private final NodeCircuit node;
    private final PartClass source;

    private FoundWiring(NodeCircuit node, PartClass source) {
        this.node = node;
        this.source = source;
    }

    /**
     * Reads a text line by line; never fails.
     *
     * @param source the class of the board that the wiring was made for
     */
    public static List<FoundLine> read(NodeCircuit node, PartClass source, String text) {
        FoundWiring found = new FoundWiring(node, source);
        List<FoundLine> lines = new ArrayList<>();
        String[] all = text.split("\\R", -1);
        for (int i = 0; i < all.length; i++) {
            lines.add(found.line(i + 1, all[i]));
        }
        return lines;
    }

    private FoundLine line(int number, String text) {
        if (text.length() > LONGEST) {
            return unclear(number, text.substring(0, LONGEST) + "…", Fact.of("found.no_pair"));
        }
        String bare = COMMENT.matcher(text).replaceFirst("").strip();
        boolean isRule = bare.chars().noneMatch(Character::isLetterOrDigit);
        if (bare.isEmpty() || isRule || bare.startsWith("#") && !bare.startsWith("#define")) {
            return new FoundLine(
                    number, text, FoundLine.Kind.NOTHING, Optional.empty(), Optional.empty(), Optional.empty());
        }
        Optional<Sides> sides = sides(bare);
        if (sides.isEmpty()) {
            return unclear(number, text, Fact.of("found.no_pair"));
        }
        FoundLine straight = line(number, text, sides.get().one(), sides.get().other());
        if (straight.kind() != FoundLine.Kind.UNCLEAR) {
            return straight;
        }
        FoundLine turned = line(number, text, sides.get().other(), sides.get().one());
        return turned.kind() != FoundLine.Kind.UNCLEAR ? turned : straight;
    }

    private record Sides(String one, String other) {}

    private static Optional<Sides> sides(String bare) {
        Matcher define = DEFINE.matcher(bare);
        if (define.matches()) {
            return Optional.of(new Sides(define.group(1), define.group(2)));
        }
        Matcher assigned = ASSIGNED.matcher(bare);
        if (assigned.matches()) {
            Matcher call = CALL.matcher(assigned.group(2));
            String value = call.matches() ? call.group(1) : assigned.group(2);
            return Optional.of(new Sides(assigned.group(1), value));
        }
        for (Pattern pattern : List.of(TABLE, BLANKS)) {
            Matcher pair = pattern.matcher(bare);
            if (pair.matches()) {
                return Optional.of(new Sides(trimmed(pair.group(1)), trimmed(pair.group(2))));
            }
        }
        return Optional.empty();
    }

    /** Without the strokes of a table's frame. */
    private static String trimmed(String cell) {
        return cell.replaceAll("^[|\\s]+|[|;,\\s]+$", "");
    }

    private FoundLine line(int number, String text, String signal, String pin) {
        List<Endpoint> candidates = candidates(signal);
        if (candidates.isEmpty()) {
            return unclear(number, text, Fact.of("found.no_signal").with("what", signal));
        }
        boolean areGrounds = candidates.stream()
                .allMatch(candidate -> node.pin(candidate).orElseThrow().use() == PinUse.GROUND);
        if (candidates.size() > 1 && !areGrounds) {
            return unclear(
                    number,
                    text,
                    Fact.of("found.several")
                            .with("what", signal)
                            .with(
                                    "parts",
                                    candidates.stream()
                                            .map(this::name)
                                            .distinct()
                                            .toList()));
        }
        Endpoint of = candidates.get(0);
        PinUse use = node.pin(of).orElseThrow().use();
        Optional<Pin> on = pinOf(pin);
        boolean isRail = on.flatMap(found -> source.output(found.label())).isPresent();
        // The other leg of a contact goes to either.
        boolean isLegOnRail = isRail && OtherLeg.is(node, of);
        if (use == PinUse.GROUND && !isLegOnRail) {
            boolean isGround = on.filter(found -> found.use() == PinUse.GROUND).isPresent();
            return isGround
                    ? new FoundLine(
                            number, text, FoundLine.Kind.GROUND, Optional.of(of), Optional.empty(), Optional.empty())
                    : unclear(
                            number,
                            text,
                            Fact.of("found.no_pin").with("pin", pin).with("board", source.name()));
        }
        if (on.isEmpty()) {
            return unclear(
                    number, text, Fact.of("found.no_pin").with("pin", pin).with("board", source.name()));
        }
        boolean isSupply = use == PinUse.SUPPLY || isLegOnRail;
        if (isSupply != isRail
                || on.get().use() == PinUse.GROUND
                || !isSupply && on.get().can().isEmpty()) {
            return unclear(
                    number,
                    text,
                    Fact.of("found.no_match").with("signal", of.pin()).with("pin", pin));
        }
        return new FoundLine(
                number,
                text,
                isSupply ? FoundLine.Kind.FEED : FoundLine.Kind.WIRE,
                Optional.of(of),
                Optional.of(on.get().label()),
                Optional.empty());
    }

    private String name(Endpoint pin) {
        return node.part(pin.part()).orElseThrow().part().name();
    }

    private static FoundLine unclear(int number, String text, Fact why) {
        return new FoundLine(
                number, text, FoundLine.Kind.UNCLEAR, Optional.empty(), Optional.empty(), Optional.of(why));
    }

    // --- which signal

    /** The pins that a name can mean, those of the parts it names before others. */
    private List<Endpoint> candidates(String name) {
        List<String> words = words(name);
        List<Endpoint> best = new ArrayList<>();
        int bestScore = 0;
        for (Placed placed : node.parts()) {
            if (placed.part().isBoard()) {
                continue;
            }
            Set<String> seen = new LinkedHashSet<>();
            for (Pin pin : placed.cls().pins()) {
                boolean isAsked = pin.use().isSignal() || pin.use() == PinUse.SUPPLY || pin.use() == PinUse.GROUND;
                int score = isAsked && seen.add(pin.label()) ? score(words, name, placed, pin) : 0;
                if (score > bestScore) {
                    best.clear();
                    bestScore = score;
                }
                if (score > 0 && score == bestScore) {
                    best.add(placed.endpoint(pin));
                }
            }
        }
        return best.isEmpty() ? onlySignals(words) : best;
    }

    /** {@code servoPin} names a part and no pin: it means the one that the part cannot do without. */
    private List<Endpoint> onlySignals(List<String> words) {
        List<Endpoint> only = new ArrayList<>();
        for (Placed placed : node.parts()) {
            List<Pin> wanted = placed.cls()
                    .signals()
                    .filter(pin -> pin.need() == Need.MUST)
                    .toList();
            boolean isNamed = !words.isEmpty() && names(placed).containsAll(words);
            if (isNamed && wanted.size() == 1 && !placed.part().isBoard()) {
                only.add(placed.endpoint(wanted.get(0)));
            }
        }
        return only;
    }

    /** 0 for no match; more for each word that names the part, and for its own label before another one. */
    private static int score(List<String> words, String name, Placed placed, Pin pin) {
        boolean isOwn = isLabel(words, name, pin.label());
        if (!isOwn && pin.also().stream().noneMatch(label -> isLabel(words, name, label))) {
            return 0;
        }
        Set<String> names = names(placed);
        int said = 0;
        for (String word : words) {
            said += names.contains(word) ? 1 : 0;
        }
        return 1 + 4 * said + (isOwn ? 2 : 0);
    }

    /** The words that a part is called by. */
    private static Set<String> names(Placed placed) {
        Set<String> names = new LinkedHashSet<>();
        Stream.concat(Stream.of(placed.id(), placed.part().name(), placed.cls().name()), placed.cls().kinds().stream())
                .flatMap(text -> words(text).stream())
                .forEach(names::add);
        return names;
    }

    /** Whether a name is a label, or ends with one. */
    private static boolean isLabel(List<String> words, String name, String label) {
        if (label.isEmpty()) {
            return false;
        }
        String plain = label.toLowerCase(Locale.ROOT);
        return name.equalsIgnoreCase(label)
                || !words.isEmpty() && words.get(words.size() - 1).equals(plain);
    }

    private static List<String> words(String name) {
        List<String> words = new ArrayList<>();
        for (String word : PARTING.split(name)) {
            String plain = word.toLowerCase(Locale.ROOT);
            if (!plain.isEmpty() && !NOISE.contains(plain)) {
                words.add(plain);
            }
        }
        return words;
    }

    // --- which pin

    /** By its label, another name for it, or the number that programs use. */
    private Optional<Pin> pinOf(String name) {
        List<String> words = words(name);
        String last = words.isEmpty() ? name : words.get(words.size() - 1);
        return source.pinCalled(name).or(() -> source.pinCalled(last));
    }

    // --- what to do with it

    /**
     * The edits that take what was understood: wires as they were found where the board is the one on the table, else only
     * the feeds that this board has too; its pins are then shared out anew. What the builder holds stays where it is.
     */
    public static List<Edit> edits(NodeCircuit node, PartClass source, List<FoundLine> lines) {
        boolean isSame = node.board().cls().id().equals(source.id());
        List<Edit> edits = new ArrayList<>();
        String id = node.node().id();
        for (FoundLine line : lines) {
            Endpoint to = new Endpoint(node.board().id(), line.pin().orElse(""));
            boolean isHeld =
                    line.signal().flatMap(node::wire).filter(Wire::held).isPresent();
            if (line.kind() == FoundLine.Kind.WIRE && isSame && !isHeld) {
                edits.add(new SetWire(id, Wire.placed(line.signal().orElseThrow(), to)));
            } else if (line.kind() == FoundLine.Kind.FEED) {
                Endpoint supply = line.signal().orElseThrow();
                rail(node, supply, to, isSame)
                        .ifPresent(rail -> edits.add(new Feed(id, supply.part(), supply.pin(), rail)));
            }
        }
        return edits;
    }

    /** What a contact hands on is for a pin of this board, whatever the other one was fed with. */
    private static Optional<Endpoint> rail(NodeCircuit node, Endpoint supply, Endpoint named, boolean isSame) {
        boolean isOfPins = !isSame && OtherLeg.is(node, supply);
        Optional<Endpoint> found =
                Optional.of(named).filter(rail -> node.rail(rail).isPresent());
        return isOfPins
                ? node.board()
                        .cls()
                        .offers()
                        .flatMap(pin -> node.ioRail(node.board().endpoint(pin)).stream())
                        .map(Rail::id)
                        .findFirst()
                : found;
    }
}
