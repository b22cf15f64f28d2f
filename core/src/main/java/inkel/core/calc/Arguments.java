package inkel.core.calc;

import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What was given to a calculation, read with units. Every refusal names the key and gives an example. */
public final class Arguments {
    private final Calculation calculation;
    private final Map<String, String> given;

    /** In which unit each key was asked for. */
    private final Map<String, Unit> units = new LinkedHashMap<>();

    Arguments(Calculation calculation, Map<String, String> given) throws CalcRefused {
        this.calculation = calculation;
        this.given = Map.copyOf(given);
        List<String> known =
                calculation.keys().stream().map(key -> key.replace("?", "")).toList();
        for (String key : given.keySet()) {
            if (!known.contains(key)) {
                throw refused("calc.unknown_key", key);
            }
        }
    }

    Map<String, Unit> units() {
        return units;
    }

    private CalcRefused refused(String reason, String key) {
        return new CalcRefused(Fact.of(reason)
                .with("calc", calculation.name())
                .with("key", key)
                .with("found", given.getOrDefault(key, ""))
                .with("keys", String.join(" ", calculation.keys()))
                .with("example", calculation.name() + " " + calculation.example()));
    }

    /** Every required key that is not there is named at once. */
    private CalcRefused missing(String key) {
        Set<String> missing = new LinkedHashSet<>(calculation.keys());
        missing.removeIf(known -> known.endsWith("?") || given.containsKey(known));
        missing.add(key);
        return refused("calc.missing_key", String.join("\", \"", missing));
    }

    /** A required value in the SI base unit. */
    public double value(String key, Unit unit) throws CalcRefused {
        return optional(key, unit).orElseThrow(() -> missing(key));
    }

    /** A required value that must be above zero. */
    public double positive(String key, Unit unit) throws CalcRefused {
        double value = value(key, unit);
        if (value <= 0) {
            throw refused("calc.not_positive", key);
        }
        return value;
    }

    /** A required value that may be zero. */
    public double notNegative(String key, Unit unit) throws CalcRefused {
        double value = value(key, unit);
        if (value < 0) {
            throw refused("calc.not_positive", key);
        }
        return value;
    }

    public Optional<Double> optional(String key, Unit unit) throws CalcRefused {
        units.put(key, unit);
        if (!given.containsKey(key)) {
            return Optional.empty();
        }
        Optional<Double> value = Engineering.parse(unit == Unit.ONE ? bare(key) : given.get(key), unit);
        if (value.isEmpty()) {
            throw refused("calc.wrong_value", key);
        }
        return value;
    }

    /** What was given without the unit that its key names: 500us for {@code min_us}, and degrees of an angle. */
    private String bare(String key) {
        String text = given.get(key).strip().replace('µ', 'u').replace('μ', 'u');
        String unit = key.substring(key.lastIndexOf('_') + 1);
        boolean isNamed = text.toLowerCase(Locale.ROOT).endsWith(unit);
        String bare = isNamed ? text.substring(0, text.length() - unit.length()) : text;
        return (key.endsWith("angle") && bare.endsWith("°") ? bare.substring(0, bare.length() - 1) : bare).strip();
    }

    /** As {@link #positive}, for a key that may be left out. */
    public Optional<Double> optionalPositive(String key, Unit unit) throws CalcRefused {
        units.put(key, unit);
        return given.containsKey(key) ? Optional.of(positive(key, unit)) : Optional.empty();
    }

    /** A pulse that may be left out; it must be above zero and no longer than what it repeats in. */
    public Optional<TimeSpan> optionalPulse(String key, Frequency repeats) throws CalcRefused {
        Optional<Double> seconds = optionalPositive(key, Unit.SECOND);
        if (seconds.filter(pulse -> pulse * repeats.hertz() > 1 + 1e-9).isPresent()) {
            throw refused("calc.out_of_range", key);
        }
        return seconds.map(TimeSpan::ofSeconds);
    }

    /** One of a few words, in letters large or small; the first is taken when the key is left out. */
    public String word(String key, String... choices) throws CalcRefused {
        String word = given.getOrDefault(key, choices[0]);
        return Stream.of(choices)
                .filter(word::equalsIgnoreCase)
                .findFirst()
                .orElseThrow(() -> refused("calc.wrong_value", key));
    }

    /** A required whole number, both ends included. */
    public int whole(String key, int least, int most) throws CalcRefused {
        return whole(key, value(key, Unit.ONE), least, most);
    }

    /** As {@link #whole(String, int, int)}, with what is taken when the key is left out. */
    public int whole(String key, int least, int most, int otherwise) throws CalcRefused {
        return whole(key, optional(key, Unit.ONE).orElse((double) otherwise), least, most);
    }

    private int whole(String key, double value, int least, int most) throws CalcRefused {
        if (value != Math.rint(value)) {
            throw refused("calc.wrong_value", key);
        }
        if (value < least || value > most) {
            throw refused("calc.out_of_range", key);
        }
        return (int) value;
    }

    /** Positive whole numbers with commas between them; required where there is nothing to take otherwise. */
    public List<Integer> wholes(String key, List<Integer> otherwise) throws CalcRefused {
        if (!given.containsKey(key) && !otherwise.isEmpty()) {
            return otherwise;
        }
        List<Integer> numbers = new ArrayList<>();
        for (String part : text(key).split(",")) {
            Optional<Double> value = Engineering.parse(part.strip(), Unit.ONE);
            if (value.isEmpty() || value.get() < 1 || value.get() != Math.rint(value.get())) {
                throw refused("calc.wrong_value", key);
            }
            numbers.add(value.get().intValue());
        }
        return numbers;
    }

    /** A required text as it was given. */
    public String text(String key) throws CalcRefused {
        if (!given.containsKey(key)) {
            throw missing(key);
        }
        return given.get(key);
    }

    /** A refusal for a value that cannot be read. */
    public CalcRefused wrong(String key) {
        return refused("calc.wrong_value", key);
    }

    /** A refusal for values that are fine by themselves but not together. */
    public CalcRefused impossible(String key) {
        return refused("calc.out_of_range", key);
    }
}
