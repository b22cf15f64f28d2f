package inkel.core.calc;

import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/**
 * A calculation while somebody fills it in.
 *
 * @param given the text of each key that has one
 */
public record Reckoning(Calculation calculation, Map<String, String> given) {
    public Reckoning {
        given = Map.copyOf(given);
    }

    /** With the values of its example. */
    public static Reckoning of(Calculation calculation) {
        return new Reckoning(calculation, example(calculation));
    }

    private static Map<String, String> example(Calculation calculation) {
        Map<String, String> given = new LinkedHashMap<>();
        for (String pair : calculation.example().split(" ")) {
            int at = pair.indexOf('=');
            given.put(pair.substring(0, at), pair.substring(at + 1));
        }
        return given;
    }

    /** The keys, in order. */
    public List<String> keys() {
        return calculation.keys().stream().map(key -> key.replace("?", "")).toList();
    }

    public boolean isNeeded(String key) {
        return calculation.keys().contains(key);
    }

    /** In which unit each key is read; a key that is a word or a list has none. */
    public Map<String, Unit> units() {
        try {
            Arguments arguments = new Arguments(calculation, example(calculation));
            calculation.answer(arguments);
            return Map.copyOf(arguments.units());
        } catch (CalcRefused refused) {
            throw new IllegalStateException(calculation.name() + " refuses its own example", refused);
        }
    }

    /** @param text empty to leave a key out */
    public Reckoning with(String key, String text) {
        Map<String, String> next = new LinkedHashMap<>(given);
        if (text.isBlank()) {
            next.remove(key);
        } else {
            next.put(key, text.strip());
        }
        return new Reckoning(calculation, next);
    }

    /** @throws CalcRefused when it cannot be done with what is given */
    public Map<String, Object> answer() throws CalcRefused {
        return Calculator.answer(calculation.name(), given);
    }

    /**
     * With amounts as people say them in one line: each goes to the first key that is read in its unit and has none of them
     * yet; plain numbers to the first that is left. A least and a most of the same thing are one amount. What stood in the way
     * of the rest, as a resistor of the example that is to be found, stays.
     *
     * @param words such as {@code 5}, {@code V}, {@code to}, {@code 20mA}
     */
    public Reckoning with(List<String> words) {
        Map<String, Unit> units = units();
        Map<String, String> next = new LinkedHashMap<>(given);
        TreeSet<String> taken = new TreeSet<>();
        for (boolean isPlain : new boolean[] {false, true}) {
            for (String amount : amounts(words)) {
                boolean hasUnit = !amount.matches("[-−]?[0-9.,]+[kKMGmunpµ]?");
                if (hasUnit != isPlain) {
                    key(amount, units, taken).ifPresent(key -> {
                        put(next, taken, key, amount);
                        if (key.endsWith("_min")) {
                            String most = key.substring(0, key.length() - 3) + "max";
                            if (units.containsKey(most)) {
                                put(next, taken, most, amount);
                            }
                        }
                    });
                }
            }
        }
        return new Reckoning(calculation, next);
    }

    private static void put(Map<String, String> next, TreeSet<String> taken, String key, String amount) {
        next.put(key, amount);
        taken.add(key);
    }

    private Optional<String> key(String amount, Map<String, Unit> units, TreeSet<String> taken) {
        return keys().stream()
                .filter(key -> units.containsKey(key) && !taken.contains(key) && given.containsKey(key))
                .filter(key -> Engineering.parse(amount, units.get(key)).isPresent())
                .findFirst();
    }

    /** Numbers with the units that stand behind them, with or without a blank between. */
    private static List<String> amounts(List<String> words) {
        List<String> amounts = new ArrayList<>();
        boolean isOpen = false;
        for (String word : words) {
            boolean isNumber = word.matches("[-−]?[0-9].*");
            if (isNumber) {
                amounts.add(word);
                isOpen = word.matches("[-−]?[0-9.,]+");
            } else if (isOpen && Unit.isSymbol(word)) {
                amounts.set(amounts.size() - 1, amounts.get(amounts.size() - 1) + word);
                isOpen = false;
            } else {
                isOpen = false;
            }
        }
        return amounts;
    }
}
