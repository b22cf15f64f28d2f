package inkel.app.words;

import inkel.core.calc.CalcRefused;
import inkel.core.calc.Calculation;
import inkel.core.calc.Calculator;
import inkel.core.calc.Reckoning;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** The words of calculations: names, keys, answers, and formulas with their figures filled in. */
public final class ReckonWords {
    private static final int DIGITS = 4;
    private static final int IN_A_LINE = 2;

    private ReckonWords() {}

    public static String title(String calc) {
        return Words.get("reckon." + calc);
    }

    public static String about(String calc) {
        return Words.get("reckon." + calc + ".about");
    }

    /** A key may mean something of its own in one calculation. */
    public static String key(String calc, String key) {
        return first("reckon.key." + calc + "." + key, "reckon.key." + key)
                .orElseGet(() -> key.matches("[xy][0-9]")
                        ? Words.say(Fact.of("reckon.key.point")
                                .with("axis", key.substring(0, 1))
                                .with("number", key.substring(1)))
                        : plain(key));
    }

    /** An answer may be called as a key is. */
    public static String answer(String calc, String key) {
        return said(calc, key).orElse(plain(withoutUnit(key)));
    }

    /** Whether somebody found words for an answer, so that it is not told by its key. */
    static boolean isSaid(String calc, String key) {
        return said(calc, key).isPresent();
    }

    private static Optional<String> said(String calc, String key) {
        String name = withoutUnit(key);
        return first(
                "reckon.says." + calc + "." + key, "reckon.says." + key, "reckon.says." + name, "reckon.key." + name);
    }

    private static Optional<String> first(String... keys) {
        return Arrays.stream(keys).filter(Words::has).findFirst().map(Words::get);
    }

    private static String plain(String key) {
        return key.replace('_', ' ');
    }

    private static Optional<Unit> unit(String key) {
        int at = key.lastIndexOf('_');
        String end = at < 0 ? key : key.substring(at + 1);
        return Arrays.stream(Unit.values())
                .filter(unit -> unit != Unit.ONE && unit.key("x").equals("x_" + end))
                .filter(unit -> at >= 0)
                .findFirst();
    }

    private static String withoutUnit(String key) {
        return unit(key).isPresent() ? key.substring(0, key.lastIndexOf('_')) : key;
    }

    /** A value with its unit, which the end of its key tells. */
    public static String value(String key, Object value) {
        if (value instanceof Double number) {
            return unit(key)
                    .map(unit -> unit == Unit.CELSIUS ? number(number) + " °C" : Numbers.print(number, unit, DIGITS))
                    .orElseGet(() -> number(number));
        }
        return String.valueOf(value).replace("true", Words.get("reckon.yes")).replace("false", Words.get("reckon.no"));
    }

    private static String number(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e9
                ? Numbers.fixed(value, 0)
                : Numbers.local(String.format(Locale.ROOT, "%.5g", value)
                        .replaceAll("(\\.[0-9]*?)0+$", "$1")
                        .replaceAll("\\.$", ""));
    }

    /** The formula with what is given in the place of its letters; a letter that is not given stays. */
    public static String formula(Reckoning reckoning) {
        String text = Words.get("reckon." + reckoning.calculation().name() + ".formula");
        for (Map.Entry<String, String> one : reckoning.given().entrySet()) {
            text = text.replace("{" + one.getKey() + "}", one.getValue());
        }
        return text.replaceAll("\\{([a-z0-9_]+)\\}", "$1");
    }

    /** A calculation with the first of its answers, in one line. */
    public static String line(Reckoning reckoning) {
        String name = reckoning.calculation().name();
        try {
            return title(name) + ": "
                    + reckoning.answer().entrySet().stream()
                            .limit(IN_A_LINE)
                            .map(one -> answer(name, one.getKey()) + " " + value(one.getKey(), one.getValue()))
                            .collect(Collectors.joining(", "));
        } catch (CalcRefused refused) {
            return title(name);
        }
    }

    /** A calculation that a line of words begins with the name of, filled in with the amounts behind it. */
    public static List<Reckoning> find(String line) {
        List<String> words = Arrays.stream(line.strip().split("\\s+")).toList();
        List<Reckoning> found = new ArrayList<>();
        for (Calculation calculation : Calculator.all()) {
            String names = (calculation.name() + " " + title(calculation.name()) + " "
                            + Words.get("reckon." + calculation.name() + ".also"))
                    .toLowerCase(Locale.ROOT);
            List<String> letters = letters(words);
            if (!letters.isEmpty() && letters.stream().allMatch(names::contains)) {
                found.add(Reckoning.of(calculation).with(words));
            }
        }
        return found;
    }

    /** Whether a line has an amount with its unit in it, as “5 V” or “20mA”. */
    public static boolean isSum(String line) {
        String[] words = line.strip().split("\\s+");
        for (int i = 0; i < words.length; i++) {
            boolean isBehind = i > 0 && words[i - 1].matches("[-−]?[0-9.,]+") && Unit.isSymbol(words[i]);
            boolean isJoined = words[i].matches("[-−]?[0-9.,]+[\\p{L}µΩ%]+")
                    && Unit.isSymbol(words[i].replaceFirst("^[-−]?[0-9.,]+", ""));
            if (isBehind || isJoined) {
                return true;
            }
        }
        return false;
    }

    /** Words that are no amounts and no units behind one. */
    private static List<String> letters(List<String> words) {
        List<String> letters = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            boolean isUnit = i > 0 && words.get(i - 1).matches("[-−]?[0-9.,]+") && Unit.isSymbol(words.get(i));
            if (words.get(i).matches("[A-Za-z].*") && !isUnit && !words.get(i).equals("to")) {
                letters.add(words.get(i).toLowerCase(Locale.ROOT));
            }
        }
        return letters;
    }
}
