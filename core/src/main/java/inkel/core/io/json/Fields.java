package inkel.core.io.json;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.document.Extras;
import inkel.core.document.Ids;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * One object of a file, read field by field. What is wrong is noted with its place and reading goes on, so that all
 * problems are told at once; a stand-in takes the place of the bad value and is never used, since the file is refused.
 */
public final class Fields {
    private final JsonNode node;
    private final String pointer;
    private final List<Problem> problems;
    private final Set<String> known = new LinkedHashSet<>();

    /** Fields that could not be read, for which a stand-in is there: whatever else is wrong with that is not the file's. */
    private final Set<String> unread = new HashSet<>();

    private boolean isRefused;

    public Fields(JsonNode node, String pointer, List<Problem> problems) {
        this.node = node;
        this.pointer = pointer;
        this.problems = problems;
        if (!node.isObject()) {
            problem("", Fact.of("problem.expected_object"));
            isRefused = true;
        }
    }

    /** The object itself. */
    public JsonNode tree() {
        return node;
    }

    public boolean has(String key) {
        known.add(key);
        return node.has(key) && !node.get(key).isNull();
    }

    /** Notes that a field is wrong; once only where it could not even be read. An empty key means this object itself. */
    public void problem(String key, Fact reason) {
        if (!unread.contains(key)) {
            note(key, reason);
        }
    }

    private void unreadable(String key, String at, Fact reason) {
        note(at, reason);
        unread.add(key);
    }

    private void note(String key, Fact reason) {
        if (isRefused) {
            // That it is no object is told already; it has no fields to be missed.
            return;
        }
        problems.add(new Problem(0, key.isEmpty() ? pointer : pointer + "/" + escaped(key), reason));
    }

    /** Notes that a field of an object inside this one is wrong. */
    public void problem(String key, String inside, Fact reason) {
        problems.add(new Problem(0, pointer + "/" + escaped(key) + "/" + escaped(inside), reason));
    }

    private static String escaped(String key) {
        return key.replace("~", "~0").replace("/", "~1");
    }

    public String text(String key) {
        return text(key, Fact.of("problem.required").with("key", key)).orElse("");
    }

    /** An id: small letters, digits and dashes, since ids also name files. */
    public String id(String key) {
        String id = text(key);
        if (!isId(id) && has(key) && node.get(key).isTextual()) {
            problem(key, Fact.of("problem.bad_id").with("found", id));
        }
        return id;
    }

    /** Whether a text can be an id: one to 64 small letters, digits and dashes, no dash first. */
    public static boolean isId(String text) {
        return Ids.isId(text);
    }

    public Optional<String> optionalText(String key) {
        return has(key) ? text(key, null) : Optional.empty();
    }

    private Optional<String> text(String key, Fact whenMissing) {
        if (!has(key)) {
            if (whenMissing != null) {
                unreadable(key, "", whenMissing);
            }
            return Optional.empty();
        }
        JsonNode value = node.get(key);
        if (!value.isTextual()) {
            unreadable(key, key, Fact.of("problem.expected_text").with("key", key));
            return Optional.empty();
        }
        return Optional.of(value.textValue());
    }

    public boolean flag(String key, boolean otherwise) {
        if (!has(key)) {
            return otherwise;
        }
        if (!node.get(key).isBoolean()) {
            problem(key, Fact.of("problem.expected_flag").with("key", key));
        }
        return node.get(key).asBoolean(otherwise);
    }

    public int number(String key, int otherwise) {
        if (!has(key)) {
            return otherwise;
        }
        if (!node.get(key).isInt()) {
            problem(key, Fact.of("problem.expected_number").with("key", key));
        }
        return node.get(key).asInt(otherwise);
    }

    /** A whole number that may be left out, refused outside its bounds; never outside of them itself. */
    public int whole(String key, int least, int most, int otherwise) {
        int number = number(key, otherwise);
        if (number >= least && number <= most) {
            return number;
        }
        problem(
                key,
                Fact.of("problem.out_of_bounds")
                        .with("least", least)
                        .with("most", most)
                        .with("found", number));
        return least;
    }

    /** Whole numbers, each within bounds. */
    public List<Integer> wholes(String key, int least, int most) {
        List<Integer> numbers = numbers(key);
        numbers.stream()
                .filter(number -> number < least || number > most)
                .findFirst()
                .ifPresent(number -> problem(
                        key,
                        Fact.of("problem.out_of_bounds")
                                .with("least", least)
                                .with("most", most)
                                .with("found", number)));
        return numbers;
    }

    /** A whole number that may be left out, refused below the least. */
    public int wholeFrom(String key, int least) {
        int number = number(key, least);
        if (number < least) {
            problem(
                    key,
                    Fact.of("problem.expected_value").with("example", least).with("found", number));
        }
        return number;
    }

    public List<Integer> numbers(String key) {
        List<Integer> numbers = new ArrayList<>();
        if (has(key)) {
            node.get(key).forEach(value -> {
                if (!value.isInt()) {
                    problem(key, Fact.of("problem.expected_number").with("key", key));
                }
                numbers.add(value.asInt());
            });
        }
        return numbers;
    }

