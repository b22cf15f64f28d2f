package inkel.core.tune.code;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Constants of a program, read back and held against those that are made of the plan. They are found by their names; what a
 * program calls otherwise is its own affair.
 */
public final class CodeBack {
    private static final Pattern DEFINE = Pattern.compile("#\\s*define\\s+(\\w+)\\s+(.+)");
    private static final Pattern DECLARED =
            Pattern.compile("(?:[\\w:]+\\s+)+(\\w+)\\s*(?:\\[\\s*\\w*\\s*])?\\s*=\\s*([^=;][^;]*);?.*");
    private static final Pattern ASSIGNED = Pattern.compile("(\\w+)\\s*=\\s*([^=].*)");
    private static final Pattern NUMBER =
            Pattern.compile("([-+]?(?:0[xX][0-9a-fA-F]+|[0-9]+(?:\\.[0-9]*)?(?:[eE][-+]?[0-9]+)?))[uUlLfF]*");

    /** No constant takes more to say; a picture or a program in one line does. */
    private static final int LONGEST = 1000;

    private static final double ROUNDING = 1e-9;

    private CodeBack() {}

    /**
     * A constant of the plan that a program has.
     *
     * @param line of the program, from 1
     * @param found as the program writes it
     * @param wanted as code for this board would
     */
    public record Told(int line, String name, String found, String wanted, boolean isSame) {}

    /** What a program says of the constants of a board, in the order of its lines; the last word on a name counts. */
    public static List<Told> read(NodeCircuit node, List<CodeConstants.Entry> planned, String code) {
        Map<String, CodeConstants.Entry> wanted = new LinkedHashMap<>();
        planned.forEach(entry -> wanted.put(entry.constant().name(), entry));
        Map<String, Told> told = new LinkedHashMap<>();
        String[] lines = code.split("\\R", -1);
        for (int i = 0; i < lines.length; i++) {
            int number = i + 1;
            said(lines[i])
                    .filter(said -> wanted.containsKey(said.name()))
                    .ifPresent(said -> told.put(said.name(), told(node, wanted.get(said.name()), number, said)));
        }
        return List.copyOf(told.values());
    }

    private record Said(String name, String value) {}

    private static Optional<Said> said(String line) {
        // What is told of it may come to a terminal.
        String bare = withoutRemark(line).replaceAll("\\p{Cntrl}", " ").strip();
        if (bare.length() > LONGEST) {
            return Optional.empty();
        }
        for (Pattern pattern : List.of(DEFINE, DECLARED, ASSIGNED)) {
            Matcher found = pattern.matcher(bare);
            if (found.matches()) {
                return Optional.of(new Said(found.group(1), found.group(2).strip()));
            }
        }
        return Optional.empty();
    }

    /** Remarks begin with two strokes, a stroke and a star, or a hash that begins no {@code #define}; none does in a text. */
    private static String withoutRemark(String line) {
        char quote = 0;
        for (int i = 0; i < line.length(); i++) {
            char one = line.charAt(i);
            if (quote != 0) {
                quote = one == quote ? 0 : quote;
            } else if (one == '"' || one == '\'') {
                quote = one;
            } else if (line.startsWith("//", i)
                    || line.startsWith("/*", i)
                    || one == '#' && !line.substring(i).matches("#\\s*define\\s.*")) {
                return line.substring(0, i);
            }
        }
        return line;
    }

    private static Told told(NodeCircuit node, CodeConstants.Entry entry, int line, Said said) {
        List<String> right = entry.pin()
                .map(pin -> spelled(node, pin))
                .orElseGet(() -> List.of(entry.constant().value()));
        boolean isSame = right.stream().anyMatch(one -> isSame(value(one), value(said.value())));
        String wanted =
                said.value().startsWith("(") ? right.get(0).replace('{', '(').replace('}', ')') : right.get(0);
        return new Told(line, said.name(), said.value(), wanted, isSame);
    }

    /** How the languages of a board call a pin, and the number or label itself. */
    private static List<String> spelled(NodeCircuit node, Pin pin) {
        List<String> all = new ArrayList<>();
        node.board().cls().controller().map(Controller::languages).orElse(List.of()).stream()
                .filter(language -> language.name() == Language.Name.CPP)
                .forEach(language -> all.add(language.call(pin)));
        all.add(pin.number().matches("[0-9]+") ? pin.number() : "\"" + pin.label() + "\"");
        return all;
    }

    /** A number, a text, or a list of those; a list of one is that one. */
    private static Object value(String text) {
        String bare = text.strip().replaceAll(";$", "").strip();
        if (bare.matches("[{(\\[].*[})\\]]")) {
            List<Object> all = new ArrayList<>();
            for (String part : bare.substring(1, bare.length() - 1).split(",")) {
                if (!part.isBlank()) {
                    all.add(value(part));
                }
            }
            return all.size() == 1 ? all.get(0) : all;
        }
        Matcher number = NUMBER.matcher(bare);
        if (number.matches()) {
            String digits = number.group(1);
            boolean isHex = digits.toLowerCase(Locale.ROOT).contains("0x");
            return isHex ? (double) Long.decode(digits) : Double.parseDouble(digits);
        }
        return bare.replaceAll("^[\"'](.*)[\"']$", "$1");
    }

    private static boolean isSame(Object one, Object other) {
        if (one instanceof Double number && other instanceof Double found) {
            return Math.abs(number - found) <= ROUNDING * Math.max(1, Math.abs(number));
        } else if (one instanceof List<?> all && other instanceof List<?> found) {
            boolean isSame = all.size() == found.size();
            for (int i = 0; isSame && i < all.size(); i++) {
                isSame = isSame(all.get(i), found.get(i));
            }
            return isSame;
        }
        return one.equals(other);
    }
}
