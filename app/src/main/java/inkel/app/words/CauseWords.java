package inkel.app.words;

import inkel.core.bench.Band;
import inkel.core.bench.Unknown;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Share;
import inkel.core.quantity.Unit;
import inkel.core.remedy.PinNames;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Says what moves a reading that is foretold. */
public final class CauseWords {
    private static final String WIRE = "wire ";
    private static final String PLUG = "plug ";
    private static final String BACK = " ground";
    private static final String ROW = "row ";
    private static final String AWAY = "away ";

    private CauseWords() {}

    /** A figure of the bench, by its name in the build; of another board's table with what that is called. */
    public static String say(Circuit circuit, NodeCircuit here, Unknown unknown) {
        return say(circuit, here, unknown.key());
    }

    static String say(Circuit circuit, NodeCircuit here, String key) {
        int space = key.indexOf(' ');
        Optional<NodeCircuit> of = space < 0 ? Optional.empty() : circuit.node(key.substring(0, space));
        String plain = of.isPresent() ? key.substring(space + 1) : key;
        NodeCircuit node = of.orElse(here);
        String said = plain(circuit, node, plain);
        return node.node().id().equals(here.node().id())
                ? said
                : Words.say(Fact.of("wake.cause.of_board")
                        .with("what", said)
                        .with("board", node.node().name()));
    }

    private static String plain(Circuit circuit, NodeCircuit node, String plain) {
        if (plain.startsWith(WIRE) || plain.startsWith(PLUG)) {
            boolean isBack = plain.endsWith(BACK);
            String ends = plain.substring(WIRE.length(), plain.length() - (isBack ? BACK.length() : 0))
                    .replaceAll("@[0-9]+", "");
            String kind = plain.startsWith(WIRE) ? "wire" : isBack ? "plug_back" : "plug";
            return Words.get(
                    "wake.cause." + kind,
                    "what",
                    between(circuit, node, isBack && kind.equals("wire") ? ends + BACK : ends));
        }
        Optional<String> converter = converter(plain);
        if (converter.isPresent()) {
            return Words.get("wake.cause.code", "what", name(node, converter.get()));
        }
        int space = plain.indexOf(' ');
        String what = space < 0 ? "" : plain.substring(space + 1);
        String said =
                switch (what) {
                    case "volts" -> "wake.cause.volts";
                    case "idle", "active", "sleep", "peak" -> "wake.cause.takes";
                    case "pull-up" -> "wake.cause.pull";
                    default -> "wake.cause.other";
                };
        return Words.get(said, "what", name(node, space < 0 ? plain : plain.substring(0, space)));
    }

    /** Of a figure that says what a converter makes of a code, the converter's pin: {@code dac.OUT code 0.25}. */
    private static Optional<String> converter(String key) {
        String[] words = key.split(" ");
        boolean isCode = words.length > 2 && words[words.length - 2].equals("code");
        return isCode ? Optional.of(words[words.length - 3]) : Optional.empty();
    }

    private static String between(Circuit circuit, NodeCircuit node, String ends) {
        return Stream.of(ends.split(" > ")).map(end -> end(circuit, node, end)).collect(Collectors.joining(" → "));
    }

    /** A pin by its part's name; a row of a breadboard by its rail's. */
    private static String end(Circuit circuit, NodeCircuit node, String end) {
        if (end.equals(ROW + "ground")) {
            return Words.get("wake.cause.ground");
        }
        if (end.startsWith(AWAY)) {
            return away(circuit, end.substring(AWAY.length()));
        }
        return end.startsWith(ROW)
                ? Words.get("wake.cause.row", "what", name(node, end.substring(ROW.length())))
                : name(node, end);
    }

    /** An end on another board, or that board's ground. */
    private static String away(Circuit circuit, String end) {
        int slash = end.indexOf('/');
        String board = circuit.node(slash < 0 ? end : end.substring(0, slash))
                .map(other -> other.node().name())
                .orElse(end);
        return slash < 0
                ? Words.get("wire.other_ground", "board", board)
                : board + " " + end.substring(end.indexOf('.', slash) + 1);
    }

    private static String name(NodeCircuit node, String pin) {
        return Endpoint.parse(pin)
                .filter(end -> node.part(end.part()).isPresent())
                .map(end -> Words.say(PinNames.of(node, end)))
                .orElse(pin);
    }

    /** What it may be. */
    public static String range(Unknown unknown) {
        if (converter(unknown.key()).isPresent()) {
            return Words.say(Fact.of("wake.between")
                    .with("low", new Share(unknown.low()))
                    .with("high", new Share(unknown.high())));
        }
        Unit unit = unit(unknown.key());
        return Words.say(Fact.of("wake.between")
                .with("low", Quantity.of(unit, unknown.low()))
                .with("high", Quantity.of(unit, unknown.high())));
    }

    /** Of what kind a figure is, by the last word of its name. */
    private static Unit unit(String key) {
        String last = key.substring(key.lastIndexOf(' ') + 1);
        return switch (last) {
            case "volts", "knee", "drop", "forward" -> Unit.VOLT;
            case "idle", "active", "sleep", "peak" -> Unit.AMPERE;
            case "efficiency" -> Unit.ONE;
            default -> Unit.OHM;
        };
    }

    /** Whether it moves a reading by anything that a meter shows. */
    public static boolean isFelt(Unit unit, Band.Cause cause) {
        double least = unit == Unit.OHM ? 1 : 1e-3;
        return Math.max(Math.abs(cause.least()), Math.abs(cause.most())) >= least;
    }
}