    public List<String> texts(String key) {
        List<String> texts = new ArrayList<>();
        if (has(key)) {
            if (!node.get(key).isArray()) {
                problem(key, Fact.of("problem.expected_list").with("key", key));
            }
            node.get(key).forEach(value -> {
                if (!value.isTextual()) {
                    problem(key, Fact.of("problem.expected_text").with("key", key));
                }
                texts.add(value.asText());
            });
        }
        return texts;
    }

    /** Name and text pairs, in the order of the file. */
    public Map<String, String> textMap(String key) {
        Map<String, String> map = new LinkedHashMap<>();
        if (has(key)) {
            Fields inside = new Fields(node.get(key), pointer + "/" + escaped(key), problems);
            node.get(key).fieldNames().forEachRemaining(name -> map.put(name, inside.text(name)));
        }
        return map;
    }

    public List<Fields> objects(String key) {
        List<Fields> objects = new ArrayList<>();
        if (has(key)) {
            JsonNode list = node.get(key);
            if (!list.isArray()) {
                problem(key, Fact.of("problem.expected_list").with("key", key));
                return objects;
            }
            for (int i = 0; i < list.size(); i++) {
                objects.add(new Fields(list.get(i), pointer + "/" + escaped(key) + "/" + i, problems));
            }
        }
        return objects;
    }

    public Optional<Fields> object(String key) {
        return has(key)
                ? Optional.of(new Fields(node.get(key), pointer + "/" + escaped(key), problems))
                : Optional.empty();
    }

    /** A required value, read by a function that is empty for anything it cannot read. */
    public <T> T parsed(String key, Function<String, Optional<T>> parse, String example, T standIn) {
        String text = text(key);
        if (unread.contains(key)) {
            return standIn;
        }
        return (text.isEmpty() ? Optional.<T>empty() : parse.apply(text)).orElseGet(() -> {
            unreadable(
                    key,
                    key,
                    Fact.of("problem.expected_value").with("example", example).with("found", text));
            return standIn;
        });
    }

    public <T> Optional<T> optionalParsed(String key, Function<String, Optional<T>> parse, String example, T standIn) {
        return has(key) ? Optional.of(parsed(key, parse, example, standIn)) : Optional.empty();
    }

    @SuppressWarnings("unchecked") // Quantity.of gives the record of the unit that was asked for
    public <Q extends Quantity> Q quantity(String key, Unit unit, String example) {
        return (Q) parsed(key, text -> Engineering.parseQuantity(text, unit), example, Quantity.of(unit, 0));
    }

    public Optional<Threshold> threshold(String key) {
        return optionalParsed(
                key,
                Threshold::parse,
                "0.7 VCC, VCC - 0.3 V or 2.0 V",
                new Threshold(0, inkel.core.quantity.Voltage.ZERO));
    }

    /** A range given as {@code {"min": …, "typ": …, "max": …}} with at least one of them. */
    @SuppressWarnings("unchecked") // as in quantity()
    public <Q extends Quantity & Comparable<Q>> Figure<Q> figure(String key, Unit unit, String example) {
        Q standIn = (Q) Quantity.of(unit, 0);
        Optional<Fields> inside = object(key);
        if (inside.isEmpty()) {
            problem("", Fact.of("problem.required").with("key", key));
            return Figure.ofClass(Range.exactly(standIn));
        }
        Fields range = inside.get();
        Function<String, Q> part = name -> range.has(name) ? (Q) range.quantity(name, unit, example) : null;
        try {
            Source source = range.has("source")
                    ? range.parsed("source", Fields::source, "class, yours", Source.CLASS)
                    : Source.CLASS;
            return new Figure<>(new Range<>(part.apply("min"), part.apply("typ"), part.apply("max")), source);
        } catch (IllegalArgumentException notRising) {
            problem(key, Fact.of("problem.range").with("key", key));
            return Figure.ofClass(Range.exactly(standIn));
        }
    }

    private static Optional<Source> source(String text) {
        return switch (text) {
            case "class" -> Optional.of(Source.CLASS);
            case "yours" -> Optional.of(Source.YOURS);
            case "measured" -> Optional.of(Source.MEASURED);
            default -> Optional.empty();
        };
    }

    /** Whatever was not asked for. Call it last. */
    public Extras extras() {
        Map<String, Object> rest = new LinkedHashMap<>();
        node.fields().forEachRemaining(entry -> {
            if (!known.contains(entry.getKey())) {
                rest.put(entry.getKey(), JsonText.plain(entry.getValue()));
            }
        });
        if (!rest.isEmpty()) {
            problems.replaceAll(told -> told.field().equals(pointer) ? beside(told, rest.keySet()) : told);
        }
        return new Extras(rest);
    }

    /** What is missing is most often there under another name. */
    private static Problem beside(Problem told, Set<String> unknown) {
        return told.reason().key().equals("problem.required")
                ? new Problem(
                        told.line(),
                        told.field(),
                        told.reason().as("problem.required_beside").with("unknown", List.copyOf(unknown)))
                : told;
    }
}
