package inkel.app.words;

import inkel.core.bench.Band;
import inkel.core.bench.Unknown;
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

    private CauseWords() {}

    /** A figure of the bench, by its name in the build. */
    public static String say(NodeCircuit node, Unknown unknown) {
        return say(node, unknown.key());
    }

    static String say(NodeCircuit node, String key) {
        String home = node.node().id() + " ";
        String plain = key.startsWith(home) ? key.substring(home.length()) : key;
        if (plain.startsWith(WIRE) || plain.startsWith(PLUG)) {
            boolean isBack = plain.endsWith(BACK);
            String ends = plain.substring(WIRE.length(), plain.length() - (isBack ? BACK.length() : 0))
                    .replaceAll("@[0-9]+", "");
            String kind = plain.startsWith(WIRE) ? "wire" : isBack ? "plug_back" : "plug";
            return Words.get(
                    "wake.cause." + kind, "what", between(node, isBack && kind.equals("wire") ? ends + BACK : ends));
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

    private static String between(NodeCircuit node, String ends) {
        return Stream.of(ends.split(" > ")).map(end -> end(node, end)).collect(Collectors.joining(" → "));
    }

    /** A pin by its part's name; a row of a breadboard by its rail's. */
    private static String end(NodeCircuit node, String end) {
        if (end.equals(ROW + "ground")) {
            return Words.get("wake.cause.ground");
        }
        return end.startsWith(ROW)
                ? Words.get("wake.cause.row", "what", name(node, end.substring(ROW.length())))
                : name(node, end);
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
