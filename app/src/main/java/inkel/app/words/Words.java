package inkel.app.words;

import inkel.core.io.json.Problem;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.DataSize;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Turns keys and facts into sentences. Wording is in the {@code words} folder, one file for each
 * stage and a few for what they share. {@code {name}} stands for a value, {@code {name:part|parts}} for a number with the
 * word behind it that suits, and {@code {name:a|an}} for a name with the word before it that suits its first sound.
 */
public final class Words {
    private static final Map<String, String> TEXTS = Texts.read();
    private static final Pattern SLOT = Pattern.compile("\\{([a-z0-9_]+)(?::([^|}]*)\\|([^}]*))?}");

    /** Letters whose names begin so; a U begins with a consonant. */
    private static final String OPEN_LETTERS = "AEFHILMNORSX";

    private static final String OPEN_SOUNDS = "AEIOU";
    /** A number that is printed already. */
    private static final Pattern COUNT = Pattern.compile("[\\d.,]+");

    private static final Pattern OPEN_NUMBER = Pattern.compile("8\\d*|11|18");

    private static final double LONG_SECONDS = 120;
    private static final double TOLD_TO_THE_BYTE = 10_000;
    private static final double KIBI = 1024;

    private Words() {}

    /** The text of a key without values. */
    public static String get(String key) {
        return TEXTS.getOrDefault(key, key);
    }

    public static boolean has(String key) {
        return TEXTS.containsKey(key);
    }

    /** The text of a key with one value. */
    public static String get(String key, String name, Object value) {
        return say(Fact.of(key).with(name, value));
    }

    /** A fact as a sentence. */
    public static String say(Fact fact) {
        return fill(get(fact.key()), fact.values());
    }

    private static String fill(String template, Map<String, Object> values) {
        Matcher matcher = SLOT.matcher(template);
        return matcher.replaceAll(found -> {
            Object value = values.get(found.group(1));
            String shown = value == null ? found.group() : show(value);
            boolean hasWord = value != null && found.group(2) != null;
            return Matcher.quoteReplacement(hasWord ? worded(value, shown, found) : shown);
        });
    }

    private static String worded(Object value, String shown, MatchResult found) {
        return value instanceof Number || COUNT.matcher(shown).matches()
                ? shown + " " + found.group(isOne(value) ? 2 : 3)
                : found.group(beginsOpen(shown) ? 3 : 2) + " " + shown;
    }

    /** Whether a name is spoken with an open sound first: an LED, an 8-bit DAC, an I2C multiplexer, but a USB port. */
    private static boolean beginsOpen(String name) {
        String first = name.split("[ ,-]", 2)[0];
        boolean isSpelt = first.length() > 1 && first.equals(first.toUpperCase(Locale.ROOT));
        return OPEN_NUMBER.matcher(first).matches()
                || (isSpelt ? OPEN_LETTERS : OPEN_SOUNDS).indexOf(Character.toUpperCase(name.charAt(0))) >= 0;
    }

    private static boolean isOne(Object value) {
        return value instanceof Number number && number.doubleValue() == 1;
    }

    /** A value the way it stands in a sentence or a table. */
    public static String show(Object value) {
        if (value instanceof Fact fact) {
            return say(fact);
        }
        if (value instanceof Voltage voltage) {
            return Numbers.volts(voltage);
        }
        if (value instanceof DataSize size) {
            return bytes(size);
        }
        if (value instanceof TimeSpan time && time.seconds() >= LONG_SECONDS) {
            return longTime(time);
        }
        if (value instanceof Collection<?> several) {
            return list(several.stream().map(Words::show).toList());
        }
        return value instanceof Quantity quantity
                ? Numbers.print(quantity)
                : value instanceof Double || value instanceof Float
                        ? Numbers.local(String.valueOf(value))
                        : String.valueOf(value);
    }

    /** {@code SCK, MOSI and SDA}. */
    private static String list(List<String> words) {
        int last = words.size() - 1;
        return last < 1
                ? String.join("", words)
                : String.join(get("list.comma"), words.subList(0, last)) + get("list.and") + words.get(last);
    }

    /** Small memories are told to the byte, as their boards are; KiB and MiB are those of 1024 (IEC 80000-13). */
    private static String bytes(DataSize size) {
        return size.bytes() < TOLD_TO_THE_BYTE
                ? Math.round(size.bytes()) + " B"
                : size.bytes() < TOLD_TO_THE_BYTE * KIBI
                        ? Numbers.print(size.bytes() / KIBI, Unit.ONE, 3) + " KiB"
                        : Numbers.print(size.bytes() / KIBI / KIBI, Unit.ONE, 3) + " MiB";
    }

    /** Hours and minutes as people count them. */
    private static String longTime(TimeSpan time) {
        double hours = time.seconds() / 3600;
        return hours >= 1
                ? get("time.hours", "count", Numbers.print(hours, Unit.ONE, 3))
                : get("time.minutes", "count", Numbers.print(time.seconds() / 60, Unit.ONE, 2));
    }

    /** A problem with a file in one sentence: line, field, reason. */
    public static String say(Problem problem) {
        String reason = say(quoted(problem.reason()));
        if (problem.line() == 0) {
            return reason;
        }
        String where = problem.field().isEmpty()
                ? get("problem.at_line", "line", problem.line())
                : say(Fact.of("problem.at_field")
                        .with("line", problem.line())
                        .with("field", Seen.brief(problem.field())));
        return where + " " + reason;
    }

    /** What a file says may be anything, and as long as it likes. */
    private static Fact quoted(Fact reason) {
        Fact safe = Fact.of(reason.key());
        for (Map.Entry<String, Object> value : reason.values().entrySet()) {
            boolean isShown = value.getKey().equals("example")
                    || value.getValue() instanceof Quantity
                    || value.getValue() instanceof Number;
            Object shown = value.getValue() instanceof Fact inside
                    ? quoted(inside)
                    : isShown ? value.getValue() : Seen.brief(show(value.getValue()));
            safe = safe.with(value.getKey(), shown);
        }
        return safe;
    }

    /** All that is wrong with a file, one sentence a line, the file's name in front. */
    public static String say(UnreadableFile file) {
        return file.problems().stream()
                .map(problem -> file.file().getFileName() + ": " + say(problem))
                .collect(Collectors.joining("\n"));
    }
}
